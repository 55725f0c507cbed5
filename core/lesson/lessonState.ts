import type { Load } from './load';
import type { PlanFor } from './planFor';
import { NEWCOMER_RANGE, type Standing } from './standing';
import { mostWants, targetsOf, type Target } from './targets';

/** What a lesson is decided from. */
export interface LessonState {
  readonly plan: PlanFor;
  readonly standing: Standing;
  readonly load: Load;
  /** the targets of a usual day, and how many of them are worked on at a time */
  readonly targets: readonly Target[];
}

export function stateOf(plan: PlanFor, standing: Standing, load: Load): LessonState {
  const { usualMinutes = plan.minutes } = load;
  return { plan, standing, load, targets: targetsOf({ ...plan, minutes: usualMinutes }) };
}

/** The targets that are worked on today: on a short day fewer than on a usual one. */
export const openOf = ({ plan, targets }: LessonState): readonly Target[] =>
  targets.filter(({ state }) => state === 'open').slice(0, mostWants(plan.minutes));

/** Where a player plays now: a newcomer in the middle of the horn. */
export const rangeOf = ({ newcomer, horn }: Standing) =>
  newcomer ? NEWCOMER_RANGE : { from: horn.lowestWrittenMidi, to: horn.highestKeyedWrittenMidi };
