import { LEVELS, type Level } from '@inner-hum/core/families';
import { limitOf } from '@inner-hum/core/measure';
import { sizeOf, zoneOf, type Zone } from '@inner-hum/core/theory';
import { cellsFrom } from '../history/cells';
import type { Goal, Theme } from './aims';
import { dayNumber, weekNumber } from '../history/days';
import type { Digest } from '../history/digest';
import { estimate } from '../history/estimate';
import { hornMap, ofNote, type NoteOnMap } from '../map/hornMap';
import { hornOffset } from '../map/hornOrReed';
import { isLightWeek } from './load';
import { needGroups, needs, type NeedGroup, type NeedReason } from '../map/needs';
import type { PlanFor } from './planFor';
import type { Quantity } from '../history/observation';

/** A theme is about at least so many notes, or half of a zone of which fewer are known. */
const NOTES = 3;
/** With fewer notes on the map a week is for getting to know the horn. */
const KNOWN_NOTES = 5;
const QUANTITY_OF = {
  failing: undefined,
  response: 'responseS',
  pitch: 'pitchCentreCents',
  slope: 'pitchAgainstLevelCents',
  steadiness: 'pitchSteadinessCents',
} as const satisfies Readonly<Record<NeedReason, Quantity | undefined>>;

/**
 * What this week is about: the largest need over at least three notes, else the goal, else the weakest zone; by what was
 * known when the week began, so that it stays for the week.
 */
export function themeOf(plan: PlanFor): Theme {
  if (isLightWeek(plan)) return { kind: 'measure' };
  const base = mapAtWeekStart(plan);
  if (base.length < KNOWN_NOTES) return { kind: 'start' };
  const tuned = hornOffset(base) === undefined;
  const groups = needGroups(needs(base, plan.instrumentId).filter(({ reason }) => tuned || reason !== 'pitch'));
  const known = (zone: Zone) => base.filter(({ midi }) => zoneOf(midi) === zone).length;
  const wide = ({ needs: own, zone }: NeedGroup) =>
    own.length >= NOTES || (known(zone) < NOTES && own.length >= known(zone) / 2);
  const group = groups.find((one) => one.zone !== 'altissimo' && wide(one));
  if (group) {
    const { reason, zone, sign, needs: own } = group;
    const bands = new Set(own.map(({ band }) => band));
    const [band] = bands.size === 1 ? bands : [undefined];
    const midis = own.map(({ midi }) => midi);
    // Where little of a zone is known, its neighbours are looked at with it.
    const more = midis.length < NOTES && zone !== 'altissimo' ? USUAL_NOTES[zone] : [];
    return { kind: 'need', reason, zone, sign, ...(band && { band }), midis: [...new Set([...midis, ...more])] };
  }
  const goal = goalOfWeek(plan);
  if (goal) return { kind: 'goal', goal: goal.kind, midi: goal.midi };
  return weakestZone(base, plan.level);
}

/** The goal on this size of horn that comes next, its own week included. */
function goalOfWeek({ goals, instrumentId, day }: PlanFor): Goal | undefined {
  const own = goals.filter(
    (goal) => goal.instrumentId === sizeOf(instrumentId) && weekNumber(goal.by) >= weekNumber(day),
  );
  return own.reduce<Goal | undefined>((next, goal) => (next && next.by <= goal.by ? next : goal), undefined);
}

/** The map as it was when the week began; in a player's first week as it was after the first day of it. */
function mapAtWeekStart({ recent, day }: PlanFor): NoteOnMap[] {
  const week = weekNumber(day);
  const before = recent.filter((digest) => weekNumber(digest.day) < week);
  const known = mapOf(before);
  if (known.length >= KNOWN_NOTES) return known;
  const first = recent.reduce((least, digest) => (digest.day < least ? digest.day : least), day);
  return mapOf(recent.filter((digest) => digest.day <= first && digest.day < day));
}

const mapOf = (digests: readonly Digest[]): NoteOnMap[] => hornMap(cellsFrom(digests).values());

/** Notes that a zone is worked on with, where few of it are known. */
const USUAL_NOTES: Readonly<Record<'low' | 'middle' | 'palm', readonly number[]>> = {
  low: [60, 62, 58],
  middle: [67, 71, 64, 74],
  palm: [86, 88, 87],
};

