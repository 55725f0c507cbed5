import { describe, expect, it } from 'vitest';
import { ClockWatch, lostBetween, lostSeconds, ZeroRuns } from './lostSound';

const RATES_HZ = [44_100, 48_000, 96_000, 16_000];

/**
 * What a watch says of a recording in blocks: `wallS` gives the wall clock, seconds, at which so much of it was handed on.
 */
function watched(rateHz: number, lengthS: number, wallS: (recordedS: number) => number) {
  const watch = new ClockWatch();
  const block = 256 / rateHz;
  for (let recordedS = block; recordedS <= lengthS; recordedS += block)
    // The wall clock is read in whole milliseconds.
    watch.note(recordedS, Math.floor(1e6 + 1000 * wallS(recordedS)));
  return watch.lost();
}
/** Blocks that come in bursts of 40 ms, as a device's buffer is read. */
const inBursts = (recordedS: number) => 0.04 * Math.ceil(recordedS / 0.04);

describe.each(RATES_HZ)('two clocks, at %i Hz', (rateHz) => {
  it('nothing is lost where they go alike, in bursts too', () => {
    expect(watched(rateHz, 16, (s) => s)).toEqual([]);
    expect(watched(rateHz, 16, inBursts)).toEqual([]);
  });

  it.each([-3e-4, 3e-4])('a drift of %f is no loss, however long', (drift) => {
    expect(watched(rateHz, 120, (s) => inBursts(s) * (1 + drift))).toEqual([]);
  });

  it('a block that comes late and is caught up is no loss', () => {
    expect(watched(rateHz, 12, (s) => (s > 5 && s < 6.2 ? Math.max(s, 6.2) : s))).toEqual([]);
  });

  it.each([0.03, 0.26, 0.83, 4.3])('a stop of %f s is found, with its place and length', (lostS) => {
    const [stop, ...more] = watched(rateHz, 12, (s) => inBursts(s) + (s > 5.2 ? lostS : 0));
    expect(more).toEqual([]);
    expect(stop).toMatchObject({ how: 'clock' });
    expect(Math.abs(stop!.lastsS - lostS)).toBeLessThan(0.01);
    expect(Math.abs(stop!.atS - 5.2)).toBeLessThan(0.12);
  });

  it('many small stops add up', () => {
    // 10 ms are lost each second.
    const lost = watched(rateHz, 16, (s) => s + 0.01 * Math.floor(s));
    expect(Math.abs(lostSeconds(lost) - 0.15)).toBeLessThan(0.05);
  });

  // The network sets the clock, the hour changes, or the machine slept: the wall clock jumps, a steady one does not.
  it.each([2, -2, 30, -30, 3600, -3600, 0.5, -0.05])('a wall clock set by %f s in mid-take is no loss', (setS) => {
    const onItsWayS = 0.05;
    const setting = (lostS: number) => {
      const watch = new ClockWatch();
      const block = 256 / rateHz;
      for (let recordedS = block; recordedS <= 12; recordedS += block) {
        const steadyS = inBursts(recordedS) + (recordedS > 8 ? lostS : 0);
        const wallMs = Math.floor(1e6 + 1000 * (steadyS + (steadyS > 5 ? setS : 0)));
        // The offset is read when a block comes in: those on their way carry the time of before.
        const offsetMs = 1e6 - (recordedS % 0.001) + (steadyS + onItsWayS > 5 ? 1000 * setS : 0);
        watch.note(recordedS, wallMs, offsetMs);
      }
      return watch.lost();
    };
    expect(setting(0)).toEqual([]);
    expect(lostSeconds(setting(0.3))).toBeCloseTo(0.3, 1);
  });

  it('a fall at the very end counts when it is long', () => {
    expect(watched(rateHz, 6, (s) => s + (s > 5.6 ? 0.03 : 0))).toEqual([]);
    expect(lostSeconds(watched(rateHz, 6, (s) => s + (s > 5.4 ? 0.4 : 0)))).toBeCloseTo(0.4, 1);
  });

  it('zeros between sound are lost, not those before it, short ones, or a long silence', () => {
    const zeros = new ZeroRuns(rateHz);
    const noise = (seconds: number) => new Float32Array(Math.round(seconds * rateHz)).fill(0.01);
    const silence = (seconds: number) => new Float32Array(Math.round(seconds * rateHz));
    for (const piece of [silence(0.1), noise(0.5), silence(0.01), noise(0.2), silence(0.0008), noise(0.1)])
      zeros.note(piece);
    expect(zeros.lost).toEqual([{ atS: expect.closeTo(0.6, 3), lastsS: expect.closeTo(0.01, 3), how: 'zeros' }]);
    // A long silence was meant, one that does not end is none yet, and each run counts for itself.
    for (const piece of [silence(4), noise(0.1)]) zeros.note(piece);
    expect(zeros.lost).toHaveLength(1);
    for (const piece of [silence(0.02), noise(0.1), silence(0.03), noise(0.1), silence(0.4)]) zeros.note(piece);
    expect(lostSeconds(zeros.lost)).toBeCloseTo(0.06, 3);
  });
});

it('what was lost between two places', () => {
  const clock = { atS: 3, lastsS: 2, how: 'clock' } as const;
  const zeros = { atS: 3, lastsS: 2, how: 'zeros' } as const;
  expect(lostBetween([clock, zeros], 4, 6)).toEqual([zeros]);
  expect(lostBetween([clock, zeros], 1, 2.9, 0.2)).toEqual([clock, zeros]);
  expect(lostBetween([], 0, 9)).toEqual([]);
});
