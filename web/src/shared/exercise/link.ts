import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { isExercise, playable } from '@inner-hum/core/families';
import { HOME } from '../../base/home';
import { routineFrom, type Routine } from '@inner-hum/core/lesson';

/** Address that opens an exercise in another copy of the application. */
export function linkTo(exercise: ExerciseParameters): string {
  const address = new URL(`${HOME}exercises`, window.location.origin);
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

/** No routine that can be played is larger, characters. */
const LARGEST = 500_000;
const ROUTINE_FORMAT = 'inner-hum-routine';

/** Text of a file that carries a routine. */
export function routineFile(routine: Routine): string {
  return JSON.stringify({ format: ROUTINE_FORMAT, version: 1, routine }, null, 2);
}

/** The routine of such a file; undefined when it is none that this version can play. */
export function readRoutineFile(text: string): Routine | undefined {
  try {
    if (text.length > LARGEST) return undefined;
    const { format, routine } = JSON.parse(text) as Record<string, unknown>;
    return format === ROUTINE_FORMAT ? routineFrom(routine) : undefined;
  } catch {
    return undefined;
  }
}

/** Address that opens a routine in another copy of the application. */
export function linkToRoutine(routine: Routine): string {
  const address = new URL(`${HOME}exercises`, window.location.origin);
  address.searchParams.set('routine', JSON.stringify(routine));
  return address.toString();
}

/** The routine of such an address; undefined when this version can't play it. */
export function routineFromLink(text: string): Routine | undefined {
  try {
    return text.length > LARGEST ? undefined : routineFrom(JSON.parse(text));
  } catch {
    return undefined;
  }
}
