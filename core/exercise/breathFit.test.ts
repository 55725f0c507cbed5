import { describe, expect, it } from 'vitest';
import { breathFit, cautionsFor } from './index';
import { exerciseScore, familyById, usualExercise } from '../families';

/** Six notes of two beats in one breath: twelve beats. */
const descent = (tempoBpm: number) =>
  exerciseScore({ ...usualExercise(familyById('oneBreathDescent'), 'alto'), tempoBpm });

describe('breathFit', () => {
  // By hand: 12 beats × 60 ÷ hold; with reserve ÷ (0.85 × hold); rounded up.
  it.each([
    [10, 72, 85],
    [12, 60, 71],
    [7.5, 96, 113],
    [20, 36, 43],
  ])('a hold of %f s asks for %i, with reserve %i', (holdS, justBpm, reserveBpm) =>
    expect(breathFit(descent(88), holdS)).toMatchObject({ justBpm, reserveBpm, possible: true }),
  );
  it.each([
    [85, 'withReserve'],
    [84, 'just'],
    [72, 'just'],
    [71, 'not'],
  ])('at %i a hold of 10 s fits %s', (tempo, fits) => expect(breathFit(descent(tempo), 10).fits).toBe(fits));
  it('says when no tempo is fast enough', () =>
    expect(breathFit(descent(88), 3)).toMatchObject({ fits: 'not', justBpm: 240, possible: false }));
  it('the tempo of the score does not change what it asks for', () =>
    expect(breathFit(descent(60), 9).justBpm).toBe(breathFit(descent(120), 9).justBpm));
  it('refuses a hold of nothing', () => expect(() => breathFit(descent(88), 0)).toThrow('holdS must be above 0'));
});

describe('cautionsFor', () => {
  const of = (family: string, change: Record<string, number | string>) =>
    cautionsFor(exerciseScore({ ...usualExercise(familyById(family), 'alto'), ...change }));
  it.each<[string, Record<string, number | string>, string[]]>([
    ['countedBreaths', { writtenMidi: 67, beats: 8, repeats: 4 }, []],
    ['countedBreaths', { writtenMidi: 88, beats: 8, repeats: 4 }, ['ears']],
    ['countedBreaths', { writtenMidi: 88, beats: 8, tempoBpm: 200, repeats: 4 }, []],
    ['countedBreaths', { writtenMidi: 67, beats: 12, dynamic: 'p', repeats: 2 }, ['breath']],
    ['countedBreaths', { writtenMidi: 60, beats: 8, dynamic: 'f', repeats: 2 }, ['neighbours']],
    ['countedBreaths', { writtenMidi: 67, beats: 8, repeats: 16 }, ['hands']],
    ['hold', { writtenMidi: 67 }, ['breath']],
    ['hold', { writtenMidi: 90 }, ['ears', 'breath']],
    ['overtoneLadder', { top: 4, repeats: 3 }, ['lip']],
  ])('%s %o: %o', (family, change, expected) => expect(of(family, change)).toEqual(expected));
});
