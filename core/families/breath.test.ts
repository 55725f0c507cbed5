import { describe, expect, it } from 'vitest';
import { breathBudget } from '../exercise';
import { INSTRUMENTS } from '../theory';
import { breathLimitS, fittedToBreath } from './breath';
import { exerciseScore, FAMILIES, familyById, usualExercise } from './catalogue';
import { turned } from './turns';
import type { Family } from './family';

const longest = (exercise: Parameters<typeof exerciseScore>[0]) => breathBudget(exerciseScore(exercise)).longestBreathS;

describe('breathLimitS', () => {
  it.each([
    ['swell', 'alto', undefined, 8],
    ['swell', 'tenor', undefined, 7],
    ['swell', 'baritone', undefined, 6],
    ['overtoneLadder', 'alto', undefined, 5],
    ['swell', 'alto', { holdS: 12, sure: true }, 10.2],
    ['swell', 'alto', { holdS: 4, sure: true }, 3.4],
    // A tone that the score ended is a lower bound: it makes no limit shorter.
    ['swell', 'alto', { holdS: 4, sure: false }, 8],
    ['swell', 'alto', { holdS: 40, sure: true }, 16],
    ['overtoneLadder', 'alto', { holdS: 40, sure: true }, 6],
  ] as const)('%s on %s, held %o: %f s', (id, horn, held, expected) =>
    expect(breathLimitS(familyById(id), exerciseScore(usualExercise(familyById(id), horn)), held)).toBeCloseTo(
      expected,
      9,
    ),
  );
});

it('less is asked of who is not known yet, least of who is new', () => {
  const score = exerciseScore(usualExercise(familyById('swell'), 'alto'));
  expect(breathLimitS(familyById('swell'), score, undefined, 'new')).toBe(5);
  expect(breathLimitS(familyById('swell'), score, undefined, 'home')).toBe(6);
  expect(breathLimitS(familyById('swell'), score, { holdS: 12, sure: true }, 'new')).toBeCloseTo(10.2, 9);
});

it('altissimo has short breaths in any family', () => {
  const high = { ...usualExercise(familyById('anchorSwell'), 'alto'), writtenMidi: 91 };
  expect(breathLimitS(familyById('anchorSwell'), exerciseScore(high))).toBe(5);
  expect(breathLimitS(familyById('anchorSwell'), exerciseScore(high), { holdS: 30, sure: true })).toBe(6);
});

describe('what is usual', () => {
  const cases = FAMILIES.flatMap((family) => INSTRUMENTS.map(({ id }): [string, string] => [family.id, id]));
  it.each(cases)('%s on %s asks for no longer breath than the horn allows', (id, horn) => {
    const family = familyById(id);
    const usual = usualExercise(family, horn as 'alto');
    expect(longest(usual)).toBeLessThanOrEqual(breathLimitS(family, exerciseScore(usual)) + 0.1);
  });
});

describe('fittedToBreath', () => {
  const match = { ...usualExercise(familyById('overtoneMatch'), 'alto'), beats: 4 };
  it('takes a faster tempo first, then fewer beats', () => {
    const swell = usualExercise(familyById('swell'), 'alto');
    expect(fittedToBreath(swell, familyById('swell'), 7)).toMatchObject({ beats: 8, tempoBpm: 69 });
    expect(fittedToBreath(match, familyById('overtoneMatch'), 5)).toMatchObject({ beats: 2, tempoBpm: 72 });
  });
  it('a run has fewer beats and fewer notes in a breath, never faster fingers', () => {
    const scale = { ...usualExercise(familyById('fullSpanScale'), 'alto'), beats: 2, notesInBreath: 8 };
    expect(fittedToBreath(scale, familyById('fullSpanScale'), 6)).toMatchObject({
      beats: 1,
      notesInBreath: 8,
      tempoBpm: 80,
    });
    expect(fittedToBreath({ ...scale, beats: 1 }, familyById('fullSpanScale'), 4)).toMatchObject({
      notesInBreath: 5,
      tempoBpm: 80,
    });
  });
  it('leaves alone what fits', () => expect(fittedToBreath(match, familyById('overtoneMatch'), 60)).toEqual(match));
});

describe('turned', () => {
  const room = { goalNotes: [] };
  const everyTurn = [
    'startLouder',
    'softer',
    'wider',
    'fasterTempo',
    'slower',
    'longer',
    'shorter',
    'more',
    'fewer',
  ] as const;
  it.each((FAMILIES as readonly Family[]).map((family) => family.id))(
    '%s: each turn moves by one small step, and plays',
    (id) => {
      const usual = usualExercise(familyById(id), 'alto');
      for (const turn of [...everyTurn, 'hideTuner', 'easierNote', 'harderNote'] as const) {
        const made = turned(turn, usual, room);
        if (!made) continue;
        expect(Object.keys(made.values).length).toBeLessThanOrEqual(turn === 'more' ? 2 : 1);
        expect(exerciseScore({ ...usual, ...made.values }).steps.length).toBeGreaterThan(0);
      }
    },
  );
});
