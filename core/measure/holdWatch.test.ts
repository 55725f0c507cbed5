import { HOP_S } from '@inner-hum/core/signal';
import { describe, expect, it } from 'vitest';
import { HoldWatch } from './holdWatch';

const HZ = 220;
const hzAt = (cents: number) => HZ * 2 ** (cents / 1200);
let seed = 7;
const jitter = () => 3 * ((seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 31 - 1);

/** When it is told, seconds; undefined when it never is. `centsAt` gives null where there is no tone. */
function toldAtS(centsAt: (t: number) => number | null, lengthS: number, windowCents = 12): number | undefined {
  const watch = new HoldWatch(HZ, windowCents);
  for (let i = 0; i < lengthS / HOP_S; i++) {
    const cents = centsAt(i * HOP_S);
    if (watch.hear(i * HOP_S, cents === null ? 0 : hzAt(cents + jitter()))) return i * HOP_S;
  }
  return undefined;
}

describe('a hold', () => {
  it.each([7, 12, 20])('that stays good for 60 s within ± %d cents tells nothing', (windowCents) => {
    expect(toldAtS((t) => 15 + 0.3 * windowCents * Math.sin(t / 3), 60, windowCents)).toBeUndefined();
  });

  it.each([4.2, 5, 6.5, 7.5])('with a vibrato of ± 35 cents at %d Hz tells nothing', (rateHz) => {
    expect(toldAtS((t) => 35 * Math.sin(2 * Math.PI * rateHz * t), 60)).toBeUndefined();
  });

  it('that only ends tells nothing', () => {
    expect(toldAtS((t) => (t < 6 ? 0 : null), 8)).toBeUndefined();
  });

  it.each([
    ['a jump to the octave', (t: number) => (t < 6 ? 0 : 1200), 6],
    ['a short crack', (t: number) => (t > 6 && t < 6.06 ? 1900 : 0), 6],
    ['a hole', (t: number) => (t > 6 && t < 6.15 ? null : 0), 6],
    ['a step of pitch', (t: number) => (t < 6 ? 4 : 30), 6],
    ['a step of pitch while the centre is not settled', (t: number) => (t < 1.2 ? 4 : 34), 1.2],
    // Twelve cents from its own centre, by nine cents a second.
    ['a pitch that sinks', (t: number) => -9 * Math.max(0, t - 5), 5 + 12 / 9],
  ])('%s is told within 0.3 s, once', (_, centsAt, fromS) => {
    const told = toldAtS(centsAt, 12);
    expect(told).toBeGreaterThan(fromS - 0.05);
    expect(told).toBeLessThan(fromS + 0.3);
  });

  it('is not told of the start, nor of silence before it', () => {
    expect(toldAtS((t) => (t < 1 ? null : t < 1.15 ? -45 : 0), 8)).toBeUndefined();
  });
});