/** The zone whose notes lie farthest from in tune, quick and steady, by what is known of them. */
function weakestZone(all: readonly NoteOnMap[], level: Level): Theme {
  // A beginner's zone is the middle.
  const middle = all.filter(({ midi }) => zoneOf(midi) === 'middle');
  const map = level === LEVELS[0] && middle.length > 0 ? middle : all;
  const size = (note: NoteOnMap) =>
    (['pitchCentreCents', 'pitchSteadinessCents', 'responseS'] as const).reduce((sum, quantity) => {
      const of = ofNote(note, quantity);
      return sum + (of.kind === 'known' ? Math.abs(of.value) / limitOf(quantity, 'firm') : 0);
    }, 0);
  const zones = (['low', 'middle', 'palm'] as const).flatMap((zone) => {
    const own = map.filter(({ midi }) => zoneOf(midi) === zone).sort((a, b) => size(b) - size(a));
    const mean = own.reduce((sum, note) => sum + size(note), 0) / own.length;
    return own.length === 0 ? [] : [{ zone, midis: [...own.map(({ midi }) => midi), ...USUAL_NOTES[zone]], mean }];
  });
  const { zone, midis } = zones.reduce((most, next) => (next.mean > most.mean ? next : most));
  return { kind: 'zone', zone, midis: [...new Set(midis)] };
}

/** What a theme is measured by: its notes together, with the error of that. */
export interface ThemeMeasure {
  /** cents, seconds or a share of starts, by the theme's reason; how far notes lie out, so never below 0 */
  readonly value: number;
  readonly uncertainty: number;
  readonly notes: number;
}

/** How large a theme's want was over some days; undefined where too little was played to say. */
export function measureTheme(
  theme: Theme,
  takes: readonly Digest[],
  onDay: (day: string) => boolean,
): ThemeMeasure | undefined {
  if (theme.kind !== 'need') return undefined;
  const map = mapOf(takes.filter(({ day }) => onDay(day)));
  const quantity = QUANTITY_OF[theme.reason];
  const each = theme.midis.flatMap((midi) => {
    const note = map.find((one) => one.midi === midi);
    if (!note) return [];
    if (!quantity) {
      const tries = note.all.filter(({ tried, attack }) => tried && attack !== 'slurred');
      const failed = tries.filter(({ spoke }) => !spoke).length / tries.length;
      return tries.length < NOTES
        ? []
        : [{ value: failed, error: Math.sqrt((failed * (1 - failed) + 0.1) / tries.length) }];
    }
    const own = theme.band && quantity === 'pitchCentreCents' ? note.bands[theme.band] : note.all;
    const of = estimate(own, quantity);
    return of.kind === 'unknown'
      ? []
      : [{ value: theme.sign === 0 ? of.value : theme.sign * of.value, error: of.uncertainty }];
  });
  if (each.length === 0) return undefined;
  return {
    value: each.reduce((sum, { value }) => sum + value, 0) / each.length,
    uncertainty: Math.sqrt(each.reduce((sum, { error }) => sum + error ** 2, 0)) / each.length,
    notes: each.length,
  };
}

/** What a week brought: what its theme was before it and what it is at its end. */
export interface WeekAnswer {
  readonly answer: 'better' | 'same' | 'worse' | 'cannotTell';
  readonly before: ThemeMeasure | undefined;
  readonly now: ThemeMeasure | undefined;
}

/** Days of a week that tell how it ended. */
const LAST_DAYS = 3;
/** A change is one when it is so many times its own error; what is so small beside it is the same. */
const SURE = 2;

/** What became of the week's theme so far: by the weeks before it and its last days. */
export function answerOf(theme: Theme, { recent, day }: Pick<PlanFor, 'recent' | 'day'>): WeekAnswer {
  const week = weekNumber(day);
  const before = measureTheme(theme, recent, (one) => weekNumber(one) < week);
  const now = measureTheme(
    theme,
    recent,
    (one) => weekNumber(one) === week && dayNumber(day) - dayNumber(one) < LAST_DAYS,
  );
  if (theme.kind !== 'need') return { answer: 'cannotTell', before, now };
  const quantity = QUANTITY_OF[theme.reason];
  return { answer: changeOf(before, now, quantity ? limitOf(quantity, 'firm') / 2 : WORTH_SHARE), before, now };
}

/** Of failed starts so much is worth knowing. */
const WORTH_SHARE = 0.1;

/**
 * What became of something that is the better the smaller it is: told only where the change is surely one, or surely smaller
 * than what is worth knowing.
 */
export function changeOf(
  before: ThemeMeasure | undefined,
  now: ThemeMeasure | undefined,
  worthKnowing: number,
): WeekAnswer['answer'] {
  if (!before || !now) return 'cannotTell';
  const change = before.value - now.value;
  const error = Math.hypot(before.uncertainty, now.uncertainty);
  if (Math.abs(change) > SURE * error) return change > 0 ? 'better' : 'worse';
  return SURE * error <= 2 * worthKnowing ? 'same' : 'cannotTell';
}
