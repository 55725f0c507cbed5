import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { describe, expect, it } from 'vitest';
import { secondsOn, slursOverBreak } from './playingTime';
import { digest, seen } from '../history/testDigests';

const passage = (phrase: string) => ({ ...usualExercise(familyById('ownPassage'), 'alto'), phrase, tempoBpm: 60 });
/** A take of a passage: its notes with how they were begun, and which of them spoke. */
function played(phrase: string, notes: readonly (readonly [number, 'slurred' | 'breath', boolean])[]) {
  const take = digest('a', 1, [], {}, { parameters: passage(phrase) });
  const told = notes.map(([midi, attack, spoke], i) =>
    seen({ atMs: take.startedAtMs + i, midi, fingeredMidi: midi, attack, spoke }),
  );
  return { ...take, seen: told };
}

describe('what was played', () => {
  it('counts the seconds of a note, each of its steps once', () => {
    const take = played('C5:2 D5 C5:3', [
      [72, 'breath', true],
      [74, 'breath', true],
      [72, 'breath', true],
    ]);
    expect(secondsOn(72, [take])).toBe(5);
    // A swell tells of a step at each loudness that it touched.
    expect(secondsOn(72, [{ ...take, seen: [...take.seen, take.seen[0]!] }])).toBe(5);
    expect(secondsOn(67, [take])).toBe(0);
  });
  it('counts takes of before a choice was there', () => {
    const usual = usualExercise(familyById('crossingBreak'), 'alto');
    const older = Object.fromEntries(Object.entries(usual).filter(([name]) => name !== 'lastNote')) as typeof usual;
    const take = { ...digest('a', 1, []), parameters: older };
    const [first] = exerciseScore(usual).steps;
    expect(
      secondsOn(first!.soundedMidi, [{ ...take, seen: [seen({ atMs: take.startedAtMs, midi: first!.soundedMidi })] }]),
    ).toBeGreaterThan(0);
  });
  it('counts slurs over the break, and those that broke', () => {
    const take = played('(C5 D5 C5 B4) D5', [
      [72, 'breath', true],
      [74, 'slurred', false],
      [72, 'slurred', true],
      [71, 'slurred', true],
      [74, 'breath', false],
    ]);
    expect(slursOverBreak([take])).toEqual({ of: 2, broke: 1 });
    expect(slursOverBreak([])).toEqual({ of: 0, broke: 0 });
  });
});
