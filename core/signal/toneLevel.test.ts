import { describe, expect, it } from 'vitest';
import { hear } from './index';

const LEAD_S = 1;
const LENGTH_S = 6;
const LOUD_DB = -20;
const SOFT_DB = -42;
const levelAt = (timeS: number) => SOFT_DB + (LOUD_DB - SOFT_DB) * (1 - Math.abs(timeS / LENGTH_S - 0.5) * 2);

/** A swell of plain sines with a room of white or pink noise so far under its loudest moment. */
function swellInRoom(rateHz: number, hz: number, underDb: number, pink: boolean): Float32Array {
  let seed = 7;
  const uniform = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 31 - 1;
  const white = () => uniform() + uniform() + uniform();
  const amplitudes = Array.from({ length: 14 }, (_, k) => 1 / (1 + 0.7 * k)).filter((_, k) => (k + 1) * hz < 7000);
  const rms = Math.sqrt(amplitudes.reduce((sum, a) => sum + (a * a) / 2, 0));
  let [b0, b1, b2] = [0, 0, 0];
  const noise = Float32Array.from({ length: (LEAD_S + LENGTH_S + 0.5) * rateHz }, () => {
    const w = white();
    if (!pink) return w;
    b0 = 0.99765 * b0 + w * 0.099046;
    b1 = 0.963 * b1 + w * 0.2965164;
    b2 = 0.57 * b2 + w * 1.0526913;
    return b0 + b1 + b2 + w * 0.1848;
  });
  const noiseRms = Math.sqrt(noise.reduce((sum, value) => sum + value * value, 0) / noise.length);
  return noise.map((value, i) => {
    const t = i / rateHz - LEAD_S;
    const room = (value / noiseRms) * 10 ** ((LOUD_DB - underDb) / 20);
    if (t < 0 || t > LENGTH_S) return room;
    const edge = Math.min(1, t / 0.03, (LENGTH_S - t) / 0.05);
    const tone = amplitudes.reduce((sum, a, k) => sum + a * Math.sin(2 * Math.PI * hz * (k + 1) * t + k), 0);
    return room + ((10 ** (levelAt(t) / 20) * edge) / rms) * tone;
  });
}

/** How far off the levels of the tone are, 95th percentile, dB. */
function offDb(sound: Float32Array, rateHz: number): number {
  const { f0Hz, levelDb, count } = hear(sound, { sampleRateHz: rateHz });
  const off: number[] = [];
  for (let i = 0; i < count; i++) {
    const t = i / 100 - LEAD_S;
    if (t > 0.1 && t < LENGTH_S - 0.1 && f0Hz[i]! > 0) off.push(Math.abs(levelDb[i]! - levelAt(t)));
  }
  return off.sort((a, b) => a - b)[Math.floor(0.95 * off.length)]!;
}

describe.each([44_100, 48_000])('the level of a tone at %i Hz', (rateHz) => {
  it.each([
    [138.6, 50, false, 0.15],
    [138.6, 20, false, 1],
    [233.1, 20, true, 1],
    [233.1, 10, true, 1],
    [138.6, 10, false, 1],
    [440, 20, true, 1],
  ])('of %f Hz with a room %i dB under it (pink: %s) is its own to %f dB', (hz, underDb, pink, most) => {
    expect(offDb(swellInRoom(rateHz, hz, underDb, pink), rateHz)).toBeLessThan(most);
  });
});

it('a recording without a moment of the room alone has it between the partials', () => {
  const rateHz = 44_100;
  const sound = swellInRoom(rateHz, 233.1, 10, false).subarray(1.2 * rateHz, 6 * rateHz);
  const { levelDb, f0Hz } = hear(sound, { sampleRateHz: rateHz });
  // At the start tone and room together are some 6 dB louder than the tone.
  expect(f0Hz[60]).toBeGreaterThan(0);
  expect(Math.abs(levelDb[60]! - levelAt(0.8))).toBeLessThan(1);
});
