import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { tonesOfSteps, type TakeContext } from '@inner-hum/core/measure';
import { hear, PARTIALS_KEPT, type Frames } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn, withFault, type FaultName } from '@inner-hum/core/simulate';
import { ASSUMED_RULER, centsBetweenHz, type InstrumentId } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { evenedTone } from './evenedTone';
import { SincReader } from './sincReader';

const RATE_HZ = 44100;
const RANGE = { sampleRateHz: RATE_HZ, minHz: 60, maxHz: 2000 };

function take(instrumentId: InstrumentId, fault: FaultName | undefined) {
  const score = exerciseScore({ ...usualExercise(familyById('swell'), instrumentId), beats: 4, tempoBpm: 80 });
  const common = { score, a4Hz: 440, ruler: ASSUMED_RULER };
  const habits = fault ? withFault(fault) : CLEAN_HABITS;
  const samples = playStandIn(score, { ...common, sampleRateHz: RATE_HZ, habits, seed: 4, leadS: 0.6, tailS: 0.4 });
  const context: TakeContext = {
    ...common,
    firstBeatS: 0.6,
    demand: 'firm',
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
  };
  return { samples, context, frames: hear(samples, RANGE) };
}

/** How far a sound is from its plan: 95th percentile of cents, and of dB about the median. Attack and release aside. */
function distance(frames: Frames, context: TakeContext) {
  const cents: number[] = [];
  const db: number[] = [];
  for (const { span, expected } of tonesOfSteps(frames, context))
    for (let i = (span?.start ?? 0) + 12; i < (span?.end ?? 0) - 12; i++) {
      const off = frames.f0Hz[i]! > 0 ? Math.abs(centsBetweenHz(expected.targetHz, frames.f0Hz[i]!)) : Infinity;
      if (off > 60) continue;
      cents.push(off);
      db.push(frames.levelDb[i]! - expected.line.levelDbAt(i * 0.01));
    }
  const at = (values: number[], share: number) => values.sort((a, b) => a - b)[Math.floor(share * values.length)]!;
  const middle = at(db, 0.5);
  return {
    cents: at(cents, 0.95),
    db: at(
      db.map((value) => Math.abs(value - middle)),
      0.95,
    ),
  };
}

const sharpest = (samples: Float32Array) =>
  samples.reduce(
    (most, value, i) => Math.max(most, Math.abs(value - 2 * (samples[i - 1] ?? 0) + (samples[i - 2] ?? 0))),
    0,
  );

