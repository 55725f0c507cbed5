import { familyById, playable, usualExercise, type FieldValues } from '@inner-hum/core/families';
import { ASSUMED_RULER, instrumentById, noteName } from '@inner-hum/core/theory';
import { expect, it } from 'vitest';
import '../../testing/english';
import { i18next } from '../../text/i18n';
import { partWords } from '../../text/usePartWords';
import { stepTexts, type HeadOf } from './headWords';

const nameOf = (midi: number) => noteName(midi, 'english');
function headOf(id: string, values: FieldValues = {}): HeadOf {
  const { exercise, score } = playable({ ...usualExercise(familyById(id), 'alto'), ...values });
  return {
    t: i18next.t,
    nameOf,
    partialName: (partial) => `Partial ${partial}`,
    score,
    overtones: true,
    exercise,
    horn: instrumentById('alto'),
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    edges: new Map(),
  };
}

it('where a note has two sources it is said which is due and which is next', () => {
  const of = headOf('overtoneMatch', { writtenMidi: 58, partial: 2 });
  expect(stepTexts(of, 0)).toMatchObject({
    note: 'B♭4',
    start: '○ by air · regular',
    next: 'then B♭4, B♭3 overblown',
  });
  expect(stepTexts(of, 1)).toMatchObject({ start: 'B♭3 overblown · Partial 2', next: 'then B♭4, regular' });
});

it('in the part a source is said where it changes, and nowhere in a part without overtones', () => {
  const wordsOf = (id: string, values?: FieldValues) => {
    const { t, score, exercise } = headOf(id, values);
    const words = partWords(t, score, exercise, nameOf);
    return score.steps.slice(0, 4).map((_, i) => words.step(i));
  };
  expect(wordsOf('overtoneMatch').slice(0, 3)).toEqual(['by air', 'on B♭3', 'regular']);
  expect(wordsOf('octaveSlurs').join()).not.toMatch(/regular|overblown/);
});
