import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from './catalogue';
import { fingeringOf } from './fingering';

const first = (id: string, change: object = {}, at = 0) => {
  const exercise = { ...usualExercise(familyById(id), 'alto'), ...change };
  return fingeringOf(exerciseScore(exercise).steps[at]!, exercise);
};

describe('what is fingered', () => {
  it('is the regular fingering of the tube', () => {
    expect(first('overtoneLadder', {}, 1)).toEqual(first('homeCheck'));
    expect(first('swell', { writtenMidi: 79 })).toContain('octave');
  });
  it('has the octave key where the tube is overblown with it', () =>
    expect(first('shortTwelfths', {}, 1)).toContain('octave'));
  it('is the fingering on trial', () =>
    expect(first('fingeringTrial', { fingering: 'octave frontF left2' })).toEqual(['octave', 'frontF', 'left2']));
  it('has the vent open for the bright model alone', () => {
    expect(first('ventMatch')).toContain('palmD');
    expect(first('ventMatch', {}, 1)).not.toContain('palmD');
  });
  it('above the keys is the first of the starter set, with the front key where it belongs', () =>
    expect(first('swell', { writtenMidi: 91 })).toEqual(['octave', 'left1', 'left3', 'right1', 'sideBFlat']));
  it('is nothing for a hum and for a mouthpiece alone', () => {
    expect(first('humFirst')).toBeUndefined();
    expect(first('smallTube')).toBeUndefined();
    expect(first('bendToPitch', { tube: 'mouthpiece' })).toBeUndefined();
  });
});
