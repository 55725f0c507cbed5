import { breathFit, type BreathFit, type Score } from '@inner-hum/core/exercise';
import { isLoud } from '@inner-hum/core/plan';
import { zoneOf } from '@inner-hum/core/theory';
import { subDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { database } from '../db/database';

const LATELY_DAYS = 60;

/** The player's longest good tones on this horn, seconds, by note zone and soft or loud. */
function useHolds(instrumentId: string): ReadonlyMap<string, number> | undefined {
  return useLiveQuery(async () => {
    const found = new Map<string, number>();
    await database.digests
      .where('startedAtMs')
      .above(subDays(new Date(), LATELY_DAYS).getTime())
      .each(({ setup, holds }) => {
        if (setup.instrumentId !== instrumentId) return;
        for (const { midi, loud, holdS } of holds) {
          const cell = cellOf(midi, loud);
          found.set(cell, Math.max(found.get(cell) ?? 0, holdS));
        }
      });
    return found;
  }, [instrumentId]);
}

/** How the longest breath of a score goes with the player's own hold there; undefined until one was measured. */
export function useBreathFit(score: Score): { readonly holdS: number; readonly fit: BreathFit } | undefined {
  const holds = useHolds(score.instrumentId);
  const held = score.steps.flatMap((step) => holds?.get(cellOf(step.soundedMidi, isLoud(step))) ?? []);
  if (held.length === 0) return undefined;
  // The part that takes the most air decides.
  const holdS = Math.min(...held);
  return holdS > 0 ? { holdS, fit: breathFit(score, holdS) } : undefined;
}

function cellOf(midi: number, loud: boolean): string {
  return `${zoneOf(midi)} ${loud ? 'loud' : 'soft'}`;
}
