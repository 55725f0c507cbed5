import { describe, expect, it } from 'vitest';
import type { Digest } from '../history/digest';
import { digest, seen } from '../history/testDigests';
import type { PlanFor } from './planFor';
import { isInside, isReturning, mostWants, targetsOf } from './targets';

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
  it('rest for two weeks when ten lessons changed nothing', () => {
    const stuck = Array.from({ length: 11 }, (_, i) => sharp(2 + i));
    expect(targetsOf(planOn(13, stuck))[0]).toMatchObject({ state: 'rests' });
    expect(targetsOf(planOn(28, stuck))[0]).toMatchObject({ state: 'open' });
  });
  it('are none where the reed keeps half of the notes of two zones from speaking', () => {
    const dead = digest(
      'dead',
      2,
      [58, 60, 61, 59, 58, 60, 67, 69, 71, 72, 74, 67].map((midi) => seen({ midi, values: { responseS: 0.4 } })),
    );
    expect(targetsOf(planOn(3, [dead, { ...dead, takeId: 'b' }]))).toEqual([]);
    const fine = digest(
      'fine',
      2,
      [58, 58, 58, 58].map((midi) => seen({ midi, values: { responseS: 0.4 } })),
    );
    expect(targetsOf(planOn(3, [fine])).map(({ reason }) => reason)).toEqual(['response']);
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
    const of = (change: Parameters<typeof seen>[0]) => isInside(target!, seen({ midi: 76, ...change }));
    expect(of({ values: { pitchCentreCents: 3 } })).toBe(true);
    expect(of({ values: { pitchCentreCents: -40 } })).toBe(false);
    expect(of({ values: {} })).toBeUndefined();
    expect(of({ midi: 75, values: { pitchCentreCents: 3 } })).toBeUndefined();
    expect(of({ partial: 2, values: { pitchCentreCents: 3 } })).toBeUndefined();
  });
});
