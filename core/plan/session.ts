import type { ExerciseParameters } from '@inner-hum/core/exercise';
import type { GoalKind } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { LoudnessBand } from '@inner-hum/core/measure';
import type { NeedReason } from './needs';

/** Why something is in a session. */
export type Reason =
  | { readonly kind: NeedReason; readonly midi: number; readonly value: number; readonly band?: LoudnessBand }
  | { readonly kind: 'goal'; readonly midi: number; readonly daysLeft: number; readonly goal: GoalKind }
  | { readonly kind: 'seam'; readonly midi: number; readonly upper: number }
  | { readonly kind: 'overtone'; readonly midi: number; readonly partial: number; readonly percent?: number }
  /** comes round: nothing asks for it, and it was last played so many days ago; without days it was never played */
  | { readonly kind: 'round'; readonly midi: number; readonly days?: number }
  /** the same, longer ago than is looked back on */
  | { readonly kind: 'long'; readonly midi: number }
  /** set in a routine */
  | { readonly kind: 'routine'; readonly midi: number; readonly name: string }
  | { readonly kind: 'warmUp' | 'firstMap' | 'kept'; readonly midi: number }
  /** in sessions that an older version planned */
  | { readonly kind: 'anchor' | 'break'; readonly midi: number };

export interface Goal {
  readonly kind: GoalKind;
  readonly instrumentId: string;
  readonly midi: number;
  /** the day it is wanted, yyyy-mm-dd */
  readonly by: string;
}

/** One exercise of a session, played so many times, with its rests. */
export interface SessionBlock {
  readonly exercise: ExerciseParameters;
  readonly tries: number;
  /** rest between two tries, seconds */
  readonly betweenS?: number;
  /** rest after the last try, seconds */
  readonly restS: number;
  readonly reason: Reason;
  /** what whoever set it wants minded */
  readonly remark?: string;
}

/** How long a verdict is there to be read before what comes next, seconds. */
export const VERDICT_S = 6;

/** What a take of a session told, for {@link adapted}. */
export interface Outcome {
  readonly decision: Decision;
  readonly next: Readonly<Record<string, number | string | boolean>>;
}

/**
 * The rest of a session after a take of its first block: one try less; the tries that follow are made easier or harder as
 * the judge says; left for today, the block goes and its tries go to the next one.
 */
export function adapted(rest: readonly SessionBlock[], { decision, next }: Outcome): SessionBlock[] {
  const [block, ...others] = rest;
  if (!block) return [];
  if (decision !== 'leave') {
    const exercise: ExerciseParameters = { ...block.exercise, ...next };
    return block.tries > 1 ? [{ ...block, exercise, tries: block.tries - 1 }, ...others] : others;
  }
  const [following, ...later] = others;
  return following ? [{ ...following, tries: following.tries + block.tries - 1 }, ...later] : [];
}
