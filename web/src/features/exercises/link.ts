import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { isExercise, playable } from '@inner-hum/core/families';

/** Address that opens an exercise in another copy of the application. */
export function linkTo(exercise: ExerciseParameters): string {
  const address = new URL('/exercises', window.location.origin);
  address.searchParams.set('exercise', JSON.stringify(exercise));
  return address.toString();
}

const FORMAT = 'inner-hum-exercise';

/** Text of a file that carries one exercise under its name. */
export function exerciseFile(name: string, exercise: ExerciseParameters): string {
  return JSON.stringify({ format: FORMAT, version: 1, name, exercise }, null, 2);
}

/** Name and exercise of such a file; undefined when it is none, or of no known family. What
 * can't be played here is the nearest that can. */
export function readExerciseFile(text: string): { name: string; exercise: ExerciseParameters } | undefined {
  try {
    const { format, name, exercise } = JSON.parse(text) as Record<string, unknown>;
    if (format !== FORMAT || typeof name !== 'string' || name === '') return undefined;
    return isExercise(exercise) ? { name, exercise: playable(exercise).exercise } : undefined;
  } catch {
    return undefined;
  }
}

/** The exercise of such an address; undefined when it is of no known family. */
export function exerciseFromLink(text: string): ExerciseParameters | undefined {
  try {
    const exercise: unknown = JSON.parse(text);
    return isExercise(exercise) ? exercise : undefined;
  } catch {
    return undefined;
  }
}
