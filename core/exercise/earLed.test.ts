import { midiToHz } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { clearSeconds, EarLed } from './earLed';

/** Written B♭3 of an alto: D♭3 sounding; its octave and twelfth. */
const ONE = midiToHz(49, 440);
const ladder = { ...usualExercise(familyById('overtoneLadder'), 'alto'), top: 3, repeats: 1, goesOn: 'clear1' };
const score = exerciseScore(ladder);
/** Partials asked for: 1 2, 1 2 3. */
function led(sounds: readonly (readonly [hz: number, forS: number])[]) {
  const ear = new EarLed(score, 440, 1);
  const wentOnAtS: number[] = [];
  let frame = 0;
  for (const [hz, forS] of sounds)
    for (const end = frame + Math.round(forS * 100); frame < end; frame++)
      if (ear.hear(frame / 100, hz)) wentOnAtS.push(frame / 100);
  return { ear, wentOnAtS, endS: frame / 100 };
}

describe('a score that is led by ear', () => {
  it('goes on when the tone asked for has been clear for its time, however long that takes', () => {
    const { ear, wentOnAtS } = led([
      [ONE, 1.2],
      [ONE * 2, 1.5],
    ]);
    expect(wentOnAtS.map((s) => s.toFixed(1))).toEqual(['1.0', '2.2']);
    expect(ear.tones[1]!.soughtS).toBeCloseTo(0.2, 1);
  });

  it('waits while another partial sounds, and while the tone wavers out of its place', () => {
    expect(led([[ONE * 3, 4]]).wentOnAtS).toEqual([]);
    const wavering = Array.from({ length: 10 }, (_, i) => [i % 2 ? ONE * 1.05 : ONE, 0.5] as const);
    expect(led(wavering).wentOnAtS).toEqual([]);
    const sharp = ONE * 2 ** (40 / 1200);
    expect(led([[sharp, 1.1]]).wentOnAtS).toHaveLength(1);
  });

  it('is not disturbed by a hole of a few hundredths', () => {
    const { wentOnAtS } = led([
      [ONE, 0.6],
      [0, 0.03],
      [ONE, 0.6],
    ]);
    expect(wentOnAtS).toHaveLength(1);
  });

  it('does not take the same tone held on for the next one, where that begins with a breath', () => {
    const held = led([
      [ONE, 1.2],
      [ONE * 2, 1.2],
      [ONE * 2, 3],
    ]);
    expect(held.wentOnAtS).toHaveLength(2);
    const again = led([
      [ONE, 3],
      [ONE * 2, 1.2],
      [0, 0.5],
      [ONE, 1.2],
    ]);
    expect(again.wentOnAtS).toHaveLength(3);
  });

  it('tells what was played: seconds for beats, the time to each tone, and what was being tried', () => {
    const { ear, endS } = led([
      [ONE, 1.5],
      [ONE * 3, 2],
      [ONE * 2, 1.2],
      [0, 3],
    ]);
    const { steps, tempoBpm, gaps } = ear.led(0, endS);
    expect(tempoBpm).toBe(60);
    expect(gaps).toEqual([]);
    expect(steps.map(({ startBeat, beats }) => [startBeat.toFixed(1), beats.toFixed(1)])).toEqual([
      ['0.0', '1.0'],
      ['3.5', '1.0'],
      ['4.5', '3.2'],
    ]);
    expect(steps.map(({ foundAfterS }) => foundAfterS?.toFixed(1))).toEqual(['0.0', '2.5', undefined]);
    // Silence is no search: fingers and breath have their time.
    const rested = led([
      [ONE, 1.2],
      [ONE * 2, 1.2],
      [0, 6],
      [ONE * 1.06, 0.4],
      [ONE, 1.2],
    ]);
    expect(rested.ear.tones[2]!.soughtS).toBeCloseTo(0.4, 1);
  });

  it('keeps what was tried where nothing was clear', () => {
    const { ear, endS } = led([[ONE * 3, 5]]);
    expect(ear.led(0, endS).steps).toMatchObject([{ startBeat: 0, beats: 5, partialNumber: 1 }]);
  });

  it('is a choice of families that climb; others follow the beat', () => {
    expect(score.clearS).toBe(1);
    expect(exerciseScore({ ...ladder, goesOn: 'beat' }).clearS).toBeUndefined();
    expect(clearSeconds(undefined)).toBeUndefined();
    // Each tone is long enough for who plays it on the beat, as the stand-in does.
    expect(score.steps.every(({ beats }) => (beats * 60) / score.tempoBpm > 1)).toBe(true);
  });
});
