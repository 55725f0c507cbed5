import { breathBudget } from './breathBudget';
import { beatSeconds, TEMPO_RANGE_BPM, type Score } from './score';

/** Share of the breath that is kept back. */
const RESERVE = 0.15;

/** How a score's longest breath goes with what the player can hold. */
export interface BreathFit {
  readonly fits: 'withReserve' | 'just' | 'not';
  /** slowest tempo at which it just fits, beats a minute, rounded up */
  readonly justBpm: number;
  /** the same with 15 % of the breath kept back */
  readonly reserveBpm: number;
  /** false when even the fastest tempo is too slow */
  readonly possible: boolean;
}

/**
 * The tempo at which the longest breath of a score lasts: beats × 60 ÷ seconds held.
 * @param holdS the player's measured hold, seconds
 * @throws RangeError when that is not above zero
 */
export function breathFit(score: Score, holdS: number): BreathFit {
  if (!(holdS > 0)) throw new RangeError(`holdS must be above 0, got ${holdS}`);
  const { longestBreathS } = breathBudget(score);
  const beats = longestBreathS / beatSeconds(score);
  // A hair of rounding must not cost a whole beat a minute.
  const tempoFor = (seconds: number) => Math.ceil((beats * 60) / seconds - 1e-9);
  const kept = holdS * (1 - RESERVE);
  const justBpm = tempoFor(holdS);
  return {
    fits: longestBreathS <= kept + 1e-9 ? 'withReserve' : longestBreathS <= holdS + 1e-9 ? 'just' : 'not',
    justBpm,
    reserveBpm: tempoFor(kept),
    possible: justBpm <= TEMPO_RANGE_BPM.max,
  };
}
