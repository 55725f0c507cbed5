import { describe, expect, it } from 'vitest';
import { Ear, hear, HOP_S, LIVE_LAG_FRAMES, type LiveFrame } from './index';

const RATE_HZ = 44100;

/** Sum of sines with the amplitudes of partials 1, 2, …; made here, not by the stand-in player. */
function tone(hz: number, amplitudes: readonly number[], seconds: number, rateHz = RATE_HZ): Float32Array {
  return Float32Array.from({ length: Math.round(seconds * rateHz) }, (_, i) =>
    amplitudes.reduce((sum, a, k) => sum + a * Math.sin((2 * Math.PI * (k + 1) * hz * i) / rateHz + k * k), 0),
  );
}

const middle = (values: Float32Array) => values.slice(Math.floor(values.length * 0.3), Math.floor(values.length * 0.7));
const cents = (hz: number, target: number) => 1200 * Math.log2(hz / target);
const BRIGHT = [0.1, 0.12, 0.1, 0.08, 0.05, 0.03];

describe('pitch', () => {
  it.each([51.9, 65.4, 103.8, 138.6, 233.1, 440, 932.3, 1480, 2637])('%f Hz is heard to a tenth of a cent', (hz) => {
    const frames = hear(tone(hz, hz > 1000 ? [0.2, 0.05] : BRIGHT, 0.6), { sampleRateHz: RATE_HZ });
    for (const heard of middle(frames.f0Hz)) expect(Math.abs(cents(heard, hz))).toBeLessThan(0.1);
  });

  it.each([8000, 16000, 22050, 48000, 96000])('the sample rate %i changes nothing', (rateHz) => {
    const frames = hear(tone(220, BRIGHT, 0.5, rateHz), { sampleRateHz: rateHz });
    for (const heard of middle(frames.f0Hz)) expect(Math.abs(cents(heard, 220))).toBeLessThan(0.2);
  });

  it.each([
    [2, 8000],
    [2, 16000],
    [2, 32000],
    [2, 44100],
    [2, 48000],
    [2, 96000],
    [2, 192000],
    [0.7, 44100],
    [0.3, 48000],
  ])('an ear that keeps %f s at %i Hz never goes deaf', (retainS, rateHz) => {
    const ear = new Ear({ sampleRateHz: rateHz, minHz: 100, maxHz: 1000, retainS });
    const piece = tone(220, BRIGHT, 1, rateHz);
    let last: LiveFrame | undefined;
    for (let second = 0; second < 12; second++) ear.push(piece, (frame) => (last = { ...frame }));
    expect(last!.index).toBeGreaterThan(1150);
    expect(Math.abs(cents(last!.f0Hz, 220))).toBeLessThan(1);
    expect(last!.levelDb).toBeGreaterThan(-20);
  });

  it('a fundamental 30 dB under its partials is still the pitch', () => {
    const frames = hear(tone(65.4, [0.004, 0.12, 0.1, 0.12, 0.08, 0.06], 0.6), { sampleRateHz: RATE_HZ });
    for (const heard of middle(frames.f0Hz)) expect(Math.abs(cents(heard, 65.4))).toBeLessThan(1);
  });

  it.each([2, 3, 4, 5])('partial %i over the faint tube sounds as itself', (partial) => {
    const fundamental = 110;
    const tube = tone(
      fundamental,
      Array.from({ length: 12 }, () => 0.004),
      0.6,
    );
    const over = tone(fundamental * partial, [0.2, 0.1, 0.05], 0.6);
    const frames = hear(
      over.map((x, i) => x + tube[i]!),
      { sampleRateHz: RATE_HZ },
    );
    for (const heard of middle(frames.f0Hz)) expect(Math.abs(cents(heard, fundamental * partial))).toBeLessThan(5);
  });

  it('gain changes the level by as much, and not the pitch', () => {
    const loud = hear(tone(196, BRIGHT, 0.5), { sampleRateHz: RATE_HZ });
    const soft = hear(
      tone(
        196,
        BRIGHT.map((a) => a / 100),
        0.5,
      ),
      { sampleRateHz: RATE_HZ },
    );
    expect(soft.levelDb[25]! - loud.levelDb[25]!).toBeCloseTo(-40, 2);
    expect(cents(soft.f0Hz[25]!, loud.f0Hz[25]!)).toBeCloseTo(0, 3);
  });

  it('an octave jump is heard within two frames, both ways', () => {
    const low = tone(150, BRIGHT, 0.4);
    const high = tone(300, [0.2, 0.1, 0.05], 0.3);
    const frames = hear(Float32Array.from([...low, ...high, ...low]), { sampleRateHz: RATE_HZ });
    const isHigh = Array.from(frames.f0Hz, (hz) => hz > 225);
    expect(Math.abs(isHigh.indexOf(true) - 40)).toBeLessThanOrEqual(2);
    expect(Math.abs(isHigh.lastIndexOf(true) - 69)).toBeLessThanOrEqual(2);
  });
});

