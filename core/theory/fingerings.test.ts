import { describe, expect, it } from 'vitest';
import { INSTRUMENTS, instrumentById, keysOf, KEYS, regularFingering } from './index';

const alto = instrumentById('alto');

describe('regular fingerings', () => {
  it.each(INSTRUMENTS)('$id: every keyed note has one, of keys the horn has, and none other', ({ id }) => {
    const horn = instrumentById(id);
    const own = new Set(keysOf(horn).map((key) => key.id));
    const seen = new Set<string>();
    for (let midi = horn.lowestWrittenMidi; midi <= horn.highestKeyedWrittenMidi; midi++) {
      const keys = regularFingering(horn, midi)!;
      expect(keys.filter((key) => !own.has(key))).toEqual([]);
      seen.add([...keys].sort().join(' '));
    }
    expect(seen.size).toBe(horn.highestKeyedWrittenMidi - horn.lowestWrittenMidi + 1);
  });
  it('an octave above the lower register is the same with the octave key', () => {
    for (let midi = 62; midi <= 73; midi++)
      expect(regularFingering(alto, midi + 12)).toEqual(['octave', ...regularFingering(alto, midi)!]);
  });
  it('there is none above or below the keys', () => {
    expect(regularFingering(alto, 57)).toBeUndefined();
    expect(regularFingering(alto, 91)).toBeUndefined();
    expect(regularFingering(instrumentById('bass'), 90)).toBeUndefined();
    expect(regularFingering(instrumentById('baritoneLowA'), 57)).toContain('lowA');
  });
  it('keys stand apart in the drawing', () => {
    expect(new Set(KEYS.map((key) => key.id)).size).toBe(KEYS.length);
    expect(new Set(KEYS.map((key) => `${key.x} ${key.row}`)).size).toBe(KEYS.length);
  });
});
