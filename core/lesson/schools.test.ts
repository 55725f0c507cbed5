import { exerciseScore, FAMILIES, familyById, usualExercise } from '@inner-hum/core/families';
import { describe, expect, it } from 'vitest';
import { FIRST_SCHOOLS, withSchools } from './schools';

const usual = (id: string) => usualExercise(familyById(id), 'alto');

describe('schools', () => {
  it('where the application begins nothing is changed', () => {
    for (const family of FAMILIES) {
      const own = usualExercise(family, 'alto');
      expect(withSchools(own, FIRST_SCHOOLS)).toEqual(own);
    }
  });
  it('low starts are tongued, soft ends are soft at once, the tuner hidden, where the player wants it', () => {
    const schools = { ...FIRST_SCHOOLS, lowStart: 'tongue', softBegin: 'softest', tuner: 'hide' } as const;
    expect(withSchools({ ...usual('hold'), writtenMidi: 60 }, schools)['attack']).toBe('tongue');
    expect(withSchools(usual('hold'), schools)['attack']).toBe('breath');
    expect(withSchools(usual('swell'), schools)).toMatchObject({ softest: 'pp', tunerHidden: true });
  });
  it('whatever the school, every family can still be played', () => {
    const schools = { ...FIRST_SCHOOLS, lowStart: 'tongue', softBegin: 'softest', overtoneTuning: 'free' } as const;
    for (const family of FAMILIES) expect(exerciseScore(withSchools(usual(family.id), schools)).steps).not.toEqual([]);
  });
});
