import { describe, expect, it } from 'vitest';
import { estimate, type Estimate } from './estimate';
import { seen } from './testDigests';

const DAY_MS = 86_400_000;
const of = (values: readonly (readonly [number, number])[]): Extract<Estimate, { kind: 'known' }> => {
  const known = estimate(
    values.map(([day, cents]) => seen({ atMs: day * DAY_MS, values: { pitchCentreCents: cents } })),
    'pitchCentreCents',
  );
  if (known.kind === 'unknown') throw new Error('unknown');
  return known;
};

describe('estimate', () => {
  it('is unknown without a value', () => {
    expect(estimate([], 'responseS')).toEqual({ kind: 'unknown' });
    expect(estimate([seen()], 'responseS')).toEqual({ kind: 'unknown' });
  });
  it('is the median; an outlier hardly moves it', () => {
    const steady = [1, 2, 3, 4].map((day) => [day, 5] as const);
    expect(of(steady).value).toBe(5);
    expect(of([...steady, [5, 80]]).value).toBe(5);
  });
  it('newer takes weigh more', () =>
    expect(of([...[0, 1, 2].map((day) => [day, 0] as const), ...[60, 61].map((day) => [day, 10] as const)]).value).toBe(
      10,
    ));
  it('is surer the more tones agree, and less the more they differ', () => {
    const value = of([[1, 5]]).uncertainty;
    const eight = of(Array.from({ length: 8 }, (_, i) => [1 + i / 10, 5 + (i % 2)] as const)).uncertainty;
    const wild = of(Array.from({ length: 8 }, (_, i) => [1 + i / 10, 40 * (i % 2)] as const)).uncertainty;
    expect(eight).toBeLessThan(value / 2);
    expect(wild).toBeGreaterThan(2 * eight);
  });
  it('moves with what it measures', () => {
    const values = [3, 9, 4, 6].map((cents, i) => [i, cents] as const);
    expect(of(values.map(([day, cents]) => [day, cents + 20] as const)).value).toBe(of(values).value + 20);
  });
});
