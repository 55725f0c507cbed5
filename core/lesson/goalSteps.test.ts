import { familyById, usualExercise } from '@inner-hum/core/families';
import { describe, expect, it } from 'vitest';
import type { Goal } from './aims';
import { cellsFrom } from '../history/cells';
import type { Digest } from '../history/digest';
import { goalNow, goalProgress } from './goalSteps';
import { hornMap } from '../map/hornMap';
import { ownSources } from '../map/ownSources';
import type { PlanFor } from './planFor';
import { digest, seen } from '../history/testDigests';

const FROM = '2026-01-01';
const goal = (kind: Goal['kind'], change: Partial<Goal> = {}): Goal => ({
  kind,
  instrumentId: 'alto',
  midi: 67,
  by: '2026-01-29',
  ...change,
});
const planOn = (day: string, recent: readonly Digest[] = []): PlanFor => ({
  instrumentId: 'alto',
  minutes: 30,
  level: 'home',
  style: 'sweep',
  notes: hornMap(cellsFrom(recent).values()),
  sources: ownSources(cellsFrom(recent).values()),
  recent,
  goals: [],
  quiet: false,
  nowMs: 0,
  day,
});
const held = (n: number, holdS: number) =>
  digest(
    `h${n}`,
    n,
    [],
    {},
    {
      holds: [{ midi: 67, loud: false, holdS }],
      parameters: { ...usualExercise(familyById('hold'), 'alto'), writtenMidi: 67 },
    },
  );

describe('a goal', () => {
  it.each([
    [8, 0],
    [12, 1],
    [15, 2],
    [30, 4],
  ])('a long tone of %i s has reached %i milestones', (seconds, reached) =>
    expect(goalProgress(goal('longTone'), FROM, planOn('2026-01-05', [held(2, seconds)])).reached).toBe(reached),
  );
  it('milestones come in their order: soft starts count after those at a middle loudness', () => {
    const starts = (band: 'soft' | 'medium', n: number) =>
      digest(
        band,
        n,
        Array.from({ length: 6 }, () => seen({ midi: 67, band })),
      );
    expect(goalProgress(goal('softLowEntry'), FROM, planOn('2026-01-05', [starts('soft', 2)])).reached).toBe(0);
    expect(
      goalProgress(goal('softLowEntry'), FROM, planOn('2026-01-05', [starts('medium', 2), starts('soft', 3)])).reached,
    ).toBe(3);
  });
  it('a partial goes by its tube’s own tries', () => {
    const tries = (partial: number, n: number, got: number) =>
      digest(
        `p${partial}`,
        n,
        Array.from({ length: 12 }, (_, i) =>
          seen({ midi: 58 + 12 * (partial - 1), fingeredMidi: 58, partial, spoke: i < got }),
        ),
      );
    const at = (...own: Digest[]) =>
      goalProgress(goal('partial', { midi: 58, partial: 3 }), FROM, planOn('2026-01-05', own)).reached;
    expect(at(tries(3, 2, 12))).toBe(0);
    expect(at(tries(2, 2, 9), tries(3, 3, 4))).toBe(2);
    expect(at(tries(2, 2, 9), tries(3, 3, 9))).toBe(4);
  });
  it('a passage goes by its own takes, at its own tempo, and may be wanted slower', () => {
    const exercise = { ...usualExercise(familyById('ownPassage'), 'alto'), phrase: 'C5 D5 E5', tempoBpm: 100 };
    const wanted = goal('passage', { midi: 72, exercise });
    const take = (n: number, decision: Digest['decision'], change: object = {}) =>
      digest(`p${n}`, n, [], {}, { decision, family: 'ownPassage', parameters: { ...exercise, ...change } });
    const at = (...own: Digest[]) => goalProgress(wanted, FROM, planOn('2026-01-20', own));
    expect(at(take(1, 'harder', { phrase: 'G4 A4' }), take(2, 'again'), take(3, 'again')).reached).toBe(0);
    expect(at(take(1, 'again'), take(2, 'again'), take(3, 'again')).reached).toBe(1);
    const slowly = [1, 2, 3, 4].map((n) => take(n, 'harder', { tempoBpm: 60 }));
    expect(at(...slowly).reached).toBe(3);
    expect(at(...slowly, ...[5, 6, 7].map((n) => take(n, 'harder'))).reached).toBe(4);
    expect(at(take(1, 'easier')).smaller?.exercise).toMatchObject({ phrase: 'C5 D5 E5', tempoBpm: 85 });
  });
  it('one that has come all the way leaves its time to the next', () => {
    const near = goal('longTone');
    const far = goal('softLowEntry', { midi: 58, by: '2026-03-01' });
    const planned = (day: string, seconds: number) => ({ ...planOn(day, [held(2, seconds)]), goals: [far, near] });
    expect(goalNow(planned('2026-01-05', 15))).toBe(near);
    expect(goalNow(planned('2026-01-05', 30))).toBe(far);
    // On its own day it is the one.
    expect(goalNow(planned('2026-01-29', 30))).toBe(near);
    expect(goalNow({ ...planned('2026-01-05', 30), goals: [near] })).toBe(near);
  });
  it('is behind when two milestones are due and none is reached, and offers a smaller one', () => {
    expect(goalProgress(goal('highNote', { midi: 91 }), FROM, planOn('2026-01-05'))).toMatchObject({
      due: 0,
      behind: false,
    });
    expect(goalProgress(goal('highNote', { midi: 91 }), FROM, planOn('2026-01-16'))).toMatchObject({
      due: 2,
      behind: true,
      smaller: { midi: 90 },
    });
    expect(goalProgress(goal('longTone'), FROM, planOn('2026-01-23', [held(2, 15)]))).toMatchObject({
      reached: 2,
      due: 3,
      behind: true,
      smaller: undefined,
    });
    expect(goalProgress(goal('evenZone'), FROM, planOn('2026-01-05')).reached).toBe(0);
  });
});
