import type { Digest } from './digest';
import { dayNumber } from './days';

/** A new family comes back so many days after its first, each of them. */
const COMES_BACK_DAYS = [1, 3, 7] as const;
/** A family was too much on its first day when more of its takes than this broke. */
const FAILED_SHARE = 0.5;

type Take = Pick<Digest, 'day' | 'decision' | 'startedAtMs'>;

/** How far a family has become the player's own. */
export interface FamilyProgress {
  readonly firstDay: string;
  /** the days on which it was played, ascending */
  readonly days: readonly string[];
  /** whether most takes of its first day broke */
  readonly failedFirst: boolean;
}

/** The progress of each family that was played, by its id. */
export function familyProgress(takes: readonly (Take & Pick<Digest, 'family'>)[]): Map<string, FamilyProgress> {
  const byFamily = new Map<string, Take[]>();
  for (const take of takes) {
    const own = byFamily.get(take.family) ?? [];
    own.push(take);
    byFamily.set(take.family, own);
  }
  return new Map(
    [...byFamily].map(([family, own]) => {
      const days = [...new Set(own.map(({ day }) => day))].sort();
      const first = own.filter(({ day }) => day === days[0]);
      const broke = first.filter(({ decision }) => decision === 'easier' || decision === 'leave').length;
      return [family, { firstDay: days[0]!, days, failedFirst: broke > FAILED_SHARE * first.length }];
    }),
  );
}

/** Whether a new family has come back as often as it should. */
export function hasSettled({ days }: FamilyProgress): boolean {
  return days.length > COMES_BACK_DAYS.length;
}

/** Whether a new family is due again on a day: one, three and seven days after its first. */
export function isDue({ firstDay, days }: FamilyProgress, day: string): boolean {
  const back = COMES_BACK_DAYS[days.length - 1];
  return back !== undefined && dayNumber(day) >= dayNumber(firstDay) + back;
}

/** Takes of one day, in order. */
export interface DayOfTakes {
  readonly day: string;
  readonly takes: readonly Digest[];
}

/** Takes by day, oldest first. */
export function daysOf(takes: readonly Digest[]): DayOfTakes[] {
  const days = new Map<string, Digest[]>();
  for (const take of [...takes].sort((a, b) => a.startedAtMs - b.startedAtMs))
    days.set(take.day, [...(days.get(take.day) ?? []), take]);
  return [...days].map(([day, own]) => ({ day, takes: own })).sort((a, b) => (a.day < b.day ? -1 : 1));
}
