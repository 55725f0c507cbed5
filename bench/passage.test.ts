import { CLEAN_HABITS, withFault } from '@inner-hum/core/simulate';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { describe, expect, it } from 'vitest';
import { play } from './play';

const EVERYTHING =
  '[hum] F5:4 r:2 [B♭3] F5:4 [silence] r F5:4 r:2 [bend:80] C5:4 [air] r:2 D4:4 r:2 [pp] [sub] D4:4 ' +
  '[hear] r:2 [mf] [ee-oo] G4:4 r:2 [D5] A5:4 r:2 (G4:2 [B♭3] B♭4:2 G4:2)';

describe('a passage with everything that can be asked in it', () => {
  const judged = (horn: 'alto' | 'tenor' | 'baritone', habits = CLEAN_HABITS) =>
    play({ ...usualExercise(familyById('ownPassage'), horn), phrase: EVERYTHING }, 5, habits);
  it.each(['alto', 'tenor', 'baritone'] as const)('%s: played well, nothing in it is a fault', (horn) => {
    const { verdict, measures } = judged(horn);
    expect(measures).toHaveLength(11);
    expect(verdict.findings.map(({ id }) => id)).toEqual(['airStarts', 'humRight', 'bendDeep']);
  });
  it('a bend that stays shallow in it is told', () =>
    expect(judged('alto', withFault('bendsLittle')).verdict.findings.map(({ id }) => id)).toContain('bendShallow'));
});

it('a route that mixes overtones and usual fingerings is judged as it was asked', () => {
  const exercise = { ...usualExercise(familyById('overtoneRoute'), 'alto'), phrase: 'C4:4 B♭4:4 D5:4 F5:4' };
  const { verdict, assignment } = play({ ...exercise, route: '60/1 58/2 74/1 58/3' }, 5, CLEAN_HABITS);
  expect(assignment.score.steps.map(({ partialNumber }) => partialNumber)).toEqual([1, 2, 1, 3]);
  expect(verdict.findings.map(({ id }) => id)).toEqual(['steady']);
});
