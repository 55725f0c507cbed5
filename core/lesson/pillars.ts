import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById, type Family, type Stage } from '@inner-hum/core/families';
import { dayNumber } from '../history/days';
import { PILLARS, type Pillar } from './pillarNames';
import type { PlanFor } from './planFor';
import { altissimoS } from './lasts';

const OF_STAGE: Readonly<Partial<Record<Stage, Pillar>>> = {
  overtones: 'overtones',
  longTones: 'tones',
  swells: 'tones',
  descents: 'descents',
  lowRegister: 'low',
  altissimo: 'altissimo',
};

/** The one pillar that a family stands for; undefined for what tunes, measures, warms up or is music. */
export function pillarOf({ stage, teaching }: Pick<Family, 'stage' | 'teaching'>): Pillar | undefined {
  return ['tune', 'measure'].includes(teaching.planned?.slot ?? '') ? undefined : OF_STAGE[stage];
}

/** Days over which shares are told. */
const DAYS = 28;
/** How much of the practice each pillar has, by plan; what altissimo has not, overtones have. Our choice above the least of 7 and 12 %. */
const WANTED: Readonly<Record<Pillar, number>> = {
  overtones: 0.16,
  tones: 0.16,
  descents: 0.24,
  low: 0.12,
  altissimo: 0.1,
};
/** A pillar that was away for two lessons is wanted before all others, the longer the more. */
const GAP_LESSONS = 2;

/** The pillar of an exercise: what sounds altissimo is altissimo, whatever its family is for. */
export function pillarOfExercise(exercise: ExerciseParameters): Pillar | undefined {
  const own = pillarOf(familyById(exercise.family));
  return own === 'tones' && altissimoS(exercise) > 0 ? 'altissimo' : own;
}

/**
 * How much each pillar is missed: its wanted share less the share that it had in four weeks and has in the lesson so far, and more
 * where it was away too long; largest first.
 *
 * @param lesson what stands in the lesson so far, with the seconds that it sounds
 */
export function pillarsMissed(
  { recent, day }: Pick<PlanFor, 'recent' | 'day'>,
  altissimoDue: boolean,
  lesson: readonly { readonly exercise: ExerciseParameters; readonly soundsS: number }[],
): readonly Pillar[] {
  const lately = recent.filter((take) => dayNumber(day) - dayNumber(take.day) <= DAYS);
  const days = [...new Set(lately.map((take) => take.day))].sort();
  const s = new Map<Pillar, number>();
  const last = new Map<Pillar, string>();
  let all = 0;
  const count = (exercise: ExerciseParameters, soundsS: number, on: string) => {
    all += soundsS;
    const pillar = pillarOfExercise(exercise);
    if (!pillar) return;
    s.set(pillar, (s.get(pillar) ?? 0) + soundsS);
    if (on > (last.get(pillar) ?? '')) last.set(pillar, on);
  };
  for (const take of lately) count(take.parameters, take.lastsS, take.day);
  for (const { exercise, soundsS } of lesson) count(exercise, soundsS, day);
  const missed = (pillar: Pillar) => {
    const wanted = WANTED[pillar] + (pillar === 'overtones' && !altissimoDue ? WANTED.altissimo : 0);
    const away = last.get(pillar) === day ? 0 : days.filter((one) => one > (last.get(pillar) ?? '')).length;
    return (
      (wanted - (all > 0 ? (s.get(pillar) ?? 0) / all : 0)) / wanted + (away >= GAP_LESSONS ? away / GAP_LESSONS : 0)
    );
  };
  return PILLARS.filter((pillar) => pillar !== 'altissimo' || altissimoDue).toSorted((a, b) => missed(b) - missed(a));
}
