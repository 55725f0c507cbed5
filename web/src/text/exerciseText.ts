import { clearSeconds, type ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById } from '@inner-hum/core/families';
import type { TFunction } from 'i18next';
import { tableText } from './tableText';

/** One line that names an exercise: its note or notes, its family, its shape and dynamics. */
export function exerciseTitle(t: TFunction, exercise: ExerciseParameters, nameOf: (midi: number) => string): string {
  const fields = Object.entries(familyById(exercise.family).fields);
  const notes = fields.filter(([, field]) => field.kind === 'note').map(([name]) => nameOf(Number(exercise[name])));
  const title =
    'shape' in exercise
      ? tableText(t, `options.${String(exercise['shape'])}`)
      : tableText(t, `families.${exercise.family}.name`);
  return [notes.join(' '), title, dynamicsOf(exercise)].filter(Boolean).join(' · ');
}

/** How long and how fast, for a line of small print. */
export function exerciseMeta(t: TFunction, exercise: ExerciseParameters): string {
  const goesOn = exercise['goesOn'];
  // Led by ear it has no beats.
  if (clearSeconds(goesOn) !== undefined) return tableText(t, `options.${String(goesOn)}`);
  const beats = exercise['beats'];
  return beats === undefined
    ? t('exercise.tempoOnly', { tempo: exercise.tempoBpm })
    : t('exercise.beatsAt', { beats: String(beats), tempo: exercise.tempoBpm });
}

function dynamicsOf(exercise: ExerciseParameters): string {
  if ('softest' in exercise) return `${String(exercise['softest'])}–${String(exercise['loudest'])}`;
  return 'dynamic' in exercise ? String(exercise['dynamic']) : '';
}
