import { gainControl } from '@inner-hum/core/measure';
import { describe, expect, it } from 'vitest';
import { assess } from '@inner-hum/core/judge';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { cleanTake, gated, heardAs, withGainControl } from './inputTakes';

describe.each([6, 7, 8])('what a device does to a take (%d)', (seed) => {
  const { score, samples } = cleanTake(seed);
  it('is not found where it does nothing', () => expect(gainControl(heardAs(score, samples))).toEqual({}));
  it('is found where the gain follows the level', () =>
    expect(gainControl(heardAs(score, withGainControl(samples, seed))).gainRidesDb).toBeGreaterThan(2.5));
  it('is found where pauses are cut', () => expect(gainControl(heardAs(score, gated(samples))).gated).toBe(true));
});

it('a take whose levels the device moved is told so first, and nothing is said of its loudness', () => {
  const { score, parameters, samples } = cleanTake(7);
  const judged = (heard: Float32Array) =>
    assess(heardAs(score, heard), {
      score,
      parameters,
      firstBeatS: 0.6,
      a4Hz: 440,
      ruler: ASSUMED_RULER,
      demand: 'firm',
      audioPath: { delayS: 0, delayErrorS: 0 },
      onBeat: true,
      before: [],
      device: {},
    }).verdict.findings.map(({ id }) => id);
  const ids = judged(withGainControl(samples, 7));
  expect(ids[0]).toBe('levelsRide');
  expect(ids).not.toEqual(expect.arrayContaining(['narrowRange']));
  expect(judged(samples)).not.toContain('levelsRide');
});
