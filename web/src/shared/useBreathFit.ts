import { beatSeconds, breathFit, type BreathFit, type Score } from '@inner-hum/core/exercise';
import { valueOf } from '@inner-hum/core/measure';
import { dynamicPosition, zoneOf } from '@inner-hum/core/theory';
import { subDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { database } from '../db/database';

const LATELY_DAYS = 60;
/** Loudness above this place on the ruler takes more air. */
const LOUD_FROM = 0.5;

/** The player's longest good tones on this horn, seconds, by note zone and soft or loud. */
function useHolds(instrumentId: string): ReadonlyMap<string, number> | undefined {
  return useLiveQuery(async () => {
    const since = subDays(new Date(), LATELY_DAYS).toISOString();
    const found = new Map<string, number>();
    await database.takes
      .where('startedAt')
      .above(since)
      .each((take) => {
        if (take.setup.instrumentId !== instrumentId) return;
        take.measures.forEach((step, i) => {
          const beats = step.kind === 'sounded' ? valueOf(step.hold.beats) : undefined;
          if (beats === undefined) return;
          const cell = cellOf(take.score.steps[i]!);
          found.set(cell, Math.max(found.get(cell) ?? 0, beats * beatSeconds(take.score)));
        });
      });
    return found;
  }, [instrumentId]);
}

/** How the longest breath of a score goes with the player's own hold there; undefined until one was measured. */
export function useBreathFit(score: Score): { readonly holdS: number; readonly fit: BreathFit } | undefined {
  const holds = useHolds(score.instrumentId);
  const held = score.steps.flatMap((step) => holds?.get(cellOf(step)) ?? []);
  if (held.length === 0) return undefined;
  // The part that takes the most air decides.
  const holdS = Math.min(...held);
  return holdS > 0 ? { holdS, fit: breathFit(score, holdS) } : undefined;
}

function cellOf({ soundedMidi, dynamics }: Score['steps'][number]): string {
  const loud = dynamics.some((point) => (point.position ?? dynamicPosition(point.dynamic)) > LOUD_FROM);
  return `${zoneOf(soundedMidi)} ${loud ? 'loud' : 'soft'}`;
}
