import { SoundProblem, type ProblemId } from '../input/audioInput';
import { GaveWay } from '../input/recording';

/** What to tell of an error with the sound. */
export function problemOf(error: unknown): ProblemId {
  if (error instanceof SoundProblem) return error.id;
  return error instanceof GaveWay ? 'gaveWay' : 'failed';
}