describe('a tone evened', () => {
  it.each([
    ['alto', 'sharpWhenSoft'],
    ['tenor', 'stair'],
    ['baritone', 'sinking'],
    ['soprano', 'sharp'],
  ] as const)('%s, %s: pitch and level lie on the plan, the colour is as it was, nothing clicks', (horn, fault) => {
    const { samples, context, frames } = take(horn, fault);
    const evened = evenedTone(samples, frames, { ...context, sampleRateHz: RATE_HZ, vibrato: 'evened' });
    const after = hear(evened.samples, RANGE);
    const before = distance(frames, context);
    expect(Math.max(before.cents / 1.5, before.db / 0.7)).toBeGreaterThan(2);
    expect(distance(after, context).cents).toBeLessThan(1.5);
    expect(distance(after, context).db).toBeLessThan(0.7);
    expect(sharpest(evened.samples)).toBeLessThan(1.25 * sharpest(samples));
    expect(evened.samples.length).toBe(samples.length);
    expect(evened.left).toEqual([]);
    const middle = Math.round(after.count / 2);
    const partial = ({ partialsDb }: Frames, n: number) =>
      partialsDb[middle * PARTIALS_KEPT + n]! - partialsDb[middle * PARTIALS_KEPT]!;
    for (let n = 1; n < 5; n++) expect(Math.abs(partial(after, n) - partial(frames, n))).toBeLessThan(1);
  });

  it('is drawn to another take: its pitch, its loudness, without its vibrato', () => {
    const today = take('alto', 'sharpWhenSoft');
    const best = take('alto', 'sinking');
    const like = { frames: best.frames, context: best.context };
    const evened = evenedTone(today.samples, today.frames, {
      ...{ ...today.context, sampleRateHz: RATE_HZ, vibrato: 'evened', like },
    });
    const after = hear(evened.samples, RANGE);
    const apart = (frames: Frames, of: 'f0Hz' | 'levelDb') => {
      const [tone] = tonesOfSteps(best.frames, best.context);
      const differences: number[] = [];
      for (let i = tone!.span!.start + 30; i < tone!.span!.end - 30; i++)
        differences.push(
          of === 'f0Hz'
            ? centsBetweenHz(best.frames.f0Hz[i]!, frames.f0Hz[i]!)
            : frames.levelDb[i]! - best.frames.levelDb[i]!,
        );
      const middle = of === 'f0Hz' ? 0 : [...differences].sort((a, b) => a - b)[differences.length >> 1]!;
      return differences.map((value) => Math.abs(value - middle)).sort((a, b) => a - b)[
        Math.floor(0.95 * differences.length)
      ]!;
    };
    expect(apart(today.frames, 'f0Hz')).toBeGreaterThan(8);
    expect(apart(after, 'f0Hz')).toBeLessThan(3);
    expect(apart(after, 'levelDb')).toBeLessThan(1.2);
  });

  it('is drawn to a take of fewer tones, or at another tempo, as far as that goes', () => {
    const today = take('alto', 'sharpWhenSoft');
    const { score } = today.context;
    const fewer = { frames: today.frames, context: { ...today.context, score: { ...score, steps: [] } } };
    const slower = { frames: today.frames, context: { ...today.context, score: { ...score, tempoBpm: 60 } } };
    const settings = { ...today.context, sampleRateHz: RATE_HZ, vibrato: 'evened' } as const;
    const plain = evenedTone(today.samples, today.frames, settings);
    expect(evenedTone(today.samples, today.frames, { ...settings, like: fewer })).toEqual(plain);
    expect(evenedTone(today.samples, today.frames, { ...settings, like: slower }).samples).toHaveLength(
      today.samples.length,
    );
  });

  it('is drawn to the plan where the other take has no such tone', () => {
    const today = take('alto', 'sharpWhenSoft');
    const silent = { frames: hear(new Float32Array(RATE_HZ), RANGE), context: today.context };
    const settings = { ...today.context, sampleRateHz: RATE_HZ, vibrato: 'evened' } as const;
    const evened = evenedTone(today.samples, today.frames, { ...settings, like: silent });
    expect(evened).toEqual(evenedTone(today.samples, today.frames, settings));
  });

  it('leaves a hole a hole, and says where', () => {
    const { samples, context, frames } = take('alto', 'dropOut');
    const evened = evenedTone(samples, frames, { ...context, sampleRateHz: RATE_HZ, vibrato: 'kept' });
    expect(evened.left).toHaveLength(1);
    const [{ fromS, toS }] = evened.left as [{ fromS: number; toS: number }];
    expect(toS - fromS).toBeGreaterThan(0.1);
    const at = Math.round(((fromS + toS) / 2) * RATE_HZ);
    const loudest = (sound: Float32Array) => Math.max(...sound.subarray(at - 800, at + 800).map(Math.abs));
    expect(loudest(evened.samples)).toBeLessThan(1.05 * loudest(samples));
  });

  it('leaves a tone that is another note as it was', () => {
    const { samples, context, frames } = take('alto', undefined);
    const other = {
      ...context,
      score: {
        ...context.score,
        steps: context.score.steps.map((step) => ({
          ...step,
          fingeredMidi: step.fingeredMidi + 3,
          soundedMidi: step.soundedMidi + 3,
        })),
      },
    };
    const evened = evenedTone(samples, frames, { ...other, sampleRateHz: RATE_HZ, vibrato: 'kept' });
    expect(evened.left.length).toBeGreaterThan(0);
    expect(evened.samples).toEqual(Float32Array.from(samples));
  });
});

describe('reading between samples', () => {
  it('gives a sine of a fifth of the rate to within −75 dB', () => {
    const wave = (place: number) => Math.sin(2 * Math.PI * 0.2 * place);
    const reader = new SincReader(Float32Array.from({ length: 400 }, (_, i) => wave(i)));
    for (let place = 100.013; place < 300; place += 7.37)
      expect(Math.abs(reader.at(place) - wave(place))).toBeLessThan(2e-4);
  });
  it('is silent beyond the ends', () => {
    const reader = new SincReader(new Float32Array(8).fill(1));
    expect(reader.at(-40)).toBe(0);
    expect(reader.at(60)).toBe(0);
  });
});
