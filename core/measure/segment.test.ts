import { describe, expect, it } from 'vitest';
import { emptyFrames, type Frames } from '../signal';
import { segmentNotes } from './index';

/** Frames from pieces of [frames, Hz]; 0 Hz is a rest. */
function course(...pieces: readonly (readonly [number, number])[]): Frames {
  const frames = emptyFrames(pieces.reduce((sum, [length]) => sum + length, 0));
  let at = 0;
  for (const [length, hz] of pieces) {
    frames.f0Hz.fill(hz, at, at + length);
    frames.levelDb.fill(hz > 0 ? -20 : -80, at, at + length);
    at += length;
  }
  return frames;
}

describe('segmentNotes', () => {
  it('divides at rests and at lasting changes of pitch', () => {
    const notes = segmentNotes(course([20, 0], [50, 220], [30, 246.94], [10, 0], [40, 220]), 440);
    expect(notes.map((note) => note.soundingMidi)).toEqual([57, 59, 57]);
    expect(notes.map((note) => note.onsetS)).toEqual([0.2, 0.7, 1.1].map((s) => expect.closeTo(s, 6)));
    expect(notes[1]!.endS).toBeCloseTo(1, 6);
  });
  it('a short octave that comes back is a jump of its note', () => {
    const notes = segmentNotes(course([40, 220], [6, 440], [40, 220]), 440);
    expect(notes).toHaveLength(1);
    expect(notes[0]).toMatchObject({ jumps: 1, soundingMidi: 57 });
  });
  it('cents are against the nearest note at the given A4, whatever the transposition', () => {
    for (const factor of [1, 2 ** (5 / 12), 0.5])
      expect(segmentNotes(course([40, 220 * factor * 2 ** (7 / 1200)]), 440)[0]!.centsMedian).toBeCloseTo(7, 2);
    expect(segmentNotes(course([40, 221]), 442)[0]!.centsMedian).toBeCloseTo(0, 2);
  });
  it('nothing gives nothing, and a stump of 50 ms is no note', () => {
    expect(segmentNotes(emptyFrames(0), 440)).toEqual([]);
    expect(segmentNotes(course([20, 0], [5, 220], [20, 0]), 440)).toEqual([]);
  });
});
