import { describe, expect, it } from 'vitest';
import {
  expectedSuccess,
  INSTRUMENTS,
  instrumentById,
  lattice,
  midiToHz,
  centsBetweenHz,
  regularFingering,
  sourceByKey,
  sourceKey,
  sourcesOf,
} from './index';

/** Natural partials against tempered notes, from 1200·log2(n) by hand: cents. */
const OFFSETS = [0, 0, 2, 0, -14, 2, -31, 0, 4, -14];
const SEMITONES = [0, 12, 19, 24, 28, 31, 34, 36, 38, 40];

describe.each(INSTRUMENTS)('the lattice of the $id', (horn) => {
  const cells = lattice(horn);
  it('has each cell at its theoretical note and offset', () => {
    for (const one of cells) {
      const n = one.partialNumber;
      expect(one.soundedMidi).toBe(one.tubeMidi + SEMITONES[n - 1]!);
      expect(one.offsetCents).toBeCloseTo(OFFSETS[n - 1]!, 0);
      const natural = n * midiToHz(one.tubeMidi);
      expect(centsBetweenHz(midiToHz(one.soundedMidi), natural)).toBeCloseTo(one.offsetCents, 9);
    }
  });
  it('fingers only what the horn can finger, and names each cell once', () => {
    for (const one of cells) expect(regularFingering(horn, one.fingeredMidi)).toBeDefined();
    expect(new Set(cells.map(sourceKey)).size).toBe(cells.length);
  });
  it('is long from the bell notes, short above, with the octave key from D5', () => {
    for (const one of cells) {
      expect(one.length).toBe(one.tubeMidi <= 61 ? 'long' : 'short');
      expect(one.octaveKey).toBe(one.fingeredMidi >= 74);
      expect(one.fingeredMidi - one.tubeMidi).toBe(one.octaveKey ? 12 : 0);
    }
  });
  it('keeps within the horn and its altissimo', () => {
    const top = horn.highestKeyedWrittenMidi + 12;
    expect(Math.max(...cells.map((one) => one.soundedMidi))).toBeLessThanOrEqual(top);
    expect(cells.filter((one) => one.partialNumber === 1)).toHaveLength(74 - horn.lowestWrittenMidi);
  });
});

describe('sources', () => {
  const alto = instrumentById('alto');
  it('of B♭5: 4 of B♭3, 3 of E♭4, 2 of B♭4, and the overblown E♭5', () =>
    expect(sourcesOf(alto, 82).map(sourceKey)).toEqual(['58/4', '63/3', '70/2', '75/3']));
  it('of the lowest note: itself alone', () => expect(sourcesOf(alto, 58).map(sourceKey)).toEqual(['58/1']));
  it('short twelfths sound a fifth above their fingering and get stubborn from C6', () => {
    const d5 = sourceByKey(alto, '74/3')!;
    const c6 = sourceByKey(alto, '84/3')!;
    expect([d5.soundedMidi, c6.soundedMidi]).toEqual([81, 91]);
    expect(expectedSuccess(d5.prior)).toBeGreaterThan(0.6);
    expect(expectedSuccess(c6.prior)).toBeLessThan(0.4);
  });
  it('an unknown name has none', () => expect(sourceByKey(alto, '58/11')).toBeUndefined());
  it('own tries replace the prior', () => {
    const prior = { got: 2, of: 5 };
    expect(expectedSuccess(prior)).toBe(0.4);
    expect(expectedSuccess(prior, { got: 95, of: 95 })).toBe(0.97);
  });
});
