import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { tuneAbout } from './tune';

const NEWCOMER = { from: 62, to: 84 };
const ALTO = { from: 58, to: 90 };
const stepsOf = (phrase: string) => exerciseScore({ ...usualExercise(familyById('ownPassage'), 'alto'), phrase }).steps;

describe('a tune about a note', () => {
  it.each([
    [62, NEWCOMER],
    [67, NEWCOMER],
    [84, NEWCOMER],
    [58, ALTO],
    [74, ALTO],
    [90, ALTO],
  ])('%i: five to seven notes with it, all in range, whatever its turn', (midi, range) => {
    for (let turn = 0; turn < 24; turn++) {
      const notes = stepsOf(tuneAbout(midi, turn, range)!).map(({ soundedMidi }) => soundedMidi);
      expect(notes.length).toBeGreaterThanOrEqual(5);
      expect(notes.length).toBeLessThanOrEqual(7);
      expect(notes).toContain(midi);
      expect(Math.min(...notes)).toBeGreaterThanOrEqual(range.from);
      expect(Math.max(...notes)).toBeLessThanOrEqual(range.to);
      // Plain enough to sing: no leap is larger than a sixth.
      notes.slice(1).forEach((note, i) => expect(Math.abs(note - notes[i]!)).toBeLessThanOrEqual(9));
    }
  });
  it('differs from turn to turn', () =>
    expect(new Set(Array.from({ length: 12 }, (_, turn) => tuneAbout(72, turn, ALTO))).size).toBeGreaterThan(8));
  it('can be tongued', () => {
    const slurred = (own: boolean) =>
      stepsOf(tuneAbout(67, 0, ALTO, own)!).filter(({ attack }) => attack === 'slurred');
    expect(slurred(true).length).toBeGreaterThan(0);
    expect(slurred(false)).toEqual([]);
  });
  it('is none where there is no room', () => expect(tuneAbout(67, 0, { from: 66, to: 68 })).toBeUndefined());
});
