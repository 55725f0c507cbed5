import { describe, expect, it } from 'vitest';
import { calmAiry } from './calmAiry';
import { emptyFrames, HOP_S, PARTIALS_KEPT } from './frames';
import { hear } from './index';
import { silenceNoHorn } from './noHorn';
import { doubledStretches } from './octaveBelow';

const RATE_HZ = 44100;
let seed = 9;
const uniform = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32 - 0.5;
const seconds = (length: number, at: (t: number) => number) =>
  Float32Array.from({ length: Math.round(length * RATE_HZ) }, (_, i) => at(i / RATE_HZ) + 2e-4 * uniform());
/** Pulses, every other one larger by `share`. */
const pulses = (hz: number, t: number, share = 0) =>
  0.4 * (Math.exp(10 * (Math.cos(2 * Math.PI * hz * t) - 1)) - 0.13) * (1 + share * Math.cos(Math.PI * hz * t));
const listen = (samples: Float32Array) => hear(samples, { sampleRateHz: RATE_HZ });
const farCents = (hz: number, from: number) => 1200 * Math.abs(Math.log2(from / hz));

describe('the octave below that sounds along', () => {
  it.each([97, 233])('in an attack on %d Hz is marked there, and no wrong note', (hz) => {
    const { f0Hz, attacks } = listen(
      seconds(1.2, (t) => (t < 0.3 || t > 1 ? 0 : pulses(hz, t, 0.9 * Math.max(0, 1 - (t - 0.3) / 0.1)))),
    );
    for (const heard of f0Hz.subarray(33, 98)) expect(farCents(hz, heard)).toBeLessThan(20);
    expect(attacks[0]!.octaveBelowS).toBeGreaterThan(0.02);
    expect(attacks[0]!.octaveBelowS).toBeLessThanOrEqual(0.12);
  });
  it('for half a second of a loud low tone is no wrong note', () => {
    const { f0Hz } = listen(seconds(2, (t) => pulses(104, t, t > 0.8 && t < 1.3 ? 0.4 : 0)));
    for (const heard of f0Hz.subarray(5, 195)) expect(farCents(104, heard)).toBeLessThan(20);
  });
  it('a jump to the real octave below stays one, and so does a start on it', () => {
    const jump = listen(seconds(2, (t) => pulses(t > 0.8 && t < 1.3 ? 116.5 : 233, t)));
    expect(farCents(116.5, jump.f0Hz[105]!)).toBeLessThan(20);
    const start = listen(seconds(1.5, (t) => (t < 0.3 ? 0 : pulses(t < 0.42 ? 116.5 : 233, t))));
    expect(farCents(116.5, start.f0Hz[36]!)).toBeLessThan(20);
    expect(start.attacks[0]!.octaveBelowS).toBe(0);
  });
  it('is told by weak odd partials only beside the upper note, and not for longer than it lasts', () => {
    const rows = (count: number) => Float32Array.from({ length: count * PARTIALS_KEPT }, (_, i) => (i % 2 ? -20 : -30));
    const line = (low: number) => [...Array<number>(20).fill(200), ...Array<number>(low).fill(100), 200, 200];
    expect(doubledStretches(line(30), rows(52))).toEqual([{ start: 20, end: 50, atStart: false }]);
    expect(doubledStretches(line(80), rows(102))).toEqual([]);
    expect(doubledStretches(Array<number>(30).fill(100), rows(30))).toEqual([]);
    expect(doubledStretches([0, 0], rows(2))).toEqual([]);
  });
});

