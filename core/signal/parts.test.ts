import { describe, expect, it } from 'vitest';
import { BreathMeter } from './breath';
import { Candidates } from './candidates';
import { DcBlocker } from './dcBlocker';
import { Decimator, decimationFactor } from './decimator';
import { amplitudeToDb, dbToAmplitude, powerToDb } from './decibels';
import { Harmonics } from './harmonics';
import { LevelMeter } from './level';
import { Periodicity } from './periodicity';
import { PitchPath } from './pitchPath';
import { SampleStore } from './sampleStore';
import { warmUp } from './warmUp';
import { hann } from './window';

const RATE_HZ = 22050;
const stored = (seconds: number, at: (t: number) => number, rateHz = RATE_HZ) => {
  const store = new SampleStore();
  store.append(Float32Array.from({ length: Math.round(seconds * rateHz) }, (_, i) => at(i / rateHz)));
  return store;
};
const sine =
  (hz: number, amplitude = 1) =>
  (t: number) =>
    amplitude * Math.sin(2 * Math.PI * hz * t);
let seed = 7;
const noise = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 31 - 1;

describe('SampleStore', () => {
  it.each([0.5, -1, NaN, 10_666.67])('can not keep %f samples', (retain) =>
    expect(() => new SampleStore(retain)).toThrow(RangeError),
  );
});

describe('Decimator', () => {
  const gainDb = (factor: number, share: number) => {
    const decimator = new Decimator(factor);
    const hz = (share * RATE_HZ) / factor;
    decimator.pull(stored(1, sine(hz)), true);
    const out = decimator.output.slice().subarray(200, -200);
    return powerToDb(2 * (out.reduce((sum, value) => sum + value * value, 0) / out.length));
  };
  it.each([2, 3, 4])('factor %i: flat up to 0.35 of the new rate, gone beyond 0.65', (factor) => {
    for (const share of [0.05, 0.2, 0.35]) expect(Math.abs(gainDb(factor, share))).toBeLessThan(0.1);
    for (const share of [0.66, 0.8, 0.95]) expect(gainDb(factor, share)).toBeLessThan(-65);
  });
  it('has no delay', () => {
    const decimator = new Decimator(2);
    decimator.pull(stored(0.2, sine(500)), true);
    const out = decimator.output.slice();
    for (let i = 300; i < 340; i++) expect(out[i]).toBeCloseTo(sine(500)((2 * i) / RATE_HZ), 3);
  });
  it('gives the same however the sound comes in', () => {
    const all = stored(0.3, () => noise());
    const whole = new Decimator(2);
    whole.pull(all, true);
    const parts = new Decimator(2);
    const growing = new SampleStore();
    for (let at = 0; at < all.end; at += 131) {
      growing.append(all.slice().subarray(at, at + 131));
      parts.pull(growing);
    }
    parts.pull(growing, true);
    expect([...parts.output.slice()]).toEqual([...whole.output.slice()]);
  });
  it('leaves factor 1 alone and refuses what is none', () => {
    const same = new Decimator(1);
    const sound = stored(0.05, sine(300));
    same.pull(sound, true);
    expect([...same.output.slice()]).toEqual([...sound.slice()]);
    expect(() => new Decimator(1.5)).toThrow('whole number');
  });
  it.each([
    [8000, 1],
    [16000, 1],
    [44100, 2],
    [48000, 2],
    [96000, 4],
  ])('%i Hz is thinned by %i', (rate, factor) => expect(decimationFactor(rate)).toBe(factor));
});

