import { describe, expect, it } from 'vitest';
import type { Digest } from '../history/digest';
import { digest, seen } from '../history/testDigests';
import type { PlanFor } from './planFor';
import { isReturning, mostWants, targetsOf, tryOf } from './targets';

const day = (n: number) => `2026-01-${String(n).padStart(2, '0')}`;
const planOn = (n: number, recent: readonly Digest[], change: Partial<PlanFor> = {}): PlanFor => ({
  instrumentId: 'alto',
  minutes: 30,
  level: 'home',
  style: 'sweep',
  notes: [],
  sources: new Map(),
  recent,
  goals: [],
  quiet: false,
  nowMs: 0,
  day: day(n),
  firstDay: day(1),
  ...change,
});
/** A day on which a note was held three times, so many cents out, the first time. */
const held = (n: number, midi: number, ...cents: number[]) =>
  digest(
    `${n} ${midi}`,
    n,
    cents.map((pitchCentreCents) => seen({ midi, values: { pitchCentreCents } })),
  );
const sharp = (n: number, midi = 76) => held(n, midi, 30, 30, 30);
const right = (n: number, midi = 76) => held(n, midi, 2, 2, 2);

describe('targets', () => {
  it('are few, the largest want first, and each third is left for a step further', () => {
    expect([5, 10, 20, 35, 60].map(mostWants)).toEqual([1, 2, 2, 3, 4]);
    const all = targetsOf(
      planOn(
        3,
        [64, 69, 76, 81].map((midi, i) => held(2, midi, 20 + i, 20 + i, 20 + i)),
      ),
    );
    expect(all.map(({ midis }) => midis[0])).toEqual([81, 76]);
  });
  it('take neighbours that want the same as one run', () => {
    const [target, ...others] = targetsOf(
      planOn(3, [sharp(2, 76), held(2, 77, 25, 25, 25), held(2, 78, -25, -25, -25)]),
    );
    expect(target!.midis).toEqual([76, 77]);
    expect(others.map(({ midis }) => midis)).toEqual([[78]]);
  });
  it('stay until the first try of three of four days is inside, with six of the last eight', () => {
    const before = [sharp(2), sharp(3)];
    const state = (...takes: Digest[]) => targetsOf(planOn(20, [...before, ...takes]))[0]!.state;
    expect(state(right(4), right(5))).toBe('open');
    expect(state(right(4), right(5), right(6))).toBe('secure');
    // The first try of a day is what counts.
    const late = (n: number) => held(n, 76, 30, 2, 2);
    expect(state(late(4), late(5), late(6))).toBe('open');
  });
  it('come back after three days, then seven; outside again they are targets again', () => {
    const secure = [sharp(2), sharp(3), right(4), right(5), right(6)];
    const on = (n: number, ...takes: Digest[]) => targetsOf(planOn(n, [...secure, ...takes]))[0]!;
    expect([8, 9].map((n) => isReturning(on(n), day(n)))).toEqual([false, true]);
    expect(on(11, right(10))).toMatchObject({ state: 'secure', returns: 1 });
    expect(isReturning(on(12, right(10)), day(12))).toBe(false);
    expect(isReturning(on(13, right(10)), day(13))).toBe(true);
    expect(on(11, sharp(10))).toMatchObject({ state: 'open', stateSince: day(10) });
  });
  it('rest for two weeks when six lessons changed nothing, and twice as long when three more did not', () => {
    const days = (from: number, count: number) => Array.from({ length: count }, (_, i) => sharp(from + i));
    const state = (n: number, takes: readonly Digest[]) => targetsOf(planOn(n, takes))[0]!.state;
    const stuck = days(1, 7);
    expect(state(7, days(1, 6))).toBe('open');
    expect([8, 20, 21].map((n) => state(n, stuck))).toEqual(['rests', 'rests', 'open']);
    const again = [...stuck, ...days(22, 3)];
    expect([24, 25, 31].map((n) => state(n, again))).toEqual(['open', 'rests', 'rests']);
  });
  it('go on while they come nearer, though none is inside yet', () => {
    const nearer = Array.from({ length: 8 }, (_, i) => held(2 + i, 76, ...[0, 1, 2].map(() => 40 - 3 * i)));
    expect(targetsOf(planOn(11, nearer))[0]).toMatchObject({ state: 'open' });
  });
  it('count the lessons since they were taken up, heard or not: the ways go on', () => {
    const away = Array.from({ length: 3 }, (_, i) => held(3 + i, 60, 0, 0, 0));
    expect(targetsOf(planOn(7, [sharp(2), ...away]))[0]).toMatchObject({ lessons: 3, days: [] });
  });
  it('are none where the reed keeps half of the notes of two zones from speaking', () => {
    const dead = digest(
      'dead',
      2,
      [58, 60, 61, 59, 58, 60, 67, 69, 71, 72, 74, 67].map((midi) => seen({ midi, values: { responseS: 0.4 } })),
    );
    expect(targetsOf(planOn(3, [dead, { ...dead, takeId: 'b' }]))).toEqual([]);
    // What was open before waits until it is settled, and no longer.
    const later = { ...dead, day: day(4), startedAtMs: sharp(4).startedAtMs };
    expect(targetsOf(planOn(5, [sharp(2), sharp(3), later]))[0]!.state).toBe('waits');
    expect(targetsOf(planOn(8, [sharp(2), sharp(3), later, right(6), right(7)]))[0]!.state).toBe('open');
    const fine = digest(
      'fine',
      2,
      [58, 58, 58, 58].map((midi) => seen({ midi, values: { responseS: 0.4 } })),
    );
    expect(targetsOf(planOn(3, [fine])).map(({ reason }) => reason)).toEqual(['response']);
  });
  it('are not made from a day on a dead reed, once another is on', () => {
    const dead = digest(
      'dead',
      2,
      [58, 60, 61, 59, 58, 60, 67, 69, 71, 72, 74, 67].map((midi) => seen({ midi, values: { responseS: 0.4 } })),
    );
    const fine = (n: number) =>
      digest(
        `fine ${n}`,
        n,
        [60, 67].map((midi) => seen({ midi, values: { responseS: 0.05 } })),
      );
    expect(targetsOf(planOn(7, [dead, ...[3, 4, 5, 6].map(fine)]))).toEqual([]);
  });
  it('of a beginner lie between D4 and C6 for two weeks', () => {
    const low = held(2, 58, 30, 30, 30);
    expect(targetsOf(planOn(3, [low], { level: 'new' }))).toEqual([]);
    expect(targetsOf(planOn(20, [low], { level: 'new' }))).toHaveLength(1);
  });
  it('are the same whether they are asked for day by day or once', () => {
    const takes = [sharp(2), right(4), sharp(5), right(6), right(7), right(9), held(9, 60, -30, -30)];
    for (const n of [3, 5, 8, 10])
      expect(targetsOf(planOn(n, takes))).toEqual(
        targetsOf(
          planOn(
            n,
            takes.filter((take) => take.day < day(n)),
          ),
        ),
      );
  });
  it('hear only what tells of them: their note, their loudness, their want', () => {
    const [target] = targetsOf(planOn(3, [sharp(2)]));
    const of = (change: Parameters<typeof seen>[0]) => tryOf(target!, seen({ midi: 76, ...change }));
    expect(of({ values: { pitchCentreCents: 3 } })).toEqual({ inside: true, size: 0.25 });
    expect(of({ values: { pitchCentreCents: -40 } })).toMatchObject({ inside: false });
    expect(of({ values: {} })).toBeUndefined();
    expect(of({ midi: 75, values: { pitchCentreCents: 3 } })).toBeUndefined();
    expect(of({ partial: 2, values: { pitchCentreCents: 3 } })).toBeUndefined();
  });
});
