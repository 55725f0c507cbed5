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
    for (const cell of cells) {
      const n = cell.partialNumber;
      expect(cell.soundedMidi).toBe(cell.tubeMidi + SEMITONES[n - 1]!);
      expect(cell.offsetCents).toBeCloseTo(OFFSETS[n - 1]!, 0);
      const natural = n * midiToHz(cell.tubeMidi);
      expect(centsBetweenHz(midiToHz(cell.soundedMidi), natural)).toBeCloseTo(cell.offsetCents, 9);
    }
  });
  it('fingers only what the horn can finger, and names each cell once', () => {
    for (const cell of cells) expect(regularFingering(horn, cell.fingeredMidi)).toBeDefined();
    expect(new Set(cells.map(sourceKey)).size).toBe(cells.length);
  });
  it('is long from the bell notes, short above, with the octave key from D5', () => {
    for (const cell of cells) {
      expect(cell.length).toBe(cell.tubeMidi <= 61 ? 'long' : 'short');
      expect(cell.octaveKey).toBe(cell.fingeredMidi >= 74);
      expect(cell.fingeredMidi - cell.tubeMidi).toBe(cell.octaveKey ? 12 : 0);
    }
  });
  it('keeps within the horn and its altissimo', () => {
    const top = horn.highestKeyedWrittenMidi + 12;
    expect(Math.max(...cells.map((cell) => cell.soundedMidi))).toBeLessThanOrEqual(top);
    expect(cells.filter((cell) => cell.partialNumber === 1)).toHaveLength(74 - horn.lowestWrittenMidi);
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
