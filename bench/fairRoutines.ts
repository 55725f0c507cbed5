import type { ExerciseParameters } from '@inner-hum/core/exercise';
import {
  breathLimitS,
  exerciseScore,
  FAMILIES,
  familyById,
  fittedToBreath,
  tryScore,
  usualExercise,
  type FieldValues,
} from '@inner-hum/core/families';
import { blockS, planSession, restBetweenS, type PlanFor } from '@inner-hum/core/lesson';
import type { SeededRandom } from '@inner-hum/core/simulate';
import { BREATH_S } from './fairModel';

/** What is alike for all and is not compared: the tuner, the warm-up, what measures, and the tune. */
const ALIKE = new Set(['tune', 'warmUp', 'firstMap', 'tuneAbout']);
/** What a routine is asked with. */
interface Lesson {
  readonly lesson: number;
  readonly seconds: number;
  readonly random: SeededRandom;
  readonly plan: PlanFor;
}
/** What is played in a lesson, pass by pass. */
export type Routine = (of: Lesson) => ExerciseParameters[];

const of = (family: string, values: FieldValues = {}): ExerciseParameters => {
  const usual = usualExercise(familyById(family), 'alto');
  const own = { ...usual, ...values };
  const exercise = 'score' in tryScore(own) ? own : usual;
  // As long a breath as the planner asks of this player.
  const limitS = breathLimitS(familyById(family), exerciseScore(exercise), { holdS: BREATH_S, sure: true }, 'home');
  return fittedToBreath(exercise, familyById(family), limitS);
};
const on = (family: string, midi: number) => {
  const usual = usualExercise(familyById(family), 'alto');
  return of(family, 'writtenMidi' in usual ? { writtenMidi: midi } : {});
};
/** One pass with the rest after it, as long as the planner has it rest there, seconds. */
export const passS = (exercise: ExerciseParameters) => blockS({ exercise, tries: 1, restS: restBetweenS(exercise) });
/** Exercises in turn, each with its tries, until the seconds are over. */
function filled(seconds: number, tries: number, next: (i: number) => ExerciseParameters): ExerciseParameters[] {
  const out: ExerciseParameters[] = [];
  for (let [s, i] = [0, 0]; ; i++) {
    const exercise = next(i);
    for (let k = 0; k < tries; k++) {
      s += passS(exercise);
      if (s > seconds) return out;
      out.push(exercise);
    }
  }
}
const PLANNED = FAMILIES.filter(({ teaching }) => teaching.planned && teaching.planned.from !== 'advanced').map(
  ({ id }) => id,
);
const [LOWEST, NOTES] = [58, 33];

/** A usual routine as good players have it: overtones, chromatic descents with swells over the whole horn, low notes, a scale, a tune. */
const GOOD: readonly ((lesson: number) => ExerciseParameters)[] = [
  () => of('overtoneLadder'),
  (lesson) => of('zigzagDescent', { writtenMidi: 90 - (lesson % 3) * 8, notes: 12 }),
  (lesson) => of('zigzagDescent', { writtenMidi: 78 - (lesson % 3) * 4, notes: 12 }),
  () => of('oneBreathDescent'),
  (lesson) => on('tongueOrAir', 58 + (lesson % 4)),
  (lesson) => on('swell', 62 + ((lesson * 5) % 24)),
  () => of('fullSpanScale'),
];

export const PLANNER = 'planner';
export const planned: Routine = ({ plan }) =>
  planSession(plan)
    .filter(({ reason }) => !ALIKE.has(reason.kind))
    .flatMap(({ exercise, tries }) => Array.from({ length: tries }, () => exercise));
export const OTHERS: Readonly<Record<string, Routine>> = {
  'a draw by lot': ({ seconds, random }) =>
    filled(seconds, 1, () =>
      on(PLANNED[Math.floor(PLANNED.length * random.uniform())]!, LOWEST + Math.floor(NOTES * random.uniform())),
    ),
  'a rota': ({ lesson, seconds }) =>
    filled(seconds, 2, (i) => on(PLANNED[(lesson * 7 + i) % PLANNED.length]!, LOWEST + ((lesson * 5 + i * 3) % NOTES))),
  'massed blocks': ({ lesson, seconds }) =>
    filled(seconds, 9, (i) =>
      on(['hold', 'swell', 'countedBreaths'][(lesson + i) % 3]!, LOWEST + ((lesson * 4 + i * 11) % NOTES)),
    ),
  'a good usual routine': ({ lesson, seconds }) => filled(seconds, 1, (i) => GOOD[i % GOOD.length]!(lesson)),
};
