import jstat from 'jstat';
import { median, quantile } from '@inner-hum/core/measure';
import type { Digest } from '../history/digest';
import type { Observation, Quantity } from '../history/observation';

/**
 * How one side differs from another in a quantity, second less first, with the interval that holds the truth nine of ten times for
 * all that are looked at together.
 */
export interface Comparison {
  readonly quantity: Quantity;
  /** undefined: over all notes that both sides have */
  readonly midi: number | undefined;
  readonly difference: number;
  readonly from: number;
  readonly to: number;
  /** takes on each side */
  readonly takes: readonly [number, number];
  /** whether the interval leaves out "no difference", and the difference is one to care about */
  readonly decided: boolean;
  /** whether the whole interval is too small to care about */
  readonly alike: boolean;
  /** about how many more takes a side would decide a difference of this size; undefined when decided or too small to matter */
  readonly moreTakes: number | undefined;
}

/** Quantities that are compared, and differences that nobody would care about. */
export const MATTERS: Partial<Record<Quantity, number>> = {
  pitchCentreCents: 3,
  pitchSteadinessCents: 0.7,
  responseS: 0.015,
  softestDb: 1.5,
  breathRatioDb: 1.5,
  centroidPartials: 0.3,
  levelAgainstPlanDb: 1,
};
const RESAMPLES = 300;
const COVER = 0.9;
/** Each side needs so many takes of a note, or of all notes together. */
const LEAST_TAKES = 3;
const MOST_MORE = 60;

/** One tone's value of one note, with the take it comes from. */
interface Row {
  readonly take: string;
  readonly place: string;
  readonly midi: number;
  readonly value: number;
}

/**
 * What differs between two lots of takes, note by note and over all, and what is not decided. Intervals by the percentile
 * bootstrap over takes (B. Efron 1979), since tones of one take are alike. `random` gives numbers in 0…1.
 */
export function compare(first: readonly Digest[], second: readonly Digest[], random: () => number): Comparison[] {
  const compared = (Object.keys(MATTERS) as Quantity[]).flatMap((quantity) => {
    const [a, b] = [rowsOf(first, quantity), rowsOf(second, quantity)];
    const shared = new Set(a.map((row) => row.place).filter((place) => b.some((row) => row.place === place)));
    const inBoth = (rows: readonly Row[]) => rows.filter((row) => shared.has(row.place));
    const [here, there] = [inBoth(a), inBoth(b)];
    const notes = [...new Set(here.map((row) => row.midi))].sort((x, y) => x - y);
    return [undefined, ...notes].flatMap((midi) => {
      const own = (rows: readonly Row[]) => (midi === undefined ? rows : rows.filter((row) => row.midi === midi));
      return lotsOf(quantity, midi, own(here), own(there), random) ?? [];
    });
  });
  // Of many that are looked at together one would differ by chance: over all notes, and note by note, each for itself.
  const ofNotes = compared.filter(({ midi }) => midi !== undefined).length;
  return compared.map((entry) => told(entry, entry.midi === undefined ? compared.length - ofNotes : ofNotes));
}

function rowsOf(digests: readonly Digest[], quantity: Quantity): Row[] {
  return digests.flatMap((digest) =>
    digest.seen.flatMap((observation: Observation) => {
      const value = observation.values[quantity];
      if (value === undefined || observation.partial !== 1) return [];
      return [{ take: digest.takeId, place: `${observation.midi} ${observation.band}`, midi: observation.midi, value }];
    }),
  );
}

/** A difference before it is known how many are looked at with it: its interval is its own. */
type Lots = Pick<Comparison, 'quantity' | 'midi' | 'difference' | 'from' | 'to' | 'takes'>;

/** What a difference tells when so many are looked at together: its interval widened so that nine of ten times all hold (Bonferroni). */
function told({ difference, takes, quantity, ...lots }: Lots, together: number): Comparison {
  const wider = widthOf((1 - COVER) / together) / widthOf(1 - COVER);
  const from = difference + wider * (lots.from - difference);
  const to = difference + wider * (lots.to - difference);
  const limit = MATTERS[quantity]!;
  const alike = Math.max(Math.abs(from), Math.abs(to)) < limit;
  const decided = !alike && (from > 0 || to < 0);
  const moreTakes =
    decided || Math.abs(difference) < limit ? undefined : more(difference, (to - from) / 2, Math.min(...takes));
  return { ...lots, quantity, difference, takes, from, to, decided, alike, moreTakes };
}

/** Half of an interval that leaves out so much, in standard errors. */
const widthOf = (leftOut: number) => jstat.normal.inv(1 - leftOut / 2, 0, 1);

function lotsOf(
  quantity: Quantity,
  midi: number | undefined,
  a: readonly Row[],
  b: readonly Row[],
  random: () => number,
): Lots | undefined {
  const [first, second] = [byTake(a), byTake(b)];
  const takes = [first.length, second.length] as const;
  if (Math.min(...takes) < LEAST_TAKES) return undefined;
  const difference = differenceOf(a, b);
  if (difference === undefined) return undefined;
  const drawn: number[] = [];
  for (let i = 0; i < RESAMPLES; i++) {
    const entry = differenceOf(draw(first, random), draw(second, random));
    if (entry !== undefined) drawn.push(entry);
  }
  const from = quantile(drawn, (1 - COVER) / 2);
  const to = quantile(drawn, (1 + COVER) / 2);
  return { quantity, midi, difference, from, to, takes };
}

/** The half width of an interval shrinks with the square root of the takes. */
function more(difference: number, halfWidth: number, takes: number): number | undefined {
  const needed = Math.ceil(takes * (halfWidth / Math.abs(difference)) ** 2) - takes;
  return needed <= MOST_MORE ? Math.max(1, needed) : undefined;
}

function byTake(rows: readonly Row[]): Row[][] {
  const takes = new Map<string, Row[]>();
  for (const row of rows) {
    const own = takes.get(row.take);
    if (own) own.push(row);
    else takes.set(row.take, [row]);
  }
  return [...takes.values()];
}

function draw(takes: readonly (readonly Row[])[], random: () => number): Row[] {
  return takes.flatMap(() => takes[Math.floor(random() * takes.length)]!);
}

/** Median over the places that both have of the difference of their medians. */
function differenceOf(a: readonly Row[], b: readonly Row[]): number | undefined {
  const [first, second] = [byPlace(a), byPlace(b)];
  const each = [...first].flatMap(([place, values]) => {
    const other = second.get(place);
    return other ? [median(other) - median(values)] : [];
  });
  return each.length > 0 ? median(each) : undefined;
}

function byPlace(rows: readonly Row[]): Map<string, number[]> {
  const places = new Map<string, number[]>();
  for (const { place, value } of rows) {
    const own = places.get(place);
    if (own) own.push(value);
    else places.set(place, [value]);
  }
  return places;
}
