import { beatSeconds, type Score } from '@inner-hum/core/exercise';
import type { DraftPlan } from '../db/database';
import { endingNow } from './badEnd';

/** Whether the take has all that was asked for: a tone without a set end is whole when the player ends it, once it was due. */
export function isWhole({ score }: Pick<DraftPlan, 'score'>, playedS: number): boolean {
  return endingNow() === 'score' || (endingNow() === 'stopped' && playedS > openFromBeat(score) * beatSeconds(score));
}

/** When the tone without a set end is due, beats; Infinity where there is none. */
export function openFromBeat({ steps }: Score): number {
  return steps.find(({ openEnd }) => openEnd)?.startBeat ?? Infinity;
}
