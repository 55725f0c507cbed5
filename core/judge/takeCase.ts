import type { ExerciseParameters, Score } from '@inner-hum/core/exercise';
import type { Room } from '@inner-hum/core/families';
import type { Demand, GainControl, LostSound } from '@inner-hum/core/measure';
import type { LevelRuler } from '@inner-hum/core/theory';
import type { PastTake } from './acrossTakes';
import type { Decision } from './verdict';

/** What the judge is told of a take besides its measures. */
export interface TakeCase {
  readonly score: Score;
  readonly parameters: ExerciseParameters;
  readonly demand: Demand;
  /** the player's dynamics; only a measured ruler says whether p was p */
  readonly ruler?: LevelRuler;
  /** of sound that came from a microphone: what it did to the levels, how often it overloaded, above what it hears nothing, Hz, and what it lost */
  readonly device?: GainControl & {
    readonly clipped?: number;
    readonly bandHz?: number | undefined;
    readonly lost?: readonly LostSound[];
  };
  /** decisions of the takes of the same exercise just before, latest last */
  readonly before: readonly Decision[];
  /** earlier takes on this horn, oldest first */
  readonly past?: readonly PastTake[];
  /** when this take was played and on which reed; needed to look back */
  readonly now?: { readonly startedAtMs: number; readonly day: string; readonly reed: string };
  /** what bounds the next step */
  readonly bounds?: Room;
  /** whether the colour should stay one from soft to loud */
  readonly evenColour?: boolean;
}
