import { LEVELS, type Level } from '@inner-hum/core/families';
import { limitOf } from '@inner-hum/core/measure';
import { zoneOf } from '@inner-hum/core/theory';
import { dayNumber } from '../history/days';
import type { Digest } from '../history/digest';
import type { Observation, Quantity } from '../history/observation';
import { daysOf, type DayOfTakes } from '../history/progress';
import { reedOrLeak } from '../map/hornOrReed';
import type { Need, NeedReason } from '../map/needs';
import { KnownNotes } from './knownNotes';
import { TOP_MIDI } from './made';
import type { PlanFor } from './planFor';
import { NEWCOMER_DAYS, NEWCOMER_RANGE } from './standing';
import { daysUntilNext, isSecureNow, isStuck, type TargetDay } from './targetDays';

/** Where a target stands: worked on; there, and coming back to be looked at; left alone for a while; until the reed is settled. */
export const TARGET_STATES = ['open', 'secure', 'rests', 'waits'] as const;
type TargetState = (typeof TARGET_STATES)[number];

/** What a player works on until it is there: one note, or neighbours that want the same, with one want. */
export interface Target {
  readonly key: string;
  readonly reason: NeedReason;
  /** written notes, the one that wants it most first */
  readonly midis: readonly number[];
  readonly need: Need;
  /** whether what is known of its note is outside the limit still */
  readonly isOut: boolean;
  /** the day on which it was taken up, yyyy-mm-dd */
  readonly since: string;
  readonly days: readonly TargetDay[];
  readonly state: TargetState;
  /** since when it is in its state, yyyy-mm-dd */
  readonly stateSince: string;
  /** how often it came back and was still there */
  readonly returns: number;
  /** how often it was left alone since nothing changed */
  readonly rests: number;
  /** lessons since it was taken up */
  readonly lessons: number;
}

/** How many there are at a time, by the minutes of a lesson. */
const MOST: readonly (readonly [number, number])[] = [
  [0, 1],
  [10, 2],
  [20, 3],
  [35, 4],
  [50, 5],
];
/** A run has three notes at most, none farther from the first than two semitones. */
const RUN = { notes: 3, apart: 2 } as const;

const QUANTITY_OF = {
  failing: undefined,
  response: 'responseS',
  pitch: 'pitchCentreCents',
  slope: 'pitchAgainstLevelCents',
  steadiness: 'pitchSteadinessCents',
} as const satisfies Readonly<Record<NeedReason, Quantity | undefined>>;

/** How many wants are worked on at a time in a lesson of that length, minutes; every third target is a step further, not a want. */
export function mostWants(minutes: number): number {
  const most = MOST.findLast(([from]) => minutes >= from)![1];
  return most - Math.floor(most / 3);
}

/**
 * A try of one of a target's notes: whether it is inside its limit, and how far out in limits; undefined where the try tells
 * nothing of it.
 */
export function tryOf(
  { reason, need, midis }: Pick<Target, 'reason' | 'need' | 'midis'>,
  one: Observation,
): { readonly inside: boolean; readonly size: number } | undefined {
  if (!midis.includes(one.midi) || one.partial > 1 || (need.band && one.band !== need.band)) return undefined;
  const quantity = QUANTITY_OF[reason];
  if (!quantity)
    return one.tried && one.attack !== 'slurred' ? { inside: one.spoke, size: Number(!one.spoke) } : undefined;
  const value = one.values[quantity];
  if (value === undefined) return undefined;
  const size = Math.abs(value) / limitOf(quantity, 'firm');
  return { inside: size <= 1, size };
}

/** What targets are taken up from on a morning. */
type Morning = ReturnType<KnownNotes['asked']> & {
  readonly day: string;
  /** the last days of practice */
  readonly lately: readonly DayOfTakes[];
};

/**
 * A player's targets as they stand on the morning of a day: replayed from the takes, day by day, so that they are the same
 * whenever they are asked for. Open ones come first, the largest want first.
 */
export function targetsOf(plan: PlanFor): Target[] {
  const known = new KnownNotes(plan.instrumentId);
  const days = daysOf(plan.recent).filter((one) => one.day < plan.day);
  let targets: Target[] = [];
  const morning = (day: string, upTo: number): Morning => ({
    day,
    ...known.asked(),
    lately: days.slice(Math.max(0, upTo - 2), upTo),
  });
  days.forEach(({ day, takes }, i) => {
    targets = takenUp(targets, morning(day, i), plan);
    // A day on a dead reed tells of the reed, not of the notes.
    if (reedOrLeak([{ day, takes }])) return;
    targets = targets.map((target) => afterDay(target, day, takes));
    known.heard(takes);
  });
  const today = morning(plan.day, days.length);
  const now = takenUp(targets, today, plan);
  // Where the reed or the horn is what keeps notes from speaking, nobody practises against it until it is settled.
  return isSuspect(today) ? now.map((one) => (one.state === 'open' ? { ...one, state: 'waits' } : one)) : now;
}

