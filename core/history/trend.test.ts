import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { digest, seen } from './testDigests';
import { tonesAfter, tonesKey, tonesWithout } from './tones';
import { trend } from './trend';

const take = (id: string, day: number, cents: readonly number[], instrumentId: 'alto' | 'tenor' = 'alto') =>
  digest(
    id,
    day,
    cents.map((value, i) => seen({ midi: 60 + i, partial: i + 1, values: { pitchCentreCents: value } })),
    { instrumentId },
  );
const pitchDays = (digests: Parameters<typeof tonesAfter>[0]) =>
  [...tonesAfter(digests).values()].sort((a, b) => (a.day < b.day ? -1 : 1));
const values = (found: ReturnType<typeof trend>) => found.points.map((point) => point.value);

describe('trend', () => {
  it('gives each day its median in an interval, in order of days', () => {
    const { step, points } = trend(pitchDays([take('b', 2, [4, 6, 5]), take('a', 1, [10, 12, 11])]));
    expect(step).toBe('day');
    expect(points.map((point) => [point.day, point.value, point.count])).toEqual([
      ['2026-01-01', 11, 3],
      ['2026-01-02', 5, 3],
    ]);
    for (const { from, value, to } of points) expect(from < value && value < to).toBe(true);
  });
  it('is empty without values', () => {
    expect(trend([]).points).toEqual([]);
    expect(trend(pitchDays([take('a', 1, [1])]), { midi: 61 }).points).toEqual([]);
  });

  const days = pitchDays([take('a', 1, [1, 9]), take('b', 1, [5], 'tenor')]);
  it.each([
    ['note', { midi: 61 }, [9]],
    ['partial', { partial: 1 }, [3]],
    ['size of horn', { instrumentId: 'tenor' }, [5]],
    ['takes', { takeIds: new Set(['a']) }, [5]],
    ['takes and note', { takeIds: new Set(['b']), midi: 61 }, []],
  ] as const)('follows one %s when asked', (_, asked, wanted) => expect(values(trend(days, asked))).toEqual(wanted));

  it('takes weeks, then months together where the days are many', () => {
    const many = (count: number) =>
      trend(
        Array.from({ length: count }, (_, i) => {
          const day = new Date(Date.UTC(2024, 0, 1 + i)).toISOString().slice(0, 10);
          const [tones] = pitchDays([{ ...take(`t${i}`, 1, [i]), day }]);
          return tones!;
        }),
      );
    expect(many(156).step).toBe('day');
    const weeks = many(157);
    // 1 January 2024 was a Monday: the first week holds 0 to 6.
    expect([weeks.step, weeks.points[0]]).toMatchObject(['week', { day: '2024-01-01', value: 3, count: 7 }]);
    expect(weeks.points.length).toBe(23);
    const months = many(1200);
    expect([months.step, months.points[1]]).toMatchObject(['month', { day: '2024-02-01', count: 29 }]);
  });
});

describe('the tones of a day', () => {
  it('are the same whether takes come one by one or at once, and in whatever order', () => {
    const lot = Array.from({ length: 6 }, (_, i) => take(`t${i}`, 1 + (i % 2), [i, 2 * i]));
    fc.assert(
      fc.property(fc.shuffledSubarray(lot, { minLength: 6 }), (order) => {
        const known = new Map<string, ReturnType<typeof pitchDays>[number]>();
        for (const entry of order)
          for (const [key, day] of tonesAfter([entry], (asked) => known.get(asked))) known.set(key, day);
        expect(known).toEqual(tonesAfter(order));
        expect(trend(pitchDays(order))).toEqual(trend(pitchDays(lot)));
      }),
    );
  });
  it('hold a take once, however often it is added', () => {
    const once = tonesAfter([take('a', 1, [1])]);
    expect(tonesAfter([take('a', 1, [1])], (key) => once.get(key))).toEqual(once);
  });
  it('let a take go and keep the others', () => {
    const [day] = pitchDays([take('a', 1, [1]), take('b', 1, [2])]);
    expect(tonesWithout(day!, new Set(['a']))).toEqual(pitchDays([take('b', 1, [2])])[0]);
  });
  it('have no row where nothing was told', () =>
    expect([...tonesAfter([take('a', 1, [1])]).keys()]).toEqual([tonesKey('pitchCentreCents', '2026-01-01')]));
});
