import { dayNumber } from '../history/days';
import type { Digest } from '../history/digest';

/** Why a player leaves a family out, as asked once. */
export const WHY_LEFT = ['tooHard', 'known', 'notWanted', 'noTime'] as const;
export type WhyLeft = (typeof WHY_LEFT)[number];

/** A family that was taken out of the day's plan by hand. */
export interface LeftOut {
  readonly family: string;
  /** the days on which it was, yyyy-mm-dd, ascending; each once */
  readonly days: readonly string[];
  /** why, once it was said, and the day of it */
  readonly why?: WhyLeft;
  readonly saidOn?: string;
}

/** Left out on so many days it is asked why. */
const ASKED_AFTER_DAYS = 3;
/** For so many days what is too hard, or known, is not planned. Our choice. */
const AWAY_DAYS: Readonly<Partial<Record<WhyLeft, number>>> = { tooHard: 14, known: 28 };

/** The list with a family that was taken out on a day. */
export function leftOutOn(list: readonly LeftOut[], family: string, day: string): LeftOut[] {
  const before = list.find((one) => one.family === family) ?? { family, days: [] };
  const days = before.days.includes(day) ? before.days : [...before.days, day].slice(-ASKED_AFTER_DAYS);
  return [...list.filter((one) => one.family !== family), { ...before, days }];
}

/** The family that is to be asked about now: left out on three days, not played since the first of them, and never asked about. */
export function askedAbout(
  list: readonly LeftOut[],
  recent: readonly Pick<Digest, 'family' | 'day'>[],
): string | undefined {
  return list.find(({ family, days, why }) => {
    const since = days.at(-ASKED_AFTER_DAYS);
    if (why !== undefined || since === undefined) return false;
    return !recent.some((take) => take.family === family && take.day > since);
  })?.family;
}

/** The list once a player has said why a family was left out. */
export function answered(list: readonly LeftOut[], family: string, why: WhyLeft, day: string): LeftOut[] {
  return list.map((one) => (one.family === family ? { ...one, why, saidOn: day } : one));
}

/** Families that are not planned on a day, since the player said so. */
export function notPlanned(list: readonly LeftOut[], day: string): ReadonlySet<string> {
  const away = list.filter(({ why, saidOn }) => {
    if (why === 'notWanted') return true;
    const days = why && AWAY_DAYS[why];
    return days !== undefined && saidOn !== undefined && dayNumber(day) - dayNumber(saidOn) < days;
  });
  return new Set(away.map(({ family }) => family));
}