describe('Harmonics', () => {
  const harmonics = new Harmonics(RATE_HZ, 48);
  const partials = [0.1, 0.3, 0.2, 0.05, 0.02];
  const tone = (hz: number) => stored(1, (t) => partials.reduce((sum, a, k) => sum + sine((k + 1) * hz, a)(t), 0));
  it.each([52, 110, 233.1, 440, 1200])(
    'partials of %f Hz to a tenth of a dB, its pitch to a quarter of a cent',
    (hz) => {
      harmonics.measure(tone(hz), 11025, hz * 1.004, 'clean');
      expect(Math.abs(1200 * Math.log2(harmonics.f0Hz / hz))).toBeLessThan(0.25);
      partials.forEach((a, k) => expect(Math.abs(harmonics.partialsDb[k]! - amplitudeToDb(a))).toBeLessThan(0.1));
      const centroid = partials.reduce((sum, a, k) => sum + (k + 1) * a, 0) / partials.reduce((sum, a) => sum + a, 0);
      expect(harmonics.centroidPartials).toBeCloseTo(centroid, 1);
    },
  );
  it('the gain moves the partials and nothing else', () => {
    harmonics.measure(tone(300), 11025, 300, 'clean');
    const [hz, first] = [harmonics.f0Hz, harmonics.partialsDb[0]!];
    const louder = stored(1, (t) => partials.reduce((sum, a, k) => sum + sine((k + 1) * 300, 2 * a)(t), 0));
    harmonics.measure(louder, 11025, 300, 'clean');
    expect(harmonics.f0Hz).toBeCloseTo(hz, 6);
    expect(harmonics.partialsDb[0]! - first).toBeCloseTo(6.02, 2);
  });
  it('a longer window is moved less by noise', () => {
    const spread = (kind: 'clean' | 'airy') => {
      let squares = 0;
      for (let i = 0; i < 40; i++) {
        harmonics.measure(
          stored(0.4, (t) => sine(200, 0.1)(t) + 0.05 * noise()),
          4400,
          200,
          kind,
        );
        squares += (1200 * Math.log2(harmonics.f0Hz / 200)) ** 2;
      }
      return Math.sqrt(squares / 40);
    };
    expect(spread('airy')).toBeLessThan(0.5 * spread('clean'));
  });
  it('knows where all partials have room', () => {
    expect(harmonics.holdsAllPartials(390)).toBe(true);
    expect(harmonics.holdsAllPartials(400)).toBe(false);
  });
});

describe('LevelMeter', () => {
  const levelOf = (sound: ReturnType<typeof stored>, centre = 3000) => {
    const meter = new LevelMeter(RATE_HZ);
    meter.pull(sound, true);
    return meter.at(centre);
  };
  it.each([60, 440, 3000])('a full-scale sine of %i Hz reads −3.0', (hz) =>
    expect(levelOf(stored(0.3, sine(hz)))).toBeCloseTo(-3.01, 1),
  );
  it('is the weighted sum over all samples, wherever the centre falls and however loud the sound changes', () => {
    const at = (t: number) => Math.exp(-12 * t) * (Math.sin(2 * Math.PI * 311 * t) + 0.3 * Math.sin(9001 * t));
    const sound = stored(0.3, at);
    const weight = hann(Math.round(0.02 * RATE_HZ));
    const half = (weight.length - 1) / 2;
    const sum = weight.reduce((total, value) => total + value, 0);
    for (const centre of [3000, 3001, 3004, 3007]) {
      const power = weight.reduce((total, value, i) => total + value * sound.at(centre - half + i) ** 2, 0) / sum;
      expect(levelOf(sound, centre)).toBeCloseTo(10 * Math.log10(power), 2);
    }
  });
  it('silence has its floor', () => expect(levelOf(stored(0.3, () => 0))).toBe(-120));
});

describe('BreathMeter', () => {
  const meter = new BreathMeter(44100);
  it.each([-6, -15, -25])('noise %i dB under the whole is heard within 2 dB', (db) => {
    const share = 10 ** (db / 10);
    const sizes = Array.from({ length: 20 }, () => {
      const tone = Math.sqrt(2 * (1 - share));
      return meter.at(
        stored(0.1, (t) => sine(220, tone)(t) + Math.sqrt(3 * share) * noise(), 44100),
        2205,
        220,
      );
    });
    const mean = sizes.reduce((sum, size) => sum + size, 0) / sizes.length;
    expect(Math.abs(mean - db)).toBeLessThan(2);
  });
  it('a clean tone has its floor, silence none', () => {
    expect(meter.at(stored(0.1, sine(220), 44100), 2205, 220)).toBe(-45);
    expect(
      meter.at(
        stored(0.1, () => 0, 44100),
        2205,
        220,
      ),
    ).toBe(0);
  });
});

