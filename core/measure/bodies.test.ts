import { emptyFrames, HOP_S, PARTIALS_KEPT } from '@inner-hum/core/signal';
import { describe, expect, it } from 'vitest';
import { bend } from './bend';
import { levelAgainstPlanDb } from './levelAgainstPlan';
import { absent, valueOf } from './measured';
import { pairChangeS } from './pairChange';
import { quantile, quantiles, robustDeviation, theilSen } from './statistics';
import { toneBody, type ToneBody } from './tone';

const HZ = 220;

/** Frames of one tone without an ear: pitch and partials by time. */
function frames(
  lengthS: number,
  centsAt: (t: number) => number,
  partialsDb: (k: number, t: number) => number = (k) => -10 * k,
) {
  const made = emptyFrames(Math.round(lengthS / HOP_S));
  for (let i = 0; i < made.count; i++) {
    const t = i * HOP_S;
    made.f0Hz[i] = HZ * 2 ** (centsAt(t) / 1200);
    made.levelDb[i] = -30;
    for (let k = 1; k <= PARTIALS_KEPT; k++) made.partialsDb[i * PARTIALS_KEPT + k - 1] = partialsDb(k, t);
  }
  return made;
}
const whole = (lengthS: number) => ({ start: 0, end: Math.round(lengthS / HOP_S) });

describe('bend', () => {
  /** Held, down by `depth` over a second and back, held `back` off. */
  const bent =
    (depth: number, back = 0) =>
    (t: number) =>
      t < 1 ? 0 : t < 3 ? -depth * Math.sin((Math.PI * (t - 1)) / 2) : back;
  it.each([20, 60, 150, 240])('of %i cents is that deep, and comes back', (depth) => {
    const found = bend(frames(4, bent(depth)), whole(4), HZ);
    expect(valueOf(found.depthCents)!).toBeGreaterThan(0.97 * depth);
    expect(valueOf(found.depthCents)!).toBeLessThanOrEqual(depth);
    expect(valueOf(found.returnCents)).toBeCloseTo(0, 3);
  });
  it('goes up where it is asked to', () => {
    const found = bend(frames(4, bent(-40)), whole(4), HZ, true);
    expect(valueOf(found.depthCents)!).toBeGreaterThan(38);
    expect(valueOf(bend(frames(4, bent(-40)), whole(4), HZ).depthCents)!).toBeLessThan(5);
  });
  it('does not depend on where the note was held', () => {
    const [low, high] = [-40, 40].map((shift) =>
      bend(
        frames(4, (t) => shift + bent(80)(t)),
        whole(4),
        HZ,
      ),
    );
    expect(valueOf(low!.depthCents)).toBeCloseTo(valueOf(high!.depthCents)!, 3);
  });
  it('tells what it came back to', () =>
    expect(valueOf(bend(frames(4, bent(80, -12)), whole(4), HZ).returnCents)).toBeCloseTo(-12, 1));
  it('a break on the way is a large step, a smooth bend has small ones', () => {
    const smooth = valueOf(bend(frames(4, bent(100)), whole(4), HZ).stepCents)!;
    const broken = bend(
      frames(4, (t) => bent(100)(t) - (t > 1.8 && t < 2.2 ? 70 : 0)),
      whole(4),
      HZ,
    );
    expect(smooth).toBeLessThan(8);
    expect(valueOf(broken.stepCents)!).toBeGreaterThan(65);
  });
  it('of a tone of half a second tells nothing', () => {
    const tooShort = absent('tooShort');
    expect(
      bend(
        frames(0.5, () => 0),
        whole(0.5),
        HZ,
      ),
    ).toEqual({
      depthCents: tooShort,
      returnCents: tooShort,
      stepCents: tooShort,
    });
  });
});

describe('level against the plan', () => {
  const body = (count: number, dbAt: (i: number) => number) =>
    ({
      timeS: Float64Array.from({ length: count }, (_, i) => i * HOP_S),
      levelDb: Float64Array.from({ length: count }, (_, i) => dbAt(i)),
    }) as ToneBody;
  const plan = { levelDbAt: (t: number) => -40 + 8 * t };
  it.each([-6, 0, 4.5])('%f dB over all of a swell is told', (offset) => {
    const found = levelAgainstPlanDb(
      body(200, (i) => -40 + 8 * i * HOP_S + offset),
      plan as never,
    );
    expect(valueOf(found)).toBeCloseTo(offset, 6);
  });
  it('one loud moment does not count', () => {
    const found = levelAgainstPlanDb(
      body(200, (i) => -40 + 8 * i * HOP_S + (i < 40 ? 20 : 0)),
      plan as never,
    );
    expect(valueOf(found)).toBeCloseTo(0, 6);
  });
  it('a scrap of a tone tells nothing', () =>
    expect(
      levelAgainstPlanDb(
        body(19, () => -30),
        plan as never,
      ),
    ).toEqual(absent('tooShort')));
});

describe('the change of a pair', () => {
  const bright = (k: number) => -3 * k;
  const dark = (k: number) => -14 * k;
  const pair = (changeS: number, first = bright, second = dark) => {
    const made = frames(
      4,
      () => 0,
      (k, t) => (t < changeS ? first(k) : second(k)),
    );
    const body = (from: number, to: number) =>
      toneBody(made, { start: Math.round(from / HOP_S), end: Math.round(to / HOP_S) }, HZ, 0);
    return pairChangeS(made, body(0, 2), body(2, 4), 2);
  };
  it.each([-0.4, -0.1, 0, 0.15, 0.5])('%f s off its moment is found', (off) =>
    expect(valueOf(pair(2 + off))).toBeCloseTo(off, 2),
  );
  it('is found whichever colour comes first', () => expect(valueOf(pair(2.2, dark, bright))).toBeCloseTo(0.2, 2));
  it('is not told of two colours that are one', () => expect(pair(2, dark, dark)).toEqual(absent('tooAlike')));
  it('does not depend on loudness', () =>
    expect(
      pair(
        2.2,
        (k) => bright(k) - 20,
        (k) => dark(k) - 20,
      ),
    ).toEqual(pair(2.2)));
});

describe('statistics', () => {
  it('quantiles lie between the order statistics', () => {
    expect(quantiles([4, 1, 3, 2], [0, 0.25, 0.5, 1])).toEqual([1, 1.75, 2.5, 4]);
    expect(quantile([7], 0.9)).toBe(7);
  });
  it('of nothing there are none', () => expect(() => quantile([], 0.5)).toThrow('quantile of an empty list'));
  it('a wild value moves the robust deviation little', () => {
    const calm = Array.from({ length: 101 }, (_, i) => (i % 11) - 5);
    expect(robustDeviation([...calm, 1e6])).toBeCloseTo(robustDeviation(calm), 0);
  });
  it('the median slope passes a fifth of wild points by', () => {
    const x = Array.from({ length: 50 }, (_, i) => i);
    const y = x.map((value) => 3 + 0.5 * value + (value % 5 === 0 ? 100 : 0));
    expect(theilSen(x, y).slope).toBeCloseTo(0.5, 1);
    expect(() => theilSen([1, 1], [0, 5])).toThrow('two points apart');
  });
});
