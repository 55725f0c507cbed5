import { describe, expect, it } from 'vitest';
import { bandLimitHz } from './bandLimit';

const RATE_HZ = 44100;
let seed = 9;
const uniform = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32 - 0.5;

/** A second of a room's noise, then a reed tone; all of it through a codec that ends at `cutHz`. */
function heard(cutHz?: number): Float32Array {
  const samples = Float32Array.from({ length: 2 * RATE_HZ }, (_, i) => {
    const t = i / RATE_HZ;
    const tone = t < 1 ? 0 : [1, 2, 3, 4, 5, 6].reduce((sum, n) => sum + Math.sin(2 * Math.PI * 220 * n * t) / n, 0);
    return 0.05 * tone + 2e-3 * uniform();
  });
  return cutHz === undefined ? samples : lowPassed(samples, cutHz);
}

/** A windowed sinc, 401 taps. */
function lowPassed(samples: Float32Array, cutHz: number): Float32Array {
  const half = 200;
  const taps = Float64Array.from({ length: 2 * half + 1 }, (_, i) => {
    const x = (2 * Math.PI * cutHz * (i - half)) / RATE_HZ;
    const sinc = i === half ? 1 : Math.sin(x) / x;
    return ((2 * cutHz) / RATE_HZ) * sinc * (0.5 + 0.5 * Math.cos((Math.PI * (i - half)) / half));
  });
  return samples.map((_, i) => taps.reduce((sum, tap, k) => sum + tap * (samples[i + k - half] ?? 0), 0));
}

describe('the band of an input', () => {
  it('is whole for a microphone that hears all', () => expect(bandLimitHz(heard(), RATE_HZ)).toBeUndefined());
  it.each([
    [3600, 4000],
    [7600, 8000],
  ])('that ends at %d Hz is found', (cutHz, most) => {
    const found = bandLimitHz(heard(cutHz), RATE_HZ);
    expect(found).toBeDefined();
    expect(found).toBeLessThanOrEqual(most);
    expect(found).toBeGreaterThan(most / 2);
  });
  it('is not told of a sound that is too short or silent', () => {
    expect(bandLimitHz(new Float32Array(RATE_HZ), RATE_HZ)).toBeUndefined();
    expect(bandLimitHz(heard(3600).subarray(0, 3000), RATE_HZ)).toBeUndefined();
  });
});
