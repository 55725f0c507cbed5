import { describe, expect, it } from 'vitest';
import { dynamicsLine } from './index';
import { exerciseScore, familyById, usualExercise } from '../families';

const lineOf = (family: string, change: Record<string, number | string> = {}) =>
  dynamicsLine(exerciseScore({ ...usualExercise(familyById(family), 'alto'), ...change }));
const letters = (...of: Parameters<typeof lineOf>) =>
  lineOf(...of).letters.map(({ beat, dynamic }) => `${beat} ${dynamic}`);

describe('the line of dynamics', () => {
  it('a swell has all three letters, at both ends of its hairpins', () => {
    expect(letters('swell', { beats: 8, repeats: 1 })).toEqual(['0 p', '4 f', '8 p']);
    expect(lineOf('swell', { beats: 8, repeats: 1 }).hairpins).toEqual([
      { fromBeat: 0, toBeat: 4, grows: true },
      { fromBeat: 4, toBeat: 8, grows: false },
    ]);
  });
  it('a fade over a whole descent is one hairpin between its first and its last letter', () => {
    expect(letters('oneBreathDescent')).toEqual(['0 f', '12 p']);
    expect(lineOf('oneBreathDescent').hairpins).toEqual([{ fromBeat: 0, toBeat: 12, grows: false }]);
  });
  it('a pair that swells over its slur has one letter where it turns', () =>
    expect(letters('relaySwell', { pairs: 1, beats: 4 })).toEqual(['0 p', '4 f', '8 p']));
  it('each breath says anew where its hairpin begins', () =>
    expect(letters('relaySwell', { pairs: 2, beats: 4, restBeats: 4 }).slice(3)).toEqual(['12 p', '16 f', '20 p']));
  it('what stays needs no letter again', () => {
    expect(letters('countedBreaths', { repeats: 3 })).toEqual(['0 mf']);
    expect(letters('overtoneLadder', { pattern: 'downAtThreeLevels', repeats: 1 }).length).toBe(3);
  });
});
