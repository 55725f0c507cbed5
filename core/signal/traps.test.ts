import { describe, expect, it } from 'vitest';
import { gateTones } from './toneGate';
import { mainsHum, withoutHum } from './hum';
import { hear } from './index';
import { attackOf } from './onset';

const RATE_HZ = 44100;
let seed = 5;
const uniform = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32 - 0.5;
const seconds = (length: number, at: (t: number) => number) =>
  Float32Array.from({ length: Math.round(length * RATE_HZ) }, (_, i) => at(i / RATE_HZ) + 2e-4 * uniform());
const sine = (hz: number, t: number) => Math.sin(2 * Math.PI * hz * t);
const reed = (hz: number, t: number) =>
  0.5 * sine(hz, t) + 0.4 * sine(2 * hz, t + 0.1) + 0.3 * sine(3 * hz, t) + 0.2 * sine(5 * hz, t);
const mains = (hz: number, db: number) => (t: number) =>
  10 ** (db / 20) * (sine(hz, t) + 0.6 * sine(2 * hz, t + 0.003) + 0.4 * sine(3 * hz, t + 0.001));
const toned = (samples: Float32Array) => hear(samples, { sampleRateHz: RATE_HZ }).f0Hz.filter((hz) => hz > 0).length;

describe('what is not a tone', () => {
  it.each([
    ['50 Hz hum', mains(50, -40)],
    ['60 Hz hum', mains(60, -50)],
  ])('%s alone', (_, hum) => expect(toned(seconds(3, hum))).toBe(0));

  it('a metronome alone', () => {
    const click = (t: number) => (t % 0.5 < 0.03 ? 0.4 * sine(2637, t % 0.5) * Math.exp(-(t % 0.5) / 0.006) : 0);
    expect(toned(seconds(4, click))).toBe(0);
  });

  it('breath alone', () => expect(toned(seconds(3, () => 0.2 * uniform()))).toBe(0));

  it('a syllable of speech', () => {
    let phase = 0;
    const voice = (t: number) => {
      if (t < 0.5 || t > 0.7) return 0;
      phase += (120 * (1 + 2 * (t - 0.5))) / RATE_HZ;
      return 0.05 * Math.exp(8 * (Math.cos(2 * Math.PI * phase) - 1));
    };
    expect(toned(seconds(1.2, voice))).toBe(0);
  });
});

describe('hum under a horn', () => {
  const horn = (t: number) => (t > 0.6 && t < 1.6 ? 0.2 * reed(184.9, t) : 0);
  const sound = seconds(2.4, (t) => horn(t) + mains(50, -48)(t));
  const levelDb = hear(sound, { sampleRateHz: RATE_HZ }).levelDb;

  it('is found in the rests and taken off, the horn stays', () => {
    const hum = mainsHum(sound, RATE_HZ, levelDb);
    expect(hum?.hz).toBe(50);
    const clean = withoutHum(sound, RATE_HZ, hum!);
    const power = (samples: Float32Array) => samples.subarray(0, 20000).reduce((sum, x) => sum + x * x, 0);
    expect(10 * Math.log10(power(clean) / power(sound))).toBeLessThan(-25);
    expect(clean[40000]).toBeCloseTo(horn(40000 / RATE_HZ), 2);
  });

  it('leaves the pitch and the rests alone', () => {
    const { f0Hz } = hear(sound, { sampleRateHz: RATE_HZ });
    expect(f0Hz.subarray(0, 55).some((hz) => hz > 0)).toBe(false);
    for (const hz of f0Hz.subarray(70, 150)) expect(Math.abs(1200 * Math.log2(hz / 184.9))).toBeLessThan(1);
  });

  it('is measured in rests that are less than a tenth of the sound, never in a soft beginning', () => {
    const swell = (t: number) => (t > 0.6 && t < 9 ? (0.01 + 0.02 * (t - 0.6)) * reed(233.08, t) : 0);
    const long = seconds(9.2, (t) => swell(t) + mains(60, -60)(t));
    const hum = mainsHum(long, RATE_HZ, hear(long, { sampleRateHz: RATE_HZ }).levelDb);
    expect(hum?.hz).toBe(60);
    for (const { to } of hum!.rests) expect(to * 0.01).toBeLessThan(0.62);
    const { f0Hz } = hear(long, { sampleRateHz: RATE_HZ });
    expect(f0Hz.subarray(0, 55).some((hz) => hz > 0)).toBe(false);
    for (const hz of f0Hz.subarray(70, 890)) expect(Math.abs(1200 * Math.log2(hz / 233.08))).toBeLessThan(1);
  });

  it('is not looked for in silence without a sample of sound', () => {
    const gated = (t: number) => (t < 0.5 ? 0 : horn(t) + mains(50, -48)(t));
    const sound = Float32Array.from({ length: 6 * RATE_HZ }, (_, i) => gated(i / RATE_HZ));
    expect(mainsHum(sound, RATE_HZ, hear(sound, { sampleRateHz: RATE_HZ }).levelDb)?.hz).toBe(50);
  });

  it('a loud steady horn on a mains frequency is no hum', () => {
    const steady = seconds(2, (t) => 0.2 * reed(100, t));
    expect(mainsHum(steady, RATE_HZ, hear(steady, { sampleRateHz: RATE_HZ }).levelDb)).toBeUndefined();
    expect(toned(steady)).toBeGreaterThan(190);
  });
});

