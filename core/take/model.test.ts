import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { tubeOf, valueOf } from '@inner-hum/core/measure';
import { CLEAN_HABITS, playStandIn, SeededRandom, type Habits } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import type { FreeWish } from './freePlay';
import { modelOf, type Model } from './model';

const RATE_HZ = 44_100;
const wish: FreeWish = {
  startedAt: '2026-03-01T18:00:00.000Z',
  setup: { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
  source: { kind: 'file', name: 'kept.wav' },
};
/** One tone of a family, as long as it takes; `partial` of written B♭3. */
function tone(partial: number, habits: Partial<Habits> = {}, seed = 1): Float32Array {
  const parameters = {
    ...usualExercise(familyById('directOvertone'), 'alto'),
    partial: Math.max(2, partial),
    repeats: 1,
  };
  const score = exerciseScore(parameters);
  const played = { ...score, steps: score.steps.map((step) => ({ ...step, partialNumber: partial })) };
  return playStandIn(played, {
    ...{ a4Hz: 440, ruler: ASSUMED_RULER, sampleRateHz: RATE_HZ, seed, leadS: 0.5, tailS: 0.5 },
    habits: { ...CLEAN_HABITS, ...habits },
  });
}
const tones = (model: Model) => (model.kind === 'heard' ? model.tones : []);

describe('a recording to learn from', () => {
  it('gives its held tones with what is measured of an own one', () => {
    const [heard] = tones(modelOf(tone(3, { vibrato: { rateHz: 5, extentCents: 25 } }), RATE_HZ, wish));
    expect(heard).toMatchObject({ writtenMidi: 77 });
    expect(heard!.toS - heard!.fromS).toBeGreaterThan(2);
    expect(valueOf(heard!.measures.vibratoHz)).toBeCloseTo(5, 0);
    expect(heard!.outline.length).toBeGreaterThan(5);
  });

  it('tells from which tube an overtone came', () => {
    for (const partial of [3, 4, 5])
      expect(tones(modelOf(tone(partial), RATE_HZ, wish))[0]?.tube).toMatchObject({ kind: 'partial', partial });
  });

  it('says nothing of a tone where others play along, and nothing of silence', () => {
    const random = new SeededRandom(3);
    const alone = tone(2);
    const band = alone.map((value, i) => {
      const drums = 0.25 * random.normal() * Math.exp(-((i / RATE_HZ) % 0.25) * 12);
      return (
        value +
        drums +
        0.1 * Math.sin((2 * Math.PI * 311.13 * i) / RATE_HZ) +
        0.1 * Math.sin((2 * Math.PI * 392 * i) / RATE_HZ)
      );
    });
    expect(modelOf(band, RATE_HZ, wish)).toEqual({ kind: 'notAlone' });
    expect(modelOf(new Float32Array(RATE_HZ), RATE_HZ, wish)).toEqual({ kind: 'nothing' });
  });
});

describe('the tube of a tone', () => {
  const random = new SeededRandom(5);
  /** Twelve partials of 440 Hz, a tube's row at 440/n under it, and noise; dB against the first partial. */
  const made = (partial: number, rowDb: number, noiseDb: number) =>
    Float32Array.from({ length: RATE_HZ }, (_, i) => {
      const t = (2 * Math.PI * i) / RATE_HZ;
      let value = 0;
      for (let k = 1; k <= 12; k++) value += Math.sin(440 * k * t + k) / k ** 1.5;
      for (let m = 1; m <= 3 * partial; m++)
        if (m % partial) value += 10 ** (rowDb / 20) * Math.sin(((440 * m) / partial) * t + m * m);
      return 0.1 * (value + 10 ** (noiseDb / 20) * random.normal());
    });
  const CANDIDATES = [2, 3, 4, 5, 6, 8];

  it('is told by the row that goes on sounding under an overtone, the longest of those that explain it', () => {
    for (const partial of [2, 3, 4, 5, 6, 8])
      expect(tubeOf(made(partial, -40, -40), RATE_HZ, 440, CANDIDATES)).toMatchObject({ kind: 'partial', partial });
  });

  it('is the regular one where nothing lies between the partials, and can’t be told under noise', () => {
    expect(tubeOf(made(1, -40, -60), RATE_HZ, 440, CANDIDATES)).toEqual({ kind: 'regular' });
    expect(tubeOf(made(1, -40, 0), RATE_HZ, 440, CANDIDATES)).toEqual({ kind: 'cannotTell' });
    expect(tubeOf(made(3, -60, -10), RATE_HZ, 440, CANDIDATES)).toEqual({ kind: 'cannotTell' });
  });

  it('can’t be told of a tone that is too short, or where there is no other', () => {
    expect(tubeOf(made(3, -30, -60).subarray(0, 4000), RATE_HZ, 440, CANDIDATES)).toEqual({ kind: 'cannotTell' });
    expect(tubeOf(made(3, -30, -60), RATE_HZ, 440, [])).toEqual({ kind: 'cannotTell' });
  });
});
