import { describe, expect, it } from 'vitest';
import { emptyFrames, HOP_S, type Frames } from '../signal';
import { alignSteps, type ExpectedStep } from './align';
import { segmentNotes } from './segment';

const BEAT_S = 0.5;
const hzOf = (semitones: number) => 220 * 2 ** (semitones / 12);

/** Steps of a beat each, one after the other with a rest of half a beat, first at 1 s. */
const steps = (semitones: readonly number[]): ExpectedStep[] =>
  semitones.map((semitone, i) => ({
    startS: 1 + 1.5 * BEAT_S * i,
    endS: 1 + 1.5 * BEAT_S * i + BEAT_S,
    targetHz: hzOf(semitone),
    fingeredHz: hzOf(semitone),
  }));

/** Frames of tones as they were played: [start s, length s, semitones]. */
function played(tones: readonly (readonly [number, number, number])[]): Frames {
  const frames = emptyFrames(900);
  for (const [startS, lengthS, semitones] of tones)
    for (let i = Math.round(startS / HOP_S); i < Math.round((startS + lengthS) / HOP_S); i++) {
      frames.f0Hz[i] = hzOf(semitones);
      frames.levelDb[i] = -30;
    }
  return frames;
}
const startsS = (frames: Frames, expected: readonly ExpectedStep[]) =>
  alignSteps(frames, expected, BEAT_S).map((span) => span && Number((span.start * HOP_S).toFixed(2)));

describe('alignSteps', () => {
  const DOWN = [7, 5, 4, 2, 0];
  const inTime = steps(DOWN).map(({ startS }, i) => [startS, BEAT_S, DOWN[i]!] as const);
  it('what is in time is found in time', () =>
    expect(startsS(played(inTime), steps(DOWN))).toEqual(inTime.map(([startS]) => Number(startS.toFixed(2)))));
  it('a start two beats late moves all steps', () => {
    const late = inTime.map(([startS, lengthS, note]) => [startS + 1, lengthS, note] as const);
    expect(startsS(played(late), steps(DOWN))).toEqual(late.map(([startS]) => Number(startS.toFixed(2))));
  });
  it('a player who hurries keeps his steps', () => {
    const hurried = inTime.map(([startS, , note]) => [1 + (startS - 1) * 0.7, 0.33, note] as const);
    expect(startsS(played(hurried), steps(DOWN)).every((entry) => entry !== undefined)).toBe(true);
  });
  it('a step left out is silent, and the others keep theirs', () => {
    const without = inTime.filter((_, i) => i !== 2);
    const found = startsS(played(without), steps(DOWN));
    expect(found[2]).toBeUndefined();
    expect(found.filter((entry) => entry !== undefined)).toHaveLength(4);
  });
  it('one who stops early leaves the rest silent', () =>
    expect(startsS(played(inTime.slice(0, 2)), steps(DOWN)).slice(2)).toEqual([undefined, undefined, undefined]));
  it('a foreign note between belongs to no step', () => {
    const found = startsS(played([...inTime, [1.55, 0.12, 11]]), steps(DOWN));
    expect(found).toEqual(inTime.map(([startS]) => Number(startS.toFixed(2))));
  });
  it('a tone that breaks in two is one step', () => {
    const [span] = alignSteps(
      played([
        [1, 0.2, 7],
        [1.3, 0.2, 7],
      ]),
      steps([7]),
      BEAT_S,
    );
    expect(span).toEqual({ start: 100, end: 150 });
  });
  it('a tone held through the rest sounds for both steps', () => {
    const spans = alignSteps(played([[1, 1.2, 7]]), steps([7, 7]), BEAT_S);
    expect(spans.map((span) => span?.start)).toEqual([100, 175]);
  });
  it('silence gives silence, no steps give none', () => {
    expect(startsS(emptyFrames(900), steps(DOWN))).toEqual(DOWN.map(() => undefined));
    expect(alignSteps(played(inTime), [], BEAT_S)).toEqual([]);
  });
});

describe('notes struck again', () => {
  const struck = (dipDb: number) => {
    const frames = played([[1, 2, 0]]);
    for (const [i, share] of [0.5, 1, 1, 0.5].entries()) frames.levelDb[200 + i]! -= dipDb * share;
    return segmentNotes(frames, 440);
  };
  it('a dip of 12 dB is a new note, one of 4 dB is not', () => {
    expect(struck(12)).toHaveLength(2);
    expect(struck(4)).toHaveLength(1);
    expect(struck(12)[1]!.onsetS).toBeCloseTo(2.01, 1);
  });
});

describe('a note that begins on another pitch', () => {
  it('begins where that began, not where it found itself', () => {
    const frames = played([
      [1, 0.04, -12],
      [1.04, 1, 0],
    ]);
    expect(segmentNotes(frames, 440)).toMatchObject([{ onsetS: 1, soundingMidi: 57 }]);
  });
  it('after another note it is that note’s end', () => {
    const frames = played([
      [0.5, 0.5, 5],
      [1, 0.04, -12],
      [1.04, 1, 0],
    ]);
    expect(segmentNotes(frames, 440).map((note) => Number(note.onsetS.toFixed(2)))).toEqual([0.5, 1.04]);
  });
});