describe('tone gate', () => {
  const flat = (length: number) => new Float64Array(length).fill(-20);
  it('bridges a glitch, keeps a jump', () => {
    const glitch = Float64Array.from({ length: 60 }, (_, i) => (i >= 30 && i < 33 ? 880 : 220));
    gateTones(glitch, flat(60));
    expect([...glitch].every((hz) => Math.abs(hz - 220) < 1)).toBe(true);
    const jump = Float64Array.from({ length: 60 }, (_, i) => (i >= 30 && i < 36 ? 440 : 220));
    gateTones(jump, flat(60));
    expect(jump[32]).toBe(440);
  });
  it('ends a tone where the room rings on, but not a played fade or a sudden piano', () => {
    const tone = () => new Float64Array(120).fill(220);
    const ringing = tone();
    gateTones(
      ringing,
      Float64Array.from(ringing, (_, i) => -20 - Math.max(0, i - 50) * 1),
    );
    expect(ringing[49]).toBe(220);
    expect(ringing[75]).toBe(0);
    const fade = tone();
    gateTones(
      fade,
      Float64Array.from(fade, (_, i) => -20 - 0.15 * i),
    );
    expect(fade.every((hz) => hz > 0)).toBe(true);
    const sudden = tone();
    gateTones(
      sudden,
      Float64Array.from(sudden, (_, i) => (i < 60 ? -20 : -32)),
    );
    expect(sudden.filter((hz) => hz === 0).length).toBeLessThan(8);
  });
  it('nothing in, nothing out', () => expect(() => gateTones(new Float64Array(0), [])).not.toThrow());
});

describe('onset', () => {
  it.each([65.4, 220, 880])('of %f Hz is found to 5 ms, at any gain', (hz) => {
    for (const gain of [0.3, 0.01]) {
      const sound = seconds(1, (t) => (t < 0.5 ? 0 : gain * Math.min(1, (t - 0.5) / 0.015) * reed(hz, t)));
      const frames = hear(sound, { sampleRateHz: RATE_HZ });
      expect(frames.attacks).toHaveLength(1);
      expect(Math.abs(frames.attacks[0]!.onsetS - 0.5)).toBeLessThan(0.005);
    }
  });
  it('without contrast the frame’s own time stands', () => {
    const held = seconds(1, (t) => 0.1 * reed(220, t));
    expect(attackOf(held, RATE_HZ, 50, 220, 0).onsetS).toBe(0.5);
  });
  it.each([0.02, 0.06, 0.12])('a rise over %d s is measured as 80 % of it', (riseS) => {
    const played = seconds(1.2, (t) => (t < 0.4 ? 0 : 0.2 * Math.min(1, (t - 0.4) / riseS) * reed(233, t)));
    expect(Math.abs(hear(played, { sampleRateHz: RATE_HZ }).attacks[0]!.riseS - 0.8 * riseS)).toBeLessThan(0.008);
  });
  it.each([0, 0.1, 0.3])('breath that comes %d s before the tone is heard', (leadS) => {
    const air = (t: number) => (t > 0.6 - leadS && t < 1.4 ? 0.02 * uniform() : 0);
    const played = seconds(1.5, (t) => air(t) + (t > 0.6 && t < 1.4 ? 0.2 * reed(196, t) : 0));
    const [attack] = hear(played, { sampleRateHz: RATE_HZ }).attacks;
    expect(Math.abs(attack!.onsetS - attack!.breathS - leadS)).toBeLessThan(0.015);
  });
});
