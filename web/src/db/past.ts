import { sizeOf } from '@inner-hum/core/theory';
import { heldFor, isDigest, longestHolds, pastTakeOf, type Digest } from '@inner-hum/core/history';
import type { Held } from '@inner-hum/core/families';
import type { PastTake } from '@inner-hum/core/judge';
import type { Score } from '@inner-hum/core/exercise';
import { subDays } from 'date-fns';
import { database } from './database';

/** How many of the newest takes are looked back on. */
const MOST = 120;
/** Breath is that of the last weeks. */
const LATELY_DAYS = 60;

/** What came before a take: earlier takes on its horn, oldest first, and the longest good tone where it asks for breath. */
export interface Before {
  readonly past: readonly PastTake[];
  readonly held: Held | undefined;
}

/** Looks back before a take is judged, from now or from when it was played. Looking back is a help: where it can't be read, the take is judged by itself. */
export async function lookBack(score: Score, beforeMs = Date.now()): Promise<Before> {
  try {
    const size = sizeOf(score.instrumentId);
    const digests: Digest[] = [];
    await database.digests
      .where('startedAtMs')
      .below(beforeMs)
      .reverse()
      .limit(MOST)
      .each((digest) => {
        if (isDigest(digest) && digest.setup.instrumentId === size) digests.unshift(digest);
      });
    const since = subDays(beforeMs, LATELY_DAYS).getTime();
    const lately = digests.filter((digest) => digest.startedAtMs >= since);
    const held = heldFor(score, longestHolds(lately.flatMap((digest) => digest.holds)));
    return { past: digests.map(pastTakeOf), held };
  } catch {
    return { past: [], held: undefined };
  }
}
