import { describe, expect, it } from 'vitest';
import { lowDrop } from './lowDrop';
import type { FoundNote } from './segment';

/** Notes of a recording: sounding MIDI number, beginning and end. */
const notes = (...rows: readonly (readonly [midi: number, onsetS: number, endS: number])[]) =>
  rows.map(([soundingMidi, onsetS, endS]): FoundNote => {
    const f0HzMedian = 440 * 2 ** ((soundingMidi - 69) / 12);
    const same = { centsMedian: 0, centsSpread: 3, levelDbMedian: -20, breathDbMedian: -30, jumps: 0 };
    return { soundingMidi, onsetS, endS, f0HzMedian, ...same };
  });

describe('a drop to a low note', () => {
  it('straight out of a higher one spoke when it came', () => {
    expect(lowDrop(notes([65, 0, 2], [49, 2.04, 4]), 1)).toMatchObject({ fromSoundingMidi: 65 });
    expect(lowDrop(notes([65, 0, 2], [49, 2.2, 4]), 1)!.lateS).toBeCloseTo(0.2, 6);
  });

  it('breaks into another partial of its tube first', () => {
    const broken = lowDrop(notes([65, 0, 2], [61, 2.02, 2.3], [49, 2.3, 4]), 2);
    expect(broken).toMatchObject({ fromSoundingMidi: 65, brokeToSoundingMidi: 61 });
    expect(broken!.lateS).toBeCloseTo(0.3, 6);
  });

  it.each([
    ['after a breath', notes([65, 0, 2], [49, 2.4, 4])],
    ['from a neighbour', notes([52, 0, 2], [49, 2.02, 4])],
    ['from nothing', notes([49, 0, 2])],
  ])('is none %s', (_, heard) => {
    expect(lowDrop(heard, heard.length - 1)).toBeUndefined();
  });

  it('from its own octave that was held is a drop, not a break', () => {
    expect(lowDrop(notes([61, 0, 2], [49, 2.02, 4]), 1)).toMatchObject({ fromSoundingMidi: 61 });
  });
});
