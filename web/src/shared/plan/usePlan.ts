import { isFree } from '@inner-hum/core/families';
import { levelNow, type Cell, type Digest } from '@inner-hum/core/history';
import {
  blockS,
  dueRoutines,
  elsewhereOf,
  loadToday,
  MINUTES,
  notPlanned,
  planSession,
  routineBlocks,
  withRoutines,
  type Load,
  type PlanFor,
  type Routine,
  type SessionBlock,
} from '@inner-hum/core/lesson';
import { ownSources } from '@inner-hum/core/map';
import { subDays } from 'date-fns';
import { lruMemoize } from '@reduxjs/toolkit';
import { useMemo } from 'react';
import { useDay } from '../page/useDay';
import { database } from '../../db/database';
import { useKept } from '../stored/useKept';
import { mapOf, useCells, useCellsElsewhere } from '../stored/useCells';
import { shallowEqual } from 'react-redux';
import { useAppSelector, type RootState } from '../../store';
import { useHorn } from '../../store/useHorn';

export const LOOKED_BACK_DAYS = 84;

/** Digests of the last twelve weeks, all horns; undefined while they are read. */
export function useRecent(): readonly Digest[] | undefined {
  return useKept('recent', useDay(), () =>
    database.digests.where('startedAtMs').above(subDays(new Date(), LOOKED_BACK_DAYS).getTime()).toArray(),
  );
}

/** What today is planned from, what it asks for, and the session as it would be. */
export interface PlannedToday {
  readonly from: PlanFor;
  readonly load: Load;
  readonly blocks: readonly SessionBlock[];
}

/**
 * Today as it is planned; undefined while it is read.
 *
 * @param anyway whether there is practice on a day of rest all the same
 */
export function usePlan(recent: readonly Digest[] | undefined, anyway: boolean): PlannedToday | undefined {
  const settings = useAppSelector(planned, shallowEqual);
  const { hornId } = useHorn();
  const cells = useCells();
  const ever = useKept('ever played', '', everPlayed);
  const others = useCellsElsewhere();
  const day = useDay();
  return useMemo(() => {
    if (!cells || !recent || !ever || !others) return undefined;
    return lastPlanned(settings, hornId, cells, others, recent, ever, day, quietNow(settings), anyway);
  }, [cells, others, recent, ever, anyway, hornId, settings, day]);
}

const quietNow = ({ quietHours }: Pick<ReturnType<typeof planned>, 'quietHours'>) => isQuiet(new Date(), quietHours);

/** The plan as it was last, while nothing that it is made from has changed: who comes back to Today finds it. */
const lastPlanned = lruMemoize(plannedFrom, { equalityCheck: shallowEqual });

function plannedFrom(
  settings: ReturnType<typeof planned>,
  hornId: PlanFor['instrumentId'],
  cells: readonly Cell[],
  others: readonly Cell[],
  recent: readonly Digest[],
  ever: EverPlayed,
  day: string,
  quiet: boolean,
  anyway: boolean,
): PlannedToday {
  const { instrumentId, minutes, style, level, practices, schools, goals, routines, weekMinutes, leftOut } = settings;
  const now = new Date();
  const weekday = (now.getDay() + 6) % 7;
  const ownTakes = recent.filter((digest) => digest.setup.instrumentId === instrumentId && !isFree(digest));
  const from: PlanFor = {
    instrumentId: hornId,
    ...{ minutes, style, practices, schools, goals },
    notes: mapOf(cells),
    sources: ownSources(cells),
    level: levelNow(level, ownTakes),
    recent: ownTakes,
    everPlayed: ever.families,
    ...(ever.firstDay !== undefined && { firstDay: ever.firstDay }),
    quiet,
    nowMs: now.getTime(),
    day,
    without: notPlanned(leftOut, day),
    elsewhere: elsewhereOf(
      recent.filter(({ setup }) => setup.instrumentId !== instrumentId),
      others,
    ),
  };
  const asked = loadToday(from);
  const rests = asked.kind === 'rest' || (weekMinutes[weekday] === 0 && asked.kind !== 'goalDay');
  const load: Load = !rests ? asked : { kind: 'rest', minutes: anyway ? minutes : 0, nothingNew: true };
  const due = dueRoutines(routines, weekday);
  return { from, load, blocks: load.minutes === 0 ? [] : sessionWith(due, { ...from, minutes: load.minutes }, load) };
}

/** The settings that a plan is made from. */
const planned = ({ settings }: RootState) => ({
  instrumentId: settings.instrumentId,
  minutes: settings.minutes,
  style: settings.style,
  level: settings.level,
  practices: settings.practices,
  schools: settings.schools,
  goals: settings.goals,
  quietHours: settings.quietHours,
  routines: settings.routines,
  weekMinutes: settings.weekMinutes,
  leftOut: settings.leftOut,
});

/** Families that were ever played, and the day of the first take, on any horn. */
interface EverPlayed {
  readonly families: ReadonlySet<string>;
  readonly firstDay: string | undefined;
}

async function everPlayed(): Promise<EverPlayed> {
  const tags = await database.digests.where('tags').startsWith(FAMILY_TAG).uniqueKeys();
  const first = await database.digests.orderBy('startedAtMs').first();
  return { families: new Set(tags.map((tag) => String(tag).slice(FAMILY_TAG.length))), firstDay: first?.day };
}
const FAMILY_TAG = 'family:';

/** The session with what has to be played in it first; only the time that is left is planned. */
function sessionWith(due: readonly Routine[], from: PlanFor, load: Load): SessionBlock[] {
  const set = due.flatMap((routine) => routineBlocks(routine, from.instrumentId));
  const left = from.minutes - Math.round(set.reduce((sum, block) => sum + blockS(block), 0) / 60);
  return set.length === 0
    ? planSession(from, load)
    : withRoutines(set, left >= MINUTES.min ? planSession({ ...from, minutes: left }, load) : []);
}

/** Whether a moment lies in the quiet hours, which may run past midnight. */
export function isQuiet(now: Date, hours: { readonly from: string; readonly to: string } | null): boolean {
  if (!hours) return false;
  const time = `${String(now.getHours()).padStart(2, '0')}:${String(now.getMinutes()).padStart(2, '0')}`;
  return hours.from <= hours.to ? time >= hours.from && time < hours.to : time >= hours.from || time < hours.to;
}
