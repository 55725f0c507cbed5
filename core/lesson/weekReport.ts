import { exerciseKey } from '@inner-hum/core/families';
import { isSecure } from '@inner-hum/core/judge';
import { limitOf } from '@inner-hum/core/measure';
import type { Theme } from './aims';
import { cellsFrom } from '../history/cells';
import { weekNumber } from '../history/days';
import type { Digest } from '../history/digest';
import { difference, hornMap, ofNote, type NoteOnMap } from '../map/hornMap';
import type { PlanFor } from './planFor';
import { daysOf } from '../history/progress';
import { isBroken } from '../history/tiring';
import { answerOf, changeOf, themeOf, type WeekAnswer } from './theme';

/** The same notes are looked at every week: of all zones, at the middle loudness. */
const FIVE_NOTES = [60, 67, 74, 79, 86] as const;

/** How one note stood before a week and in it: how far it lies from in tune, cents, with its error. */
export interface NoteOfWeek extends WeekAnswer {
  readonly midi: number;
}

/** What a week brought: its theme with the answer, and the facts. */
export interface WeekReport extends WeekFacts {
  readonly theme: Theme;
  readonly answer: WeekAnswer;
}

/** The largest step in pitch between two neighbours: upper less lower, cents. */
interface StepOfWeek {
  readonly lower: number;
  readonly upper: number;
  readonly cents: number;
}

/** What the takes of a week show, whatever it was about. */
export interface WeekFacts {
  /** before the week and in it; undefined where too few neighbours are known */
  readonly steps: { readonly before: StepOfWeek | undefined; readonly now: StepOfWeek | undefined };
  readonly notes: readonly NoteOfWeek[];
  /** the last take of each exercise that became secure in it */
  readonly secured: readonly Digest[];
  /** share of takes that broke in the first, second and last third of its sessions, 0–1; undefined without a take */
  readonly thirds: readonly [number, number, number] | undefined;
  /** minutes that sounded on each reed, by its name; '' where none was said */
  readonly reeds: readonly { readonly reed: string; readonly minutes: number }[];
  /** takes of one exercise, from before the week and from it, to be told apart by ear; the earlier first */
  readonly pair: readonly [Digest, Digest] | undefined;
}

/** What the week of a plan's day brought so far. */
export function weekReport(plan: PlanFor): WeekReport {
  const theme = themeOf(plan);
  return { theme, answer: answerOf(theme, plan), ...weekFacts(plan.recent, plan.day) };
}

/** What takes show of the week of a day, beside what was before it. */
export function weekFacts(digests: readonly Digest[], day: string): WeekFacts {
  const week = weekNumber(day);
  const takes = [...digests].sort((a, b) => a.startedAtMs - b.startedAtMs);
  const own = takes.filter((take) => weekNumber(take.day) === week);
  const before = takes.filter((take) => weekNumber(take.day) < week);
  return {
    notes: notesOf(before, own),
    steps: stepsOf(before, own),
    secured: securedIn(before, own),
    thirds: thirdsOf(own),
    reeds: reedsOf(own),
    pair: pairOf(before, own),
  };
}

/** The maps before a week and in it: another room or another reed is another measurement. */
function mapsOf(before: readonly Digest[], own: readonly Digest[]): readonly [NoteOnMap[], NoteOnMap[]] {
  const [{ setupKey } = { setupKey: undefined }] = own.slice(-1);
  const mapOf = (takes: readonly Digest[]) =>
    hornMap(cellsFrom(takes.filter((take) => take.setupKey === setupKey)).values());
  return [mapOf(before), mapOf(own)];
}

/** Fewer neighbours than this say nothing of the horn. */
const LEAST_NEIGHBOURS = 5;

function stepsOf(before: readonly Digest[], own: readonly Digest[]): WeekFacts['steps'] {
  const largest = (map: readonly NoteOnMap[]) => {
    const steps = map.slice(1).flatMap((upper, i): StepOfWeek[] => {
      const lower = map[i]!;
      const step = upper.midi - lower.midi === 1 ? difference(upper, lower, 'pitchCentreCents') : undefined;
      return step ? [{ lower: lower.midi, upper: upper.midi, cents: step.value }] : [];
    });
    if (steps.length < LEAST_NEIGHBOURS) return undefined;
    return steps.reduce((most, step) => (Math.abs(step.cents) > Math.abs(most.cents) ? step : most));
  };
  const [then, now] = mapsOf(before, own);
  return { before: largest(then), now: largest(now) };
}

function notesOf(before: readonly Digest[], own: readonly Digest[]): NoteOfWeek[] {
  const [then, now] = mapsOf(before, own);
  const of = (map: readonly NoteOnMap[], midi: number) => {
    const note = map.find((one) => one.midi === midi);
    const known = note && ofNote(note, 'pitchCentreCents', 'medium');
    if (known?.kind !== 'known') return undefined;
    return { value: Math.abs(known.value), uncertainty: known.uncertainty, notes: 1 };
  };
  return FIVE_NOTES.map((midi) => {
    const [was, is] = [of(then, midi), of(now, midi)];
    return { midi, before: was, now: is, answer: changeOf(was, is, limitOf('pitchCentreCents', 'firm') / 2) };
  });
}

function securedIn(before: readonly Digest[], own: readonly Digest[]): Digest[] {
  const last = new Map(own.map((take) => [exerciseKey(take.parameters), take]));
  return [...last].flatMap(([key, take]) => {
    const same = (takes: readonly Digest[]) => takes.filter(({ parameters }) => exerciseKey(parameters) === key);
    const earlier = same(before);
    return !isSecure(earlier) && isSecure([...earlier, ...same(own)]) ? [take] : [];
  });
}

function thirdsOf(own: readonly Digest[]): WeekReport['thirds'] {
  if (own.length === 0) return undefined;
  const thirds = [0, 1, 2].map((third) => {
    const part = daysOf(own).flatMap(({ takes }) =>
      takes.filter((_, i) => Math.min(2, Math.floor((3 * i) / takes.length)) === third),
    );
    return part.filter(isBroken).length / Math.max(1, part.length);
  });
  return thirds as [number, number, number];
}

function reedsOf(own: readonly Digest[]): WeekReport['reeds'] {
  const minutes = new Map<string, number>();
  for (const { setup, lastsS } of own)
    minutes.set(setup.reed ?? '', (minutes.get(setup.reed ?? '') ?? 0) + lastsS / 60);
  return [...minutes].map(([reed, played]) => ({ reed, minutes: played })).sort((a, b) => b.minutes - a.minutes);
}

/** The newest take of the week whose exercise was played before it too, with the oldest of those. */
function pairOf(before: readonly Digest[], own: readonly Digest[]): WeekReport['pair'] {
  for (const take of [...own].reverse()) {
    const key = exerciseKey(take.parameters);
    const first = before.find(({ parameters }) => exerciseKey(parameters) === key);
    if (first) return [first, take];
  }
  return undefined;
}
