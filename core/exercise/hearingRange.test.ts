import { expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { hearingRangeHz } from './hearingRange';

const rangeOf = (family: string, horn: 'soprano' | 'bass') =>
  hearingRangeHz(exerciseScore(usualExercise(familyById(family), horn)), 440);

it('listens where the horn sounds', () => {
  expect(rangeOf('hold', 'soprano').minHz).toBeGreaterThan(190);
  expect(rangeOf('hold', 'bass').minHz).toBeLessThan(52);
});
it('listens to a low voice where the score hums, and never less than the horn', () => {
  expect(rangeOf('humFirst', 'soprano').minHz).toBe(80);
  expect(rangeOf('humFirst', 'soprano').maxHz).toBe(rangeOf('hold', 'soprano').maxHz);
  expect(rangeOf('humFirst', 'bass').minHz).toBeLessThan(52);
});
