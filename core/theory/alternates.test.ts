import { describe, expect, it } from 'vitest';
import { ALTERNATE_FINGERINGS, canFinger, fingeringText, INSTRUMENTS, instrumentById, regularFingering } from './index';

describe('alternate fingerings', () => {
  it('are of keys that every size has, each once and none the regular one', () => {
    const rows = ALTERNATE_FINGERINGS.map(({ midi, keys }) => `${midi} ${fingeringText(keys)}`);
    expect(new Set(rows).size).toBe(rows.length);
    for (const { id } of INSTRUMENTS) {
      const horn = instrumentById(id);
      for (const { midi, keys } of ALTERNATE_FINGERINGS) {
        expect(new Set(keys).size).toBe(keys.length);
        expect(canFinger(horn, keys)).toBe(true);
        expect(fingeringText(keys)).not.toBe(fingeringText(regularFingering(horn, midi)!));
      }
    }
  });
  it('give B♭ in three ways, F♯ and C in two, and the front notes only where there is a front key', () => {
    const ways = (midi: number) => 1 + ALTERNATE_FINGERINGS.filter((row) => row.midi === midi).length;
    expect([ways(70), ways(82), ways(66), ways(78), ways(72), ways(84)]).toEqual([3, 3, 2, 2, 2, 2]);
    const old = instrumentById('alto-frontF');
    const front = ALTERNATE_FINGERINGS.filter((row) => row.use === 'front');
    expect(front.map((row) => row.midi)).toEqual([88, 89]);
    for (const { keys } of front) expect(canFinger(old, keys)).toBe(false);
  });
});

describe('the text of a fingering', () => {
  it('is the same however its keys were named', () => {
    expect(fingeringText(['right1', 'sideBFlat', 'octave'])).toBe(fingeringText(['octave', 'right1', 'sideBFlat']));
    expect(fingeringText([])).toBe('');
    expect(fingeringText(['left1', 'left1'])).toBe('left1');
  });
});
