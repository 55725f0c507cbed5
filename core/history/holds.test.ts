import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { heldFor, longestHolds } from './holds';

const scoreOf = (id: string, change: Record<string, number | string>) =>
  exerciseScore({ ...usualExercise(familyById(id), 'alto'), ...change });

describe('longestHolds', () => {
  const holds = longestHolds([
    { midi: 67, loud: false, holdS: 8 },
    { midi: 70, loud: false, holdS: 14, ended: true },
    { midi: 60, loud: false, holdS: 8 },
  ]);
  it('is the longest of a zone, sure where a breath was heard to its end', () => {
    expect(heldFor(scoreOf('countedBreaths', { writtenMidi: 72, dynamic: 'p' }), holds)).toEqual({
      holdS: 14,
      sure: true,
    });
    expect(heldFor(scoreOf('countedBreaths', { writtenMidi: 59, dynamic: 'p' }), holds)).toEqual({
      holdS: 8,
      sure: false,
    });
  });
  it('says nothing of what was not played', () =>
    expect(heldFor(scoreOf('countedBreaths', { writtenMidi: 72, dynamic: 'ff' }), holds)).toBeUndefined());
});
