import { describe, expect, it } from 'vitest';
import {
  canFinger,
  HORN_OPTIONS,
  hornIdOf,
  INSTRUMENTS,
  instrumentById,
  isHornId,
  regularFingering,
  sizeOf,
} from './index';

describe('a horn as it is built', () => {
  it.each([
    ['alto', {}, 'alto'],
    ['alto', { highFSharp: true, lowA: false }, 'alto'],
    ['alto', { highFSharp: false }, 'alto-highFSharp'],
    ['alto', { frontF: false, lowA: true }, 'alto+lowA-frontF'],
    ['bass', { highFSharp: true }, 'bass+highFSharp'],
    ['baritoneLowA', { lowA: true }, 'baritoneLowA'],
  ] as const)('%s with %j is named %s', (size, options, id) => {
    expect(hornIdOf(size, options)).toBe(id);
    expect(sizeOf(hornIdOf(size, options))).toBe(size);
    expect(isHornId(id)).toBe(true);
  });
  it.each(['', 'kazoo', 'alto+lowB', 'alto-', 'alto highG', 7, undefined])('%s names none', (value) =>
    expect(isHornId(value)).toBe(false),
  );
  it('says what it does not know', () => {
    expect(() => instrumentById('kazoo' as 'alto')).toThrow('no instrument is called kazoo');
    expect(() => instrumentById('alto+lowB')).toThrow('horns do not differ in a key lowB');
  });
  it.each([
    ['alto', 58, 90],
    ['alto-highFSharp', 58, 89],
    ['alto+lowA', 57, 90],
    ['soprano+highG', 58, 91],
    ['bass+highG', 58, 91],
  ] as const)('%s goes from %i to %i by its keys', (id, lowest, highest) => {
    const horn = instrumentById(id);
    expect([horn.lowestWrittenMidi, horn.highestKeyedWrittenMidi]).toEqual([lowest, highest]);
    expect(horn.id).toBe(sizeOf(id));
    expect(instrumentById(id)).toBe(horn);
  });
  it('has a fingering of its own keys for each note they give, whatever they are', () => {
    for (const { id } of INSTRUMENTS)
      for (let has = 0; has < 2 ** HORN_OPTIONS.length; has++) {
        const options = Object.fromEntries(HORN_OPTIONS.map((key, i) => [key, (has & (2 ** i)) > 0]));
        const horn = instrumentById(hornIdOf(id, options));
        for (let midi = horn.lowestWrittenMidi; midi <= horn.highestKeyedWrittenMidi; midi++)
          expect(canFinger(horn, regularFingering(horn, midi)!), `${horn.hornId} ${midi}`).toBe(true);
      }
  });
});
