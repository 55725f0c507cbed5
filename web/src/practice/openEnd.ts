import { askedHz, beatSeconds, type Score } from '@inner-hum/core/exercise';
import { DEMAND_CENTS, HoldWatch } from '@inner-hum/core/measure';
import { HOP_S } from '@inner-hum/core/signal';
import type { DraftPlan } from '../db/database';
import type { LiveTrace } from '../input/liveTrace';
import { endingNow } from './badEnd';

/** Whether the take has all that was asked for: a tone without a set end is whole when the player ends it, once it was due. */
export function isWhole({ score }: Pick<DraftPlan, 'score'>, playedS: number): boolean {
  return endingNow() === 'score' || (endingNow() === 'stopped' && playedS > openFromBeat(score) * beatSeconds(score));
}

/** When the tone without a set end is due, beats; Infinity where there is none. */
export function openFromBeat({ steps }: Score): number {
  return steps.find(({ openEnd }) => openEnd)?.startBeat ?? Infinity;
}

/**
 * Looks at what has come in since it was asked last, and says once when the tone without a set end has stopped being good.
 *
 * @param fromS when that tone is due, seconds on the context's clock
 */
export function holdEnds(plan: Pick<DraftPlan, 'score' | 'setup'>, fromS: number): (trace: LiveTrace) => boolean {
  const step = plan.score.steps.find(({ openEnd }) => openEnd);
  if (!step) return () => false;
  const { a4Hz, demand } = plan.setup;
  const watch = new HoldWatch(askedHz(plan.score, step, a4Hz).targetHz, DEMAND_CENTS[demand]);
  let next = 0;
  return ({ count, f0Hz, startS }) => {
    if (startS === undefined) return false;
    for (; next < count; next++) {
      const atS = startS + next * HOP_S;
      if (atS >= fromS - EARLY_S && watch.hear(atS, f0Hz[next]!)) {
        next = count;
        return true;
      }
    }
    return false;
  };
}
/** A tone may come so long before it is due, seconds. */
const EARLY_S = 0.3;
