import { exerciseScore, type ExerciseParameters } from '@inner-hum/core/exercise';

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

/** Name and exercise of such a file; undefined when it is none, or none that this version can play. */
export function readExerciseFile(text: string): { name: string; exercise: ExerciseParameters } | undefined {
  try {
    const { format, name, exercise } = JSON.parse(text) as Record<string, unknown>;
    if (format !== FORMAT || typeof name !== 'string' || name === '') return undefined;
    exerciseScore(exercise as ExerciseParameters);
    return { name, exercise: exercise as ExerciseParameters };
  } catch {
    return undefined;
  }
}

/** The exercise of such an address; undefined when it is none that this version can play. */
export function exerciseFromLink(text: string): ExerciseParameters | undefined {
  try {
    const exercise = JSON.parse(text) as ExerciseParameters;
    exerciseScore(exercise);
    return exercise;
  } catch {
    return undefined;
  }
}
