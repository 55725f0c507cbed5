import { breathShare, type Held } from '@inner-hum/core/families';
import { sizeOf, type HornId, type InstrumentId } from '@inner-hum/core/theory';
import type { Cell } from '../history/cells';
import type { Digest } from '../history/digest';
import { learntUpTo } from '../map/frontier';
import { longestHolds, type Holds } from '../history/holds';
import { ownSources } from '../map/ownSources';

/** What a doubler brings from other horns: it belongs to the player and not to a horn. */
export interface Elsewhere {
  /** the longest good tones on each other size */
  readonly holds: ReadonlyMap<InstrumentId, Holds>;
  /** the highest partial that is learnt on another horn; 1 for none */
  readonly partial: number;
}

/** What takes and cells of other horns tell of the player. */
export function elsewhereOf(digests: readonly Pick<Digest, 'setup' | 'holds'>[], cells: readonly Cell[]): Elsewhere {
  const sizes = [...new Set(digests.map(({ setup }) => setup.instrumentId))];
  const holds = new Map(
    sizes.map((size) => [
      size,
      longestHolds(digests.filter(({ setup }) => setup.instrumentId === size).flatMap((digest) => digest.holds)),
    ]),
  );
  const played = [...new Set(cells.map(({ instrumentId }) => instrumentId))];
  const partials = played.map((id) => learntUpTo(ownSources(cells.filter((cell) => cell.instrumentId === id))));
  return { holds, partial: Math.max(1, ...partials) };
}

/**
 * The longest good tones of a horn, with what other horns tell where it tells nothing yet: as much of a breath as the sizes
 * take of it, and only as a lower bound.
 */
export function withHoldsElsewhere(own: Holds, { holds }: Elsewhere, hornId: HornId): Holds {
  const found = new Map(own);
  for (const [size, theirs] of holds)
    for (const [cell, { holdS }] of theirs) {
      if (own.has(cell)) continue;
      const here: Held = { holdS: holdS * breathShare(size, sizeOf(hornId)), sure: false };
      if (here.holdS > (found.get(cell)?.holdS ?? 0)) found.set(cell, here);
    }
  return found;
}
