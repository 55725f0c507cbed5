import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { FAMILIES, familyById, ownExerciseKey, usualExercise } from '@inner-hum/core/families';
import type { TakeRecord } from '@inner-hum/core/take';
import type { Decision } from '@inner-hum/core/judge';
import { describe, expect, it } from 'vitest';
import { awayFrom, blockMoved, goingOn, pausedFor, phaseChanged, problemMet, standReducer, takeJudged } from './stand';

const swell = usualExercise(familyById('swell'), 'alto');
const first = standReducer(undefined, { type: 'none' });
const take = (parameters: ExerciseParameters, decision: Decision) =>
  ({
    parameters,
    verdict: { decision, findings: [], next: { change: 'none', parameters: {} } },
  }) as unknown as TakeRecord;
const after = (...takes: TakeRecord[]) => takes.reduce((state, one) => standReducer(state, takeJudged(one)), first);

describe('decisions of a sitting', () => {
  it('add up over tries at one thing, easier or harder', () => {
    const state = after(take(swell, 'again'), take({ ...swell, beats: 12, softest: 'pp', tempoBpm: 72 }, 'harder'));
    expect(state.decisions).toEqual(['again', 'harder']);
    expect(state.phase).toBe('verdict');
  });
  it.each([
    ['note', { writtenMidi: 69 }],
    ['shape', { shape: 'grow' }],
    ['horn', { instrumentId: 'tenor' }],
  ])('begin anew with another %s', (_, change) => {
    const state = after(take(swell, 'again'), take({ ...swell, ...change } as ExerciseParameters, 'easier'));
    expect(state.decisions).toEqual(['easier']);
  });
  it('every family’s key holds its name and its horn', () => {
    for (const family of FAMILIES) {
      const key = ownExerciseKey(usualExercise(family, 'tenor'));
      expect(key.startsWith(`tenor ${family.id}`)).toBe(true);
      expect(key).not.toContain('undefined');
    }
  });
});

it.each([
  [phaseChanged('running'), { phase: 'running' }],
  [problemMet('refused'), { problem: 'refused' }],
  [problemMet(null), { problem: null }],
  [goingOn(true), { goingOn: true }],
  [pausedFor(true), { paused: true }],
  [awayFrom(swell), { away: swell }],
  [blockMoved({ index: 1, count: 3, next: null }), { block: { index: 1, count: 3, next: null } }],
])('%o changes that alone', (action, changed) => expect(standReducer(first, action)).toEqual({ ...first, ...changed }));