describe('level', () => {
  it('a full-scale sine reads −3.0 dBFS', () =>
    expect(hear(tone(440, [1], 0.3), { sampleRateHz: RATE_HZ }).levelDb[15]).toBeCloseTo(-3.01, 2));
  it('an offset does not count', () => {
    const plain = tone(440, [0.1], 0.3);
    const offset = hear(
      plain.map((x) => x + 0.3),
      { sampleRateHz: RATE_HZ },
    );
    expect(offset.levelDb[15]).toBeCloseTo(hear(plain, { sampleRateHz: RATE_HZ }).levelDb[15]!, 1);
  });
});

describe('partials and breath', () => {
  it('reads amplitudes to half a decibel', () => {
    const amplitudes = [0.02, 0.2, 0.1, 0.05, 0.01];
    const frames = hear(tone(180, amplitudes, 0.5), { sampleRateHz: RATE_HZ });
    amplitudes.forEach((a, k) =>
      expect(Math.abs(frames.partialsDb[25 * 20 + k]! - 20 * Math.log10(a))).toBeLessThan(0.5),
    );
  });
  it.each([-10, -20, -30])('noise %i dB under the tone reads so within 2 dB', (db) => {
    let seed = 7;
    const noise = () => ((seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32 - 0.5) * Math.sqrt(12);
    const clean = tone(220, [0.2, 0.1, 0.05], 1);
    const rms = Math.sqrt((0.04 + 0.01 + 0.0025) / 2) * 10 ** (db / 20);
    const frames = hear(
      clean.map((x) => x + rms * noise()),
      { sampleRateHz: RATE_HZ },
    );
    const mean = middle(frames.breathDb).reduce((sum, x) => sum + x, 0) / middle(frames.breathDb).length;
    expect(Math.abs(mean - db)).toBeLessThan(2);
  });
});

describe('silence and nonsense', () => {
  it('nothing gives no frames, silence gives no tone', () => {
    expect(hear([], { sampleRateHz: RATE_HZ }).count).toBe(0);
    const silent = hear(new Float32Array(RATE_HZ), { sampleRateHz: RATE_HZ });
    expect(silent.count).toBe(100);
    expect(silent.f0Hz.every((hz) => hz === 0)).toBe(true);
  });
  it('refuses what it can’t hear with', () => {
    expect(() => new Ear({ sampleRateHz: 4000 })).toThrow('sampleRateHz must be ≥ 8000, got 4000');
    expect(() => new Ear({ sampleRateHz: RATE_HZ, minHz: 20 })).toThrow('search band must lie within 48–2800 Hz');
  });
});

describe('live and offline', () => {
  const sound = Float32Array.from([...new Float32Array(9000), ...tone(174.6, BRIGHT, 0.6), ...new Float32Array(9000)]);

  it('final frames are the same however the sound was cut', () => {
    const whole = hear(sound, { sampleRateHz: RATE_HZ });
    const ear = new Ear({ sampleRateHz: RATE_HZ });
    for (let at = 0, size = 1; at < sound.length; at += size, size = 1 + ((size * 7) % 700))
      ear.push(sound.subarray(at, at + size));
    expect(ear.finish()).toEqual(whole);
  });

  it('live frames come in order, and agree with the final ones but for a frame or two', () => {
    const ear = new Ear({ sampleRateHz: RATE_HZ });
    const live: LiveFrame[] = [];
    for (let at = 0; at < sound.length; at += 256)
      ear.push(sound.subarray(at, at + 256), (frame) => live.push({ ...frame }));
    const final = ear.finish();
    expect(live.map((frame) => frame.index)).toEqual(live.map((_, i) => i));
    expect(final.count - live.length).toBeLessThan(LIVE_LAG_FRAMES + 8);
    expect(live.filter((frame) => frame.f0Hz > 0 !== final.f0Hz[frame.index]! > 0).length).toBeLessThanOrEqual(2);
    expect(live.length * HOP_S).toBeGreaterThan(0.9);
  });
});
