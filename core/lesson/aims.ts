import type { ExerciseParameters } from '@inner-hum/core/exercise';
import type { GoalKind } from '@inner-hum/core/families';
import type { LoudnessBand } from '@inner-hum/core/measure';
import type { Zone } from '@inner-hum/core/theory';
import type { NeedReason } from '../map/needs';

/** What a player works towards, by a day. */
export interface Goal {
  readonly kind: GoalKind;
  readonly instrumentId: string;
  readonly midi: number;
  /** the day it is wanted, yyyy-mm-dd */
  readonly by: string;
  /** the day on which it was set, yyyy-mm-dd; goals of older versions don't say it */
  readonly since?: string | undefined;
  /** which partial, where it is about one; `midi` is its tube then */
  readonly partial?: number | undefined;
  /** the passage at the tempo that is wanted, where it is about one; `midi` is its first note then */
  readonly exercise?: ExerciseParameters | undefined;
}

/** What a week is about. */
export type Theme =
  /** getting to know the horn: nothing is known yet */
  | { readonly kind: 'start' }
  /** a light week: what was measured at its beginning is measured again */
  | { readonly kind: 'measure' }
  | {
      readonly kind: 'need';
      readonly reason: NeedReason;
      readonly zone: Zone;
      readonly sign: -1 | 0 | 1;
      readonly band?: LoudnessBand;
      /** its notes, the largest want first */
      readonly midis: readonly number[];
    }
  | { readonly kind: 'goal'; readonly goal: GoalKind; readonly midi: number }
  | { readonly kind: 'zone'; readonly zone: Zone; readonly midis: readonly number[] };