const isSuspect = ({ lately }: Morning) => reedOrLeak(lately) !== undefined;

/** Whether what is secure is to be looked at on a day. */
export function isReturning(target: Target, day: string): boolean {
  return target.state === 'secure' && isNext(target, day);
}

function isNext(target: Target, day: string): boolean {
  const after = daysUntilNext(target);
  return after !== undefined && dayNumber(day) - dayNumber(target.stateSince) >= after;
}

/** The targets of a day: those that are open, and as many new ones as there is room for. */
function takenUp(targets: readonly Target[], morning: Morning, { minutes, level, firstDay }: PlanFor): Target[] {
  const { day, tuned } = morning;
  const range = rangeOn(dayNumber(day) - dayNumber(firstDay ?? day), level);
  const wanted = isSuspect(morning)
    ? []
    : morning.wanted.filter(
        ({ reason, midi }) =>
          (tuned || reason !== 'pitch') && zoneOf(midi) !== 'altissimo' && midi >= range.from && midi <= range.to,
      );
  const now = targets.map((target): Target => {
    const need = morning.wanted.find((one) => one.reason === target.reason && one.midi === target.midis[0]);
    const rested = target.state === 'rests' && isNext(target, day);
    return {
      ...target,
      ...(need && { need }),
      isOut: need !== undefined,
      ...(rested && { state: 'open', stateSince: day, days: [] }),
    };
  });
  const open = now.filter(({ state }) => state === 'open');
  const room = mostWants(minutes) - open.length;
  const fresh: Target[] = [];
  for (const need of wanted) {
    if (fresh.length >= room) break;
    if ([...now, ...fresh].some((target) => target.reason === need.reason && target.midis.includes(need.midi)))
      continue;
    const run = runOf(need, wanted);
    const key = `${need.reason} ${need.midi} ${need.band ?? ''}`;
    const { reason } = need;
    const counts = { days: [], lessons: 0, returns: 0, rests: 0 };
    fresh.push({ key, reason, midis: run, need, isOut: true, since: day, state: 'open', stateSince: day, ...counts });
  }
  return [...now, ...fresh].sort((a, b) => rank(a) - rank(b) || b.need.size - a.need.size);
}

/** The notes that are asked, by the days since the first. */
const rangeOn = (days: number, level: Level) =>
  level === LEVELS[0] && days < NEWCOMER_DAYS ? NEWCOMER_RANGE : { from: 0, to: TOP_MIDI[level] };

const rank = ({ state }: Target) => TARGET_STATES.indexOf(state);

/** The neighbours of a note that want the same, with it: the note first. */
function runOf(need: Need, wanted: readonly Need[]): number[] {
  const alike = wanted
    .filter(
      (one) => one.reason === need.reason && Math.sign(one.value) === Math.sign(need.value) && one.band === need.band,
    )
    .map(({ midi }) => midi)
    .filter((midi) => midi !== need.midi && Math.abs(midi - need.midi) <= RUN.apart)
    .sort((a, b) => Math.abs(a - need.midi) - Math.abs(b - need.midi));
  return [need.midi, ...alike.slice(0, RUN.notes - 1)];
}

function afterDay(before: Target, day: string, takes: readonly Digest[]): Target {
  const target = before.state === 'open' ? { ...before, lessons: before.lessons + 1 } : before;
  const told = takes.flatMap(({ seen }) => seen.flatMap((one) => tryOf(target, one) ?? []));
  if (told.length === 0 || target.state === 'rests') return target;
  const inside = told.filter((one) => one.inside).length;
  const firstInside = told[0]!.inside;
  const size = told.reduce((sum, one) => sum + one.size, 0) / told.length;
  const days = [...target.days, { day, tries: told.length, inside, firstInside, size }];
  const next = { ...target, days };
  if (target.state === 'secure') {
    if (!isReturning(target, day)) return target;
    return firstInside
      ? { ...next, returns: target.returns + 1 }
      : { ...next, state: 'open', stateSince: day, returns: 0, days: [] };
  }
  if (isSecureNow(days)) return { ...next, state: 'secure', stateSince: day, rests: 0 };
  return isStuck(next) ? { ...next, state: 'rests', stateSince: day, rests: target.rests + 1 } : next;
}
