import { breathFit, type BreathFit, type Score } from '@inner-hum/core/exercise';
import type { Held } from '@inner-hum/core/families';
import { heldFor, longestHolds, type HeldTone, type Holds } from '@inner-hum/core/history';
import { sizeOf, type InstrumentId } from '@inner-hum/core/theory';
import { subDays } from 'date-fns';
import { database } from '../../db/database';
import { useKeyed } from '../stored/useKeyed';

const LATELY_DAYS = 60;

/** What the player has held where a score asks for breath, and how its longest breath goes with that. */
export type OwnBreath = Held & { readonly fit: BreathFit };

/** The player's longest good tones on this size of horn. */
function useHolds(instrumentId: InstrumentId): Holds | undefined {
  return useKeyed(instrumentId, async () => {
    const tones: HeldTone[] = [];
    await database.digests
      .where('startedAtMs')
      .above(subDays(new Date(), LATELY_DAYS).getTime())
      .each(({ setup, holds }) => void (setup.instrumentId === instrumentId && tones.push(...holds)));
    return longestHolds(tones);
  });
}

/** How the longest breath of a score goes with the player's own hold there; undefined until one was measured. */
export function useBreathFit(score: Score): OwnBreath | undefined {
  const holds = useHolds(sizeOf(score.instrumentId));
  const held = holds && heldFor(score, holds);
  return held && { ...held, fit: breathFit(score, held.holdS) };
}
