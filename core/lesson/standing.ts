import { exerciseKey, familyById, LEVELS, type Family } from '@inner-hum/core/families';
import { instrumentById, zoneOf, type Horn } from '@inner-hum/core/theory';
import { dayNumber } from '../history/days';
import type { Digest } from '../history/digest';
import { withHoldsElsewhere } from './elsewhere';
import { altissimoReady, frontier, stubbornTwelfth } from '../map/frontier';
import { longestHolds, type Holds } from '../history/holds';
import { hornOffset } from '../map/hornOrReed';
import { needGroups, needs, type Need, type NeedGroup } from '../map/needs';
import type { PlanFor } from './planFor';
import { knownBy } from './practices';
import { daysOf, familyProgress, hasSettled, type DayOfTakes, type FamilyProgress } from '../history/progress';
import type { Theme } from './aims';
import { themeOf } from './theme';
import { lateOf, tiredLately, tires, wasTiring } from '../history/tiring';

/** Where a player stands: all that a session is decided from, derived once from what was played. */
export interface Standing {
  readonly horn: Horn;
  readonly theme: Theme;
  readonly groups: readonly NeedGroup[];
  readonly needs: readonly Need[];
  /** the takes of an exercise, oldest first, by its key */
  readonly tries: (key: string) => readonly Digest[];
  /** the keys of all exercises that were played */
  readonly keys: () => readonly string[];
  /** days of practice before today, oldest first */
  readonly days: readonly DayOfTakes[];
  readonly progress: ReadonlyMap<string, FamilyProgress>;
  readonly holds: Holds;
  readonly frontier: { readonly tubeMidi: number; readonly partial: number };
  readonly stubbornTwelfth: number | undefined;
  readonly altissimoReady: boolean;
  readonly tires: boolean;
  readonly tiredLately: boolean;
  /** a player who is new to it, in the first two weeks */
  readonly newcomer: boolean;
  /** whether D5 was held right often enough to slur over the break to it */
  readonly crossesBreak: boolean;
  /** whether overtones may come: of who is new to it only once the lowest tubes speak by themselves */
  readonly mayOvertones: boolean;
  /** whether a family is the player's own already, and not to be counted as new */
  readonly knows: (family: Pick<Family, 'id'>) => boolean;
}

/** For so long a beginner stays in the middle of the horn, days. */
export const NEWCOMER_DAYS = 14;
/** One of the lowest tubes, written up to C♯4, once spoke in three of four tries in a row. */
const LOW_TUBES = { upTo: 61, right: 3, of: 4 } as const;
/** D5 was held right in three of the last four tries. */
const BREAK = { midi: 74, right: 3, of: 4 } as const;

export function standingOf(plan: PlanFor): Standing {
  const { recent, day, level, sources, notes, instrumentId, firstDay = day } = plan;
  const horn = instrumentById(instrumentId);
  const days = daysOf(recent).filter((one) => one.day < day);
  const late = days.filter(wasTiring).flatMap(({ takes }) => lateOf(takes).map(({ startedAtMs }) => startedAtMs));
  // Steps of a take are told a millisecond apart.
  const counts = (atMs: number) => !late.some((startedAtMs) => atMs >= startedAtMs && atMs < startedAtMs + 1000);
  const tuned = hornOffset(notes) === undefined;
  const wanted = needs(notes, instrumentId, counts).filter(({ reason }) => tuned || reason !== 'pitch');
  const byKey = new Map<string, Digest[]>();
  for (const digest of [...recent].sort((a, b) => a.startedAtMs - b.startedAtMs)) {
    const key = exerciseKey(digest.parameters);
    const own = byKey.get(key) ?? [];
    own.push(digest);
    byKey.set(key, own);
  }
  const progress = familyProgress(recent);
  const ticked = knownBy(plan.practices ?? []);
  const known = (id: string) => {
    const own = progress.get(id);
    // What no plan brings is the player's own.
    if (!familyById(id).teaching.planned) return true;
    // Played on another horn, or longer ago than is looked back on.
    return ticked.has(id) || (own ? hasSettled(own) : (plan.everPlayed?.has(id) ?? false));
  };
  const crossings = days
    .flatMap(({ takes }) => takes.flatMap(({ seen }) => seen))
    .filter(({ midi, tried, attack }) => midi === BREAK.midi && tried && attack !== 'slurred')
    .slice(-BREAK.of);
  const lowest = days
    .flatMap(({ takes }) => takes.flatMap(({ seen }) => seen))
    .filter(
      ({ midi, partial, tried, attack }) => midi <= LOW_TUBES.upTo && partial === 1 && tried && attack !== 'slurred',
    )
    .map(({ spoke }) => spoke);
  const holds = longestHolds(recent.flatMap((digest) => digest.holds));
  return {
    horn,
    theme: themeOf(plan),
    needs: wanted,
    groups: needGroups(wanted).filter(({ zone }) => zone !== 'altissimo'),
    days,
    tries: (key) => byKey.get(key) ?? [],
    keys: () => [...byKey.keys()],
    progress,
    holds: plan.elsewhere ? withHoldsElsewhere(holds, plan.elsewhere, instrumentId) : holds,
    frontier: frontier(sources, level, horn, plan.elsewhere?.partial),
    stubbornTwelfth: stubbornTwelfth(sources, horn),
    altissimoReady: altissimoReady(sources),
    tires: tires(days),
    tiredLately: tiredLately(days),
    newcomer: level === LEVELS[0] && dayNumber(day) - dayNumber(firstDay) < NEWCOMER_DAYS,
    crossesBreak: level !== LEVELS[0] || crossings.filter(({ spoke }) => spoke).length >= BREAK.right,
    mayOvertones:
      level !== LEVELS[0] ||
      ticked.has('overtoneLadder') ||
      // Once is enough: a tube that failed since is one of the things to work on.
      lowest.some((_, i) => lowest.slice(i, i + LOW_TUBES.of).filter(Boolean).length >= LOW_TUBES.right),
    knows: ({ id }) => known(id),
  };
}

/** Where a newcomer stays: written D4 to C6. */
export const NEWCOMER_RANGE = { from: 62, to: 84 } as const;
const USUAL = { low: 60, middle: 71, palm: 86 } as const;
const USUAL_AT_FIRST = { low: 62, middle: 71, palm: 81 } as const;

/** The weakest note of a zone that asks for something; a usual one where none does, or where a newcomer does not go yet. */
export function weakestOf(
  { needs: wanted, newcomer }: Pick<Standing, 'needs' | 'newcomer'>,
  zone: 'low' | 'middle' | 'palm',
): number {
  const { from, to } = NEWCOMER_RANGE;
  const own = wanted.find(({ midi }) => zoneOf(midi) === zone && (!newcomer || (midi >= from && midi <= to)));
  return own?.midi ?? (newcomer ? USUAL_AT_FIRST : USUAL)[zone];
}
