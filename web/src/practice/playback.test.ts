import { expect, it } from 'vitest';
import { asLoudAs, rms } from './playback';

const RATE_HZ = 1000;
const sound = (levelAt: (timeS: number) => number) => ({
  sampleRateHz: RATE_HZ,
  samples: Float32Array.from({ length: 4 * RATE_HZ }, (_, i) => levelAt(i / RATE_HZ) * Math.sin(i)),
});
const loudness = ({ samples }: { samples: Float32Array }, fromS: number, toS: number) =>
  rms(samples.subarray(fromS * RATE_HZ, toS * RATE_HZ));

it('one sound is as loud as another between two places, whatever they are elsewhere', () => {
  const soft = sound((t) => (t < 2 ? 0.05 : 0.4));
  const other = sound((t) => (t < 2 ? 0.2 : 0.01));
  expect(loudness(asLoudAs(soft, other, 0, 2), 0, 2)).toBeCloseTo(loudness(other, 0, 2), 4);
  expect(loudness(asLoudAs(soft, other, 2, 4), 2, 4)).toBeCloseTo(loudness(other, 2, 4), 4);
});

it('silence stays silence, and nothing is louder than full scale', () => {
  const silence = sound(() => 0);
  expect(
    rms(
      asLoudAs(
        silence,
        sound(() => 0.5),
        0,
        4,
      ).samples,
    ),
  ).toBe(0);
  const faint = asLoudAs(
    sound((t) => (t < 2 ? 0.001 : 0.9)),
    sound(() => 0.5),
    0,
    2,
  );
  expect(loudness(faint, 0, 2)).toBeLessThan(0.01);
  expect(Math.max(...faint.samples)).toBeLessThanOrEqual(1);
});
