import { canFinger, instrumentById, type HornId } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { exerciseScore, FAMILIES, familyById, fingeringOf, ownExerciseKey, playable, usualExercise } from './index';

const BUILDS: readonly HornId[] = [
  'alto-highFSharp',
  'alto+lowA',
  'tenor-frontF',
  'soprano+highG',
  'baritone-highFSharp-frontF',
  'bass+highFSharp',
];

describe.each(BUILDS)('on %s', (hornId) => {
  const horn = instrumentById(hornId);
  it.each(FAMILIES.map((family) => family.id))('%s asks for no key that is not there', (id) => {
    const exercise = usualExercise(
      FAMILIES.find((family) => family.id === id)!,
      hornId,
    );
    const { score, exercise: played } = playable(exercise);
    expect(score.instrumentId).toBe(hornId);
    for (const step of score.steps) {
      expect(step.fingeredMidi).toBeGreaterThanOrEqual(horn.lowestWrittenMidi);
      const keys = fingeringOf(step, played) ?? [];
      expect(canFinger(horn, keys), keys.join(' ')).toBe(true);
    }
  });
});

describe('an exercise moved to a horn with other keys', () => {
  it('keeps its note where the keys give it, else takes the nearest', () => {
    const low = {
      ...usualExercise(
        FAMILIES.find((family) => family.id === 'hold')!,
        'alto+lowA',
      ),
      writtenMidi: 57,
    };
    expect(exerciseScore(low).steps[0]!.soundedMidi).toBe(57);
    expect(playable({ ...low, instrumentId: 'alto' }).score.steps[0]!.soundedMidi).toBe(58);
  });
  it('is the same exercise on one size, whatever the keys', () => {
    const hold = usualExercise(
      FAMILIES.find((family) => family.id === 'hold')!,
      'alto',
    );
    expect(ownExerciseKey({ ...hold, instrumentId: 'alto-highFSharp' })).toBe(ownExerciseKey(hold));
    expect(ownExerciseKey({ ...hold, instrumentId: 'tenor' })).not.toBe(ownExerciseKey(hold));
    const passage = usualExercise(familyById('ownPassage'), 'alto');
    expect(ownExerciseKey({ ...passage, phrase: 'C5 D5' })).not.toBe(ownExerciseKey(passage));
    const bend = usualExercise(familyById('bend'), 'alto');
    const older = Object.fromEntries(Object.entries(bend).filter(([name]) => name !== 'direction')) as typeof bend;
    expect(ownExerciseKey(older)).toBe(ownExerciseKey(bend));
    expect(ownExerciseKey({ ...passage, tempoBpm: 50 })).toBe(ownExerciseKey(passage));
  });
});
