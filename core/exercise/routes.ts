import {
  expectedSuccess,
  regularFingering,
  regularSource,
  sourceKey,
  sourcesOf,
  type Instrument,
  type Source,
  type Tries,
} from '@inner-hum/core/theory';

/** What a route is chosen for. */
export const ROUTE_AIMS = ['easiest', 'inTune', 'mostToLearn'] as const;
export type RouteAim = (typeof ROUTE_AIMS)[number];

/** How the player does on a source: tries, and the offset measured on it where it was, cents. */
export interface OwnSource {
  readonly tries: Tries;
  readonly offsetCents?: number;
}

export interface RouteOptions {
  readonly aim: RouteAim;
  /** what the player got so far, by {@link sourceKey} */
  readonly own?: ReadonlyMap<string, OwnSource>;
  /** sources that are settled, by place in the phrase */
  readonly pins?: ReadonlyMap<number, string>;
}

/** A route with the parts of its cost, each the mean over the notes (changes for reach and tubes). */
export interface Route {
  readonly sources: readonly Source[];
  readonly cost: number;
  /** share that is expected to speak, 0–1 */
  readonly success: number;
  /** mean distance from tempered, cents */
  readonly offCents: number;
  /** keys that move from note to note */
  readonly keysMoved: number;
  readonly tubes: number;
}

/**
 * What a route costs, per aim: stubbornness (1 − expected success), tuning (per 50 cents), reach (per 7 keys that move),
 * a change of tube, and mastery (expected success, when there is more to learn elsewhere). Our choice.
 */
const ROUTE_COST: Readonly<Record<RouteAim, Readonly<Record<CostPart, number>>>> = {
  easiest: { stubborn: 4, tuning: 0.5, reach: 1, tube: 0.3, mastered: 0 },
  inTune: { stubborn: 1, tuning: 6, reach: 0.5, tube: 0.1, mastered: 0 },
  mostToLearn: { stubborn: 0, tuning: 0.3, reach: 0.5, tube: 0.1, mastered: 4 },
};
type CostPart = 'stubborn' | 'tuning' | 'reach' | 'tube' | 'mastered';
const CENTS_UNIT = 50;
const KEYS_UNIT = 7;

/** A note that the horn does not have, neither as an overtone nor as it is fingered. */
export class NoSourceError extends RangeError {
  constructor(
    readonly place: number,
    readonly midi: number,
  ) {
    super(`note ${place + 1} of the phrase (MIDI ${midi}) is no note of this horn`);
  }
}

/**
 * One source per note with the least cost, every note an overtone of a lower fingering; a note that is none is fingered
 * as usual, and so is one that is pinned to that.
 * Source: dynamic programming over neighbouring notes (R. Bellman 1957); the cost is ours, see {@link ROUTE_COST}.
 * @throws NoSourceError when a note has no source, or a pinned one does not give it
 */
export function bestRoute(horn: Instrument, phrase: readonly number[], options: RouteOptions): Route {
  const columns = phrase.map((midi, place) => candidates(horn, midi, place, options.pins));
  const best = columns.map((column) => column.map(() => ({ cost: Infinity, from: -1 })));
  columns.forEach((column, i) =>
    column.forEach((source, s) => {
      const own = noteCost(source, options);
      if (i === 0) best[0]![s] = { cost: own, from: -1 };
      else
        columns[i - 1]!.forEach((before, b) => {
          const cost = best[i - 1]![b]!.cost + own + changeCost(horn, before, source, options.aim);
          if (cost < best[i]![s]!.cost) best[i]![s] = { cost, from: b };
        });
    }),
  );
  const sources: Source[] = [];
  let at = lowest(best.at(-1) ?? []);
  for (let i = columns.length - 1; i >= 0; i--) {
    sources.unshift(columns[i]![at]!);
    at = best[i]![at]!.from;
  }
  return describeRoute(horn, sources, options);
}

/** The route of given sources with its cost and its parts. */
export function describeRoute(horn: Instrument, sources: readonly Source[], options: RouteOptions): Route {
  const count = Math.max(1, sources.length);
  let cost = 0;
  let keysMoved = 0;
  sources.forEach((source, i) => {
    cost += noteCost(source, options);
    const before = sources[i - 1];
    if (!before) return;
    cost += changeCost(horn, before, source, options.aim);
    keysMoved += keysBetween(horn, before, source);
  });
  const sum = (of: (source: Source) => number) => sources.reduce((total, source) => total + of(source), 0);
  return {
    sources,
    cost,
    success: sum((source) => successOf(source, options)) / count,
    offCents: sum((source) => Math.abs(offsetOf(source, options))) / count,
    keysMoved,
    tubes: new Set(sources.map((source) => source.fingeredMidi)).size,
  };
}

/** Sources that can stand for a note of a phrase: all its overtones, then its usual fingering. */
export function routeChoices(horn: Instrument, midi: number): Source[] {
  return [...overtones(horn, midi), ...usual(horn, midi)];
}

const overtones = (horn: Instrument, midi: number) =>
  sourcesOf(horn, midi).filter((source) => source.partialNumber > 1);
const usual = (horn: Instrument, midi: number) => [regularSource(horn, midi)].flatMap((source) => source ?? []);

function candidates(horn: Instrument, midi: number, place: number, pins?: ReadonlyMap<number, string>): Source[] {
  const pin = pins?.get(place);
  const all = overtones(horn, midi);
  const open = all.length > 0 ? all : usual(horn, midi);
  const found = pin === undefined ? open : routeChoices(horn, midi).filter((one) => sourceKey(one) === pin);
  if (found.length === 0) throw new NoSourceError(place, midi);
  return found;
}

function successOf(source: Source, { own }: RouteOptions): number {
  return expectedSuccess(source.prior, own?.get(sourceKey(source))?.tries);
}

function offsetOf(source: Source, { own }: RouteOptions): number {
  return own?.get(sourceKey(source))?.offsetCents ?? source.offsetCents;
}

function noteCost(source: Source, options: RouteOptions): number {
  const weight = ROUTE_COST[options.aim];
  const success = successOf(source, options);
  const tuning = Math.abs(offsetOf(source, options)) / CENTS_UNIT;
  return weight.stubborn * (1 - success) + weight.tuning * tuning + weight.mastered * success;
}

function changeCost(horn: Instrument, before: Source, after: Source, aim: RouteAim): number {
  const weight = ROUTE_COST[aim];
  const otherTube = before.fingeredMidi === after.fingeredMidi ? 0 : 1;
  return (weight.reach * keysBetween(horn, before, after)) / KEYS_UNIT + weight.tube * otherTube;
}

function keysBetween(horn: Instrument, before: Source, after: Source): number {
  const a = new Set(regularFingering(horn, before.fingeredMidi));
  const b = new Set(regularFingering(horn, after.fingeredMidi));
  return [...a].filter((key) => !b.has(key)).length + [...b].filter((key) => !a.has(key)).length;
}

function lowest(row: readonly { readonly cost: number }[]): number {
  return row.reduce((best, next, i) => (next.cost < row[best]!.cost ? i : best), 0);
}
