import { exerciseScore, type ExerciseParameters } from '@inner-hum/core/exercise';

/** Address that opens an exercise in another copy of the application. */
export function linkTo(exercise: ExerciseParameters): string {
  const address = new URL('/exercises', window.location.origin);
  address.searchParams.set('exercise', JSON.stringify(exercise));
  return address.toString();
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
