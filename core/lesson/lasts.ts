import { beatSeconds, breathBudget, type ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseScore } from '@inner-hum/core/families';
import { dynamicPosition, zoneOf } from '@inner-hum/core/theory';
import { VERDICT_S, type SessionBlock } from './session';

/** A held altissimo note is reckoned with about four beats. */
const OPEN_ALTISSIMO_S = 5;
const LOUD_FROM = 0.7;
/** The least rest between two tries, seconds. */
const LEAST_REST_S = 8;

/** Seconds of altissimo that sound in an exercise. */
export function altissimoS(exercise: ExerciseParameters): number {
  const score = exerciseScore(exercise);
  return score.steps
    .filter((step) => zoneOf(step.soundedMidi) === 'altissimo')
    .reduce((sum, step) => sum + (step.openEnd ? OPEN_ALTISSIMO_S : (step.beats * 60) / score.tempoBpm), 0);
}

/** Seconds of one try without its count-in. */
export function exerciseS(exercise: ExerciseParameters): number {
  return breathBudget(exerciseScore(exercise)).totalS;
}

/** Seconds of one try with its count-in. */
function withCountInS(exercise: ExerciseParameters): number {
  const score = exerciseScore(exercise);
  return exerciseS(exercise) + score.countInBeats * beatSeconds(score);
}

/** How long a block lasts: its tries with count-ins, the rests between them, and the rest after the last, seconds. */
export function blockS(block: Omit<SessionBlock, 'reason'>): number {
  const { exercise, tries, restS, betweenS = VERDICT_S } = block;
  return tries * withCountInS(exercise) + (tries - 1) * betweenS + Math.max(VERDICT_S, restS);
}

/** Rest between two tries: as long as the tone after loud or high ones, a breath after the others; seconds. */
export function restBetweenS(exercise: ExerciseParameters): number {
  const score = exerciseScore(exercise);
  const hard = score.steps.filter(
    (step) =>
      ['palm', 'altissimo'].includes(zoneOf(step.soundedMidi)) ||
      step.dynamics.some((point) => (point.position ?? dynamicPosition(point.dynamic)) >= LOUD_FROM),
  );
  const longestS = Math.max(
    0,
    ...hard.map((step) => (step.openEnd ? exerciseS(exercise) : step.beats * beatSeconds(score))),
  );
  return Math.round(Math.max(LEAST_REST_S, longestS));
}
