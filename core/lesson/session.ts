import type { ExerciseParameters } from '@inner-hum/core/exercise';
import type { GoalKind } from '@inner-hum/core/families';
import type { LoudnessBand } from '@inner-hum/core/measure';
import type { NeedReason } from '../map/needs';
import type { Theme } from './aims';
import type { Pillar } from './pillarNames';

/** A session is planned for so many minutes. */
export const MINUTES = { min: 5, max: 90 } as const;

/** Why something is in a session. */
export type Reason =
  /** a note is outside its limit; `of`: of how many starts, where it is about those; `theme`: the week is about it */
  | {
      readonly kind: NeedReason;
      readonly midi: number;
      readonly value: number;
      readonly of?: number;
      readonly band?: LoudnessBand;
      readonly theme?: boolean;
      /** of a target: which day of work on it this is, on how many before it the first try was inside, whether its note is inside now */
      readonly target?: { readonly day: number; readonly inside: number; readonly isIn?: boolean };
    }
  /** one of the kinds of work that the program is for: none goes for weeks without it */
  | { readonly kind: 'pillar'; readonly midi: number; readonly pillar: Pillar }
  /** a tone where nothing wants work, three notes that were not heard for long, a tune about a note */
  | { readonly kind: 'plain' | 'look' | 'tuneAbout'; readonly midi: number }
  /** was matched to its overtone last time, and is played cold */
  | { readonly kind: 'cold'; readonly midi: number }
  /** was secure for so many days, and is looked at again */
  | { readonly kind: 'back'; readonly midi: number; readonly days: number }
  | { readonly kind: 'goal'; readonly midi: number; readonly daysLeft: number; readonly goal: GoalKind }
  | { readonly kind: 'seam'; readonly midi: number; readonly upper: number }
  /** the overtone that is learnt now, with its last tries */
  | {
      readonly kind: 'overtone';
      readonly midi: number;
      readonly partial: number;
      readonly got?: number;
      readonly of?: number;
      readonly growing?: boolean;
    }
  /** the first days on a horn */
  | { readonly kind: 'start'; readonly midi: number }
  /** never played before */
  | { readonly kind: 'new'; readonly midi: number }
  /** new some days ago, and comes back so that it stays */
  | { readonly kind: 'settles'; readonly midi: number; readonly days: number }
  /** keeps or uses something while the week is about something else */
  | { readonly kind: 'keeps' | 'music'; readonly midi: number; readonly about?: Theme }
  /** tuning first: by how much the whole horn is out, cents, where it is */
  | { readonly kind: 'tune'; readonly midi: number; readonly cents?: number }
  /** after a break in practice, or tired: what is easy */
  | { readonly kind: 'easy'; readonly midi: number }
  /** set in a routine */
  | { readonly kind: 'routine'; readonly midi: number; readonly name: string }
  /** the low end is woken, with what a note there wants; what is known of the horn is measured */
  | { readonly kind: 'warmUp' | 'firstMap' | 'again'; readonly midi: number }
  /** in sessions that an older version planned */
  | { readonly kind: 'anchor' | 'break' | 'long' | 'kept' | 'zone' | 'readies'; readonly midi: number }
  | { readonly kind: 'round'; readonly midi: number; readonly days?: number }
  | { readonly kind: 'stale' | 'unmeasured'; readonly midi: number; readonly value?: number };

/** All kinds of reasons that a stored session may have. */
export const REASON_KINDS = Object.keys({
  ...{ failing: 0, response: 0, pitch: 0, slope: 0, steadiness: 0, pillar: 0, plain: 0, look: 0, tuneAbout: 0 },
  ...{ cold: 0, back: 0, goal: 0, seam: 0, overtone: 0, start: 0, new: 0, settles: 0, keeps: 0, music: 0, tune: 0 },
  ...{ easy: 0, routine: 0, warmUp: 0, firstMap: 0, again: 0, anchor: 0, break: 0, long: 0, kept: 0, zone: 0 },
  ...{ readies: 0, round: 0, stale: 0, unmeasured: 0 },
} satisfies Readonly<Record<Reason['kind'], 0>>) as Reason['kind'][];

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
  /** played just as it was set: a verdict is told and changes nothing */
  readonly asWritten?: boolean;
  /** seconds that are left of a block that goes by the clock; its tries are then those that may fit */
  readonly leftS?: number;
}

/** How long a verdict is there to be read before what comes next, seconds. */
export const VERDICT_S = 6;
