import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { assess } from '@inner-hum/core/judge';
import { valueOf } from '@inner-hum/core/measure';
import { hear } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { toneSamples, swellTone, type KnownSwell } from '../tests/testWav';

// One sound, sampled at every rate that a device or a file may have: the same verdict, the same numbers.

const RATES_HZ = [16_000, 32_000, 48_000, 96_000, 192_000] as const;
const LEAD_S = 1;
const CLEAN: KnownSwell = {
  hz: 440 * 2 ** ((58 - 69) / 12),
  beatS: 0.5,
  beats: 8,
  softDb: -39,
  loudDb: -21,
  centreCents: 3,
  slopeCents: 0,
};
const SOUNDS: Readonly<Record<string, KnownSwell>> = {
  'a clean swell': CLEAN,
  'a sharp one': { ...CLEAN, centreCents: 28 },
  'one that is sharp when soft': { ...CLEAN, slopeCents: -16 },
  'one with a stair': { ...CLEAN, stair: { atS: 1.2, db: 6 } },
  'one that breaks to its octave': { ...CLEAN, jump: { atS: 2.9, lastsS: 0.3, partial: 2 } },
};

function heardAt(rateHz: number, sound: KnownSwell) {
  const parameters = { ...usualExercise(familyById('swell'), 'alto'), tempoBpm: 120 };
  const samples = Float32Array.from(toneSamples(swellTone(sound), LEAD_S, 0.5, rateHz), (value) => value / 32_768);
  const { verdict, measures } = assess(hear(samples, { sampleRateHz: rateHz }), {
    score: exerciseScore(parameters),
    parameters,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    firstBeatS: LEAD_S,
    demand: 'firm',
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
    before: [],
  });
  const [step] = measures;
  if (step?.kind !== 'sounded') throw new Error('silent');
  const centre = valueOf(step.pitchCentreCents)!;
  return {
    told: verdict.findings.map(({ id }) => id),
    decision: verdict.decision,
    centre,
    range: valueOf(step.rangeDb)!,
  };
}

describe.each(Object.entries(SOUNDS))('%s', (_, sound) => {
  const asked = heardAt(44_100, sound);
  it.each(RATES_HZ)('at %i Hz is judged the same', (rateHz) => {
    const heard = heardAt(rateHz, sound);
    expect(heard.told).toEqual(asked.told);
    expect(heard.decision).toBe(asked.decision);
    expect(Math.abs(heard.centre - asked.centre)).toBeLessThan(0.5);
    expect(Math.abs(heard.range - asked.range)).toBeLessThan(0.5);
  });
});

it.each([11_025, ...RATES_HZ])('a bright low note keeps its octave at %i Hz', (sampleRateHz) => {
  const score = exerciseScore({ ...usualExercise(familyById('swell'), 'bass'), writtenMidi: 70, tempoBpm: 120 });
  const common = { a4Hz: 440, ruler: ASSUMED_RULER, habits: CLEAN_HABITS, seed: 4, leadS: LEAD_S, tailS: 0.5 };
  const { f0Hz } = hear(playStandIn(score, { ...common, sampleRateHz }), { sampleRateHz });
  const sounding = f0Hz.filter((hz) => hz > 0);
  expect(sounding.length).toBeGreaterThan(300);
  expect(Math.min(...sounding)).toBeGreaterThan(98);
  expect(Math.max(...sounding)).toBeLessThan(110);
});
