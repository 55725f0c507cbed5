import { describe, expect, it } from 'vitest';
import { instrumentById } from '../theory';
import { cellsFrom } from '../history/cells';
import { elsewhereOf, withHoldsElsewhere } from './elsewhere';
import { frontier } from '../map/frontier';
import { longestHolds } from '../history/holds';
import { planSession, type PlanFor } from './index';
import { digest, seen } from '../history/testDigests';

/** Ten right tries of partial 2 and 3 on two tubes of an alto. */
const overtones = [2, 3].flatMap((partial) =>
  [58, 59].flatMap((fingeredMidi) =>
    Array.from({ length: 10 }, () => seen({ midi: fingeredMidi + (partial === 2 ? 12 : 19), fingeredMidi, partial })),
  ),
);
const held = { midi: 67, loud: false, holdS: 16, ended: true };
const alto = digest('a', 1, overtones, {}, { holds: [held] });
const elsewhere = elsewhereOf([alto], [...cellsFrom([alto]).values()]);

describe('what a doubler brings from another horn', () => {
  it('is the highest partial that is learnt there, and how long a breath lasts', () => {
    expect(elsewhere.partial).toBe(3);
    expect([...elsewhere.holds.keys()]).toEqual(['alto']);
  });
  it('a partial that is learnt there is tried here first; what lies under it is not begun anew', () => {
    const tenor = instrumentById('tenor');
    expect(frontier(new Map(), 'home', tenor)).toEqual({ tubeMidi: 58, partial: 2 });
    expect(frontier(new Map(), 'home', tenor, elsewhere.partial)).toEqual({ tubeMidi: 58, partial: 3 });
    expect(frontier(new Map(), 'new', tenor, 8).partial).toBe(3);
  });
  it('a breath is shorter on a larger horn, only a lower bound, and never over what was held there', () => {
    const here = withHoldsElsewhere(new Map(), elsewhere, 'baritone');
    expect([...here.values()]).toEqual([{ holdS: 12, sure: false }]);
    const own = longestHolds([{ ...held, holdS: 9 }]);
    expect([...withHoldsElsewhere(own, elsewhere, 'baritone').values()]).toEqual([{ holdS: 9, sure: true }]);
  });
  it('reaches the plan: the ladder of a new horn begins there', () => {
    const plan: PlanFor = {
      ...{
        instrumentId: 'tenor',
        minutes: 45,
        level: 'home',
        style: 'sweep',
        notes: [],
        sources: new Map(),
        goals: [],
      },
      ...{ quiet: false, nowMs: Date.UTC(2026, 0, 8, 18), day: '2026-01-08', practices: ['overtones'] as const },
      recent: [digest('b', 7, [seen()], { instrumentId: 'tenor' })],
    };
    const tops = (from: PlanFor) =>
      planSession(from).flatMap(({ exercise }) => (exercise.family === 'overtoneLadder' ? [exercise['top']] : []));
    expect(tops(plan)).toEqual([2]);
    expect(tops({ ...plan, elsewhere })).toEqual([3]);
  });
});