describe('Periodicity and Candidates', () => {
  const best = (at: (t: number) => number) => {
    const candidates = new Candidates();
    new Periodicity(RATE_HZ, 110, 2800).addTo(candidates, stored(0.2, at), 2200);
    return candidates;
  };
  it.each([130, 440, 1500])('the period of %i Hz has the most worth', (hz) => {
    const found = best((t) => sine(hz)(t) + sine(2 * hz, 0.5)(t + 0.0003));
    expect(Math.abs(1200 * Math.log2(found.hz[0]! / hz))).toBeLessThan(15);
    expect(found.strength[0]).toBeGreaterThan(0.97);
  });
  it('a missing fundamental is still the period', () => {
    const found = best((t) => sine(400)(t) + sine(600)(t) + sine(800)(t));
    expect(found.hz[0]).toBeCloseTo(200, 0);
  });
  it('silence has no candidate', () => expect(best(() => 0).count).toBe(0));
  it('keeps the eight of the most worth, in order', () => {
    const candidates = new Candidates();
    for (let i = 0; i < 20; i++) candidates.add(100 + 10 * i, ((i * 7) % 20) / 20, 1);
    expect(candidates.count).toBe(8);
    for (let i = 1; i < 8; i++) expect(candidates.worth[i]!).toBeLessThanOrEqual(candidates.worth[i - 1]!);
    expect(candidates.strength[0]).toBeCloseTo(0.95, 9);
  });
});

describe('PitchPath', () => {
  const decided = (rows: readonly (readonly [number, number][])[]) => {
    const path = new PitchPath();
    for (const row of rows) {
      const candidates = new Candidates();
      for (const [hz, strength] of row) candidates.add(hz, strength, 1);
      path.push(candidates, false);
    }
    return [...path.decideAll()].map((state, i) => (state < 0 ? 0 : path.candidateHz(i, state)));
  };
  const steady: readonly [number, number][] = [[220, 0.95]];
  it('keeps to a tone through a frame in which its octave looks better', () =>
    expect(
      decided([
        steady,
        steady,
        [
          [440, 0.97],
          [220, 0.9],
        ],
        steady,
        steady,
      ]),
    ).toEqual([220, 220, 220, 220, 220]));
  it('takes a real leap at once', () => {
    const octave: readonly [number, number][] = [[440, 0.95]];
    expect(decided([steady, steady, octave, octave, octave])).toEqual([220, 220, 440, 440, 440]);
  });
  it('calls weak periods no tone', () =>
    expect(decided([[[220, 0.4]], [[230, 0.4]], [[190, 0.45]]])).toEqual([0, 0, 0]));
});

describe('small parts', () => {
  it('the offset goes, the tone stays', () => {
    const blocker = new DcBlocker(44100);
    const input = Float32Array.from({ length: 44100 }, (_, i) => 0.3 + sine(100, 0.2)(i / 44100));
    const out = new Float32Array(input.length);
    blocker.process(input, out);
    const last = out.subarray(-4410);
    expect(Math.abs(last.reduce((sum, value) => sum + value, 0) / last.length)).toBeLessThan(1e-3);
    expect(Math.max(...last)).toBeCloseTo(0.2, 2);
  });
  it('decibels and amplitudes are each other’s way back', () => {
    for (const db of [-60, -6.02, 0]) expect(amplitudeToDb(dbToAmplitude(db))).toBeCloseTo(db, 9);
    expect(powerToDb(0)).toBe(-120);
  });
  it('a store that forgets keeps its numbering', () => {
    const store = new SampleStore(100, 64);
    for (let i = 0; i < 1000; i++) store.push(i);
    expect(store.end).toBe(1000);
    expect(store.at(950)).toBe(950);
    expect(store.at(store.start - 1)).toBe(0);
    expect(store.start).toBeGreaterThan(1000 - 100 - 2 * 64);
    expect([...store.slice(990)]).toEqual([990, 991, 992, 993, 994, 995, 996, 997, 998, 999]);
  });
  it.each([Infinity, 90])(
    'a window is the same within a piece, over several and beyond what is kept (of %d)',
    (retain) => {
      const store = new SampleStore(retain, 32);
      store.append(Array.from({ length: 50 }, (_, i) => i + 1));
      store.append(Float32Array.from({ length: 150 }, (_, i) => i + 51));
      const wanted = (i: number) => (i >= store.start && i < 200 ? i + 1 : 0);
      const scratch = new Float32Array(100);
      for (const [from, length] of [
        [160, 32],
        [130, 20],
        [125, 70],
        [190, 30],
        [-5, 12],
        [195, 3],
        [100, 100],
      ] as const)
        expect([...store.window(from, length, scratch)], `${from}, ${length}`).toEqual(
          Array.from({ length }, (_, k) => wanted(from + k)),
        );
    },
  );
  it('what is heard first has been heard before: a warm ear', () => expect(() => warmUp()).not.toThrow());
});
