import { sizeOf } from '@inner-hum/core/theory';
import { dayNumber, weekNumber } from '../history/days';
import type { PlanFor } from './planFor';
import { daysOf, type DayOfTakes } from '../history/progress';
import type { Goal } from './aims';
import { MINUTES } from './session';
import { tires } from '../history/tiring';

/** How much a day asks for, and why it is not the usual. */
export interface Load {
  readonly kind: 'usual' | 'rest' | 'second' | 'light' | 'taper' | 'goalDay' | 'dayAfter' | 'tired' | 'away';
  readonly minutes: number;
  /** the minutes of a usual day, which targets are taken up for; those of the plan when left out */
  readonly usualMinutes?: number;
  /** nothing that is new to the player */
  readonly nothingNew: boolean;
  /** the goal that a taper, its day or the day after is about */
  readonly goal?: Goal;
  /** for how many days the player was away */
  readonly days?: number;
}

/** A season is so many weeks; these are light, and the last one is a taper. */
const SEASON_WEEKS = 12;
const LIGHT_WEEKS: ReadonlySet<number> = new Set([4, 8, 12]);
/** So much of the usual minutes is asked for. */
const SHARE = { light: 0.6, taper: 0.7, last: 0.4, dayAfter: 0.6, tired: 0.7, away: 0.6, second: 0.5 } as const;
/** Before a goal the load goes down over so many days, and further over the last. */
const TAPER_DAYS = { all: 7, last: 2 } as const;
/** The day itself is a warm-up and one try, minutes. */
const GOAL_DAY_MIN = 8;
/** From so many days without practice on it is taken up gently, for so many sessions; from the second number on measured anew. */
const AWAY_DAYS = { gently: 7, anew: 21 } as const;
const GENTLE_SESSIONS = 2;
/** After so many days in a row one is a rest. */
const DAYS_IN_A_ROW = 6;
/** A session counts as played from so much of its minutes on. */
const PLAYED_SHARE = 0.4;

/** Which week of a season of twelve a day is in, 1 to 12, and which season, from 0, since the first take. */
export function seasonWeek(firstDay: string, day: string): { readonly week: number; readonly season: number } {
  const weeks = Math.max(0, weekNumber(day) - weekNumber(firstDay));
  return { week: 1 + (weeks % SEASON_WEEKS), season: Math.floor(weeks / SEASON_WEEKS) };
}

/** Whether a week of the season is for measuring again, with less to do and nothing new. */
export function isLightWeek({ firstDay, day }: Pick<PlanFor, 'firstDay' | 'day'>): boolean {
  return firstDay !== undefined && LIGHT_WEEKS.has(seasonWeek(firstDay, day).week);
}

/** How much today asks for of the minutes that there are. Body before goal, goal before the course of the season. */
export function loadToday(plan: PlanFor): Load {
  const { minutes, day, recent } = plan;
  const all = daysOf(recent);
  const before = all.filter((one) => one.day < day);
  const of = (kind: Load['kind'], share: number, more: Partial<Load> = {}): Load => ({
    kind,
    minutes: Math.max(MINUTES.min, Math.round(share * minutes)),
    usualMinutes: minutes,
    nothingNew: true,
    ...more,
  });
  const goal = nextGoal(plan);
  const left = goal && dayNumber(goal.by) - dayNumber(day);
  if (goal && left === 0) return { ...of('goalDay', 1, { goal }), minutes: Math.min(minutes, GOAL_DAY_MIN) };
  const today = all.find((one) => one.day === day);
  if (today && playedMin(today) >= PLAYED_SHARE * minutes) return of('second', SHARE.second);
  const away = awayDays(before, day);
  if (away !== undefined) return of('away', SHARE.away, { days: away });
  if (restIsDue(before, day)) return { ...of('rest', 0), minutes: 0 };
  if (tires(before)) return of('tired', SHARE.tired);
  if (goal && left !== undefined && left <= TAPER_DAYS.all)
    return of('taper', left <= TAPER_DAYS.last ? SHARE.last : SHARE.taper, { goal });
  const over = ofHorn(plan).find((one) => dayNumber(day) - dayNumber(one.by) === 1);
  if (over) return of('dayAfter', SHARE.dayAfter, { goal: over });
  if (isLightWeek(plan)) return of('light', SHARE.light);
  return { kind: 'usual', minutes, usualMinutes: minutes, nothingNew: false };
}

/** The goal on this size of horn whose day comes next. */
export function nextGoal(
  plan: Pick<PlanFor, 'goals' | 'instrumentId' | 'day'>,
  wanted: (goal: Goal) => boolean = () => true,
): Goal | undefined {
  const ahead = ofHorn(plan).filter((goal) => goal.by >= plan.day && wanted(goal));
  return ahead.reduce<Goal | undefined>((next, goal) => (next && next.by <= goal.by ? next : goal), undefined);
}

const ofHorn = ({ goals, instrumentId }: Pick<PlanFor, 'goals' | 'instrumentId'>): readonly Goal[] =>
  goals.filter((goal) => goal.instrumentId === sizeOf(instrumentId));

/** For how many days a player was away, while it is taken up gently again: the first sessions after it. */
function awayDays(days: readonly DayOfTakes[], day: string): number | undefined {
  const dates = [...days.map((one) => one.day), day];
  for (let i = dates.length - 1; i > 0 && dates.length - 1 - i < GENTLE_SESSIONS; i--) {
    const gap = dayNumber(dates[i]!) - dayNumber(dates[i - 1]!);
    if (gap > AWAY_DAYS.gently) return gap;
  }
  return undefined;
}

/** Whether a player comes back after so long that the horn is surveyed anew. */
export function surveyAfterAway({ recent, day }: Pick<PlanFor, 'recent' | 'day'>): boolean {
  const last = daysOf(recent).findLast((one) => one.day < day);
  return last !== undefined && dayNumber(day) - dayNumber(last.day) > AWAY_DAYS.anew;
}

function restIsDue(days: readonly DayOfTakes[], day: string): boolean {
  const played = new Set(days.map((one) => dayNumber(one.day)));
  return Array.from({ length: DAYS_IN_A_ROW }, (_, i) => dayNumber(day) - 1 - i).every((number) => played.has(number));
}

/** What sounded of a day, with its rests about: a take is about half of the time that it takes. */
function playedMin({ takes }: DayOfTakes): number {
  return (2 * takes.reduce((sum, { lastsS }) => sum + lastsS, 0)) / 60;
}
