import { freePlay } from '@inner-hum/core/families';
import {
  blockS,
  dueRoutines,
  hornMap,
  levelNow,
  MINUTES,
  ownSources,
  planSession,
  routineBlocks,
  withRoutines,
  type Digest,
  type PlanFor,
  type Routine,
  type SessionBlock,
} from '@inner-hum/core/plan';
import { subDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { database } from '../../db/database';
import { useCells } from '../../shared/useCells';
import { useAppSelector } from '../../store';
import { dayOf } from '../../base/days';
import { useHorn } from '../../store/useHorn';

export const LOOKED_BACK_DAYS = 56;

/** Digests of the last eight weeks, all horns; undefined while they are read. */
export function useRecent(): readonly Digest[] | undefined {
  return useLiveQuery(() =>
    database.digests.where('startedAtMs').above(subDays(new Date(), LOOKED_BACK_DAYS).getTime()).toArray(),
  );
}

/** What today's session is planned from, and the session as it would be; undefined while it is read. */
export function usePlan(
  recent: readonly Digest[] | undefined,
): { readonly from: PlanFor; readonly blocks: readonly SessionBlock[] } | undefined {
  const { instrumentId, minutes, style, level, goals, quietHours, routines } = useAppSelector(
    (state) => state.settings,
  );
  const { hornId } = useHorn();
  const cells = useCells();
  const everPlayed = useLiveQuery(playedFamilies, []);
  return useMemo(() => {
    if (!cells || !recent || !everPlayed) return undefined;
    const now = new Date();
    const ownTakes = recent.filter((digest) => digest.setup.instrumentId === instrumentId);
    const from: PlanFor = {
      instrumentId: hornId,
      minutes,
      style,
      goals,
      notes: hornMap(cells),
      sources: ownSources(cells),
      level: levelNow(
        level,
        ownTakes.filter((digest) => digest.family !== freePlay.id),
      ),
      recent: ownTakes,
      everPlayed,
      quiet: isQuiet(now, quietHours),
      nowMs: now.getTime(),
      day: dayOf(now),
    };
    return { from, blocks: sessionWith(dueRoutines(routines, (now.getDay() + 6) % 7), from) };
  }, [cells, recent, everPlayed, instrumentId, hornId, minutes, style, level, goals, quietHours, routines]);
}

/** Families that were ever played, on any horn. */
async function playedFamilies(): Promise<ReadonlySet<string>> {
  const tags = await database.digests.where('tags').startsWith(FAMILY_TAG).uniqueKeys();
  return new Set(tags.map((tag) => String(tag).slice(FAMILY_TAG.length)));
}
const FAMILY_TAG = 'family:';

/** The session with what has to be played in it first; only the time that is left is planned. */
function sessionWith(due: readonly Routine[], from: PlanFor): SessionBlock[] {
  const set = due.flatMap((routine) => routineBlocks(routine, from.instrumentId));
  const left = from.minutes - Math.round(set.reduce((sum, block) => sum + blockS(block), 0) / 60);
  return set.length === 0
    ? planSession(from)
    : withRoutines(set, left >= MINUTES.min ? planSession({ ...from, minutes: left }) : []);
}

/** Whether a moment lies in the quiet hours, which may run past midnight. */
export function isQuiet(now: Date, hours: { readonly from: string; readonly to: string } | null): boolean {
  if (!hours) return false;
  const time = `${String(now.getHours()).padStart(2, '0')}:${String(now.getMinutes()).padStart(2, '0')}`;
  return hours.from <= hours.to ? time >= hours.from && time < hours.to : time >= hours.from || time < hours.to;
}