describe('an airy pitch', () => {
  const frames = (confidence: number) => {
    const made = emptyFrames(30);
    made.f0Hz.fill(147);
    made.f0Hz[15] = 147 * 2 ** (45 / 1200);
    made.confidence.fill(confidence);
    return made;
  };
  it('is that of the frames around it where the tone is airy, and stays as it is where it is clear', () => {
    const airy = frames(0.9);
    const clear = frames(0.99);
    calmAiry(airy);
    calmAiry(clear);
    expect(farCents(147, airy.f0Hz[15]!)).toBeLessThan(0.1);
    expect(farCents(147, clear.f0Hz[15]!)).toBeCloseTo(45, 3);
  });
  it('keeps the vibrato of an airy tone', () => {
    const sung = frames(0.93);
    const bend = (i: number) => 35 * Math.sin(2 * Math.PI * 5.5 * i * HOP_S);
    for (let i = 0; i < sung.count; i++) sung.f0Hz[i] = 147 * 2 ** ((bend(i) + 3 * uniform()) / 1200);
    sung.f0Hz[15] = 147 * 2 ** ((bend(15) + 60) / 1200);
    calmAiry(sung);
    for (let i = 6; i < sung.count - 6; i++)
      expect(Math.abs(farCents(147 * 2 ** (bend(i) / 1200), sung.f0Hz[i]!))).toBeLessThan(15);
  });
  it('does not reach over a rest or into another tone', () => {
    const two = frames(0.9);
    two.f0Hz.fill(196, 16);
    two.f0Hz.fill(0, 12, 15);
    calmAiry(two);
    expect(farCents(147, two.f0Hz[15]!)).toBeCloseTo(45, 3);
    expect(two.f0Hz[13]).toBe(0);
    expect(two.f0Hz[16]).toBe(196);
  });
});

describe('what no horn made', () => {
  it('a whisper: noise of a colour', () => {
    let [y1, y2] = [0, 0];
    const whisper = (t: number) => {
      const y = uniform() + 1.98 * Math.cos((2 * Math.PI * 700) / RATE_HZ) * y1 - 0.9801 * y2;
      [y2, y1] = [y1, y];
      return t % 0.4 < 0.25 ? 0.003 * y * Math.sin((Math.PI * (t % 0.4)) / 0.25) : 0;
    };
    expect(listen(seconds(4, whisper)).f0Hz.filter((hz) => hz > 0)).toHaveLength(0);
  });
  it('rattling keys: knocks that ring', () => {
    const rattle = (t: number) => {
      const at = t % 0.045;
      return t % 0.6 > 0.14 ? 0 : 0.05 * Math.exp(-at / 0.03) * (Math.sin(2513 * at) + Math.sin(6911 * at));
    };
    const heard = listen(seconds(4, rattle)).f0Hz.filter((hz) => hz > 0).length;
    expect(heard).toBeLessThan(8);
  });
  it('a short soft note stays, and so does anything that is held', () => {
    const made = emptyFrames(120);
    made.f0Hz.fill(147, 10, 26);
    made.f0Hz.fill(147, 50, 110);
    made.confidence.fill(0.95);
    made.confidence.fill(0.5, 50, 110);
    made.breathDb.fill(-10);
    made.levelDb.fill(-40);
    expect(silenceNoHorn(made)).toEqual([]);
    for (let i = 10; i < 26; i++) made.levelDb[i] = -40 - i;
    expect(silenceNoHorn(made)).toEqual([{ start: 10, end: 26 }]);
    expect(made.f0Hz[15]).toBe(0);
  });
});

describe('a start under its own breath', () => {
  it('is found where its partials stand out of it', () => {
    let low = 0;
    const air = () => (low += 0.3 * (uniform() - low));
    const rise = (t: number) => Math.min(1, Math.max(0, (t - 0.6) / 0.3));
    const [attack] = listen(
      seconds(1.6, (t) => (t > 0.35 ? 0.12 * air() : 0) + 0.5 * rise(t) * pulses(156, t)),
    ).attacks;
    expect(Math.abs(attack!.onsetS - 0.6)).toBeLessThan(0.045);
    expect(Math.abs(attack!.breathS - 0.35)).toBeLessThan(0.04);
  });
  it.each([
    ['soft', 0.4, 0.03],
    ['hard', 0.01, 0.01],
  ])('also where it comes to stand far over it: a %s one', (_, riseS, within) => {
    const rise = (t: number) => Math.min(1, Math.max(0, (t - 0.6) / riseS));
    const [attack] = listen(
      seconds(1.6, (t) => (t > 0.25 ? 0.04 * uniform() : 0) + 0.5 * rise(t) * pulses(156, t)),
    ).attacks;
    expect(Math.abs(attack!.onsetS - 0.6)).toBeLessThan(within);
  });
});
