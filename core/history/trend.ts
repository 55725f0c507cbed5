import { quantiles } from '@inner-hum/core/measure';
import { weekNumber } from './days';
import type { TonesOfDay } from './tones';

/** One point of a trend: the median of its tones and how sure that is. */
export interface TrendPoint {
  /** the first day of it that has tones, yyyy-mm-dd */
  readonly day: string;
  readonly value: number;
  /** band in which the median lies nine times out of ten */
  readonly from: number;
  readonly to: number;
  readonly count: number;
}

/** How much time a point takes together. */
type TrendStep = 'day' | 'week' | 'month';

/** A quantity over time. */
export interface Trend {
  readonly step: TrendStep;
  /** in time order; times without tones have none */
  readonly points: readonly TrendPoint[];
}

/** Which tones of a trend count. */
export interface TonesAsked {
  readonly midi?: number | undefined;
  readonly partial?: number;
  readonly instrumentId?: string;
  /** tones of these takes alone */
  readonly takeIds?: ReadonlySet<string>;
}

const QUARTERS = [0.25, 0.5, 0.75];
/** Scale from the middle half of a normal spread to its deviation, and from that to nine tenths. */
const QUARTILES_TO_DEVIATION = 1 / 1.349;
const NINE_TENTHS = 1.645;
/** A median of a normal spread is that much less sure than a mean. */
const MEDIAN_TO_MEAN = 1.25;
/** A point of one tone is as uncertain as this share of the whole spread. */
const LEAST_SHARE = 0.5;
/** More points than this can't be told apart: then a week, or a month, is one. Our choice: three years of weeks. */
const MOST_POINTS = 156;

/** What of a day is the same for all days of one point. */
const PERIOD_OF: Readonly<Record<TrendStep, (day: string) => string | number>> = {
  day: (day) => day,
  week: weekNumber,
  month: (day) => day.slice(0, 'yyyy-mm'.length),
};

interface Told {
  readonly day: string;
  readonly values: Float32Array;
}

/** A quantity over time from its days in time order: by day, or by week or month where the days are many. */
export function trend(days: readonly TonesOfDay[], asked: TonesAsked = {}): Trend {
  const told = days.flatMap((tones): Told[] => {
    const values = valuesOf(tones, asked);
    return values.length > 0 ? [{ day: tones.day, values }] : [];
  });
  if (told.length === 0) return { step: 'day', points: [] };
  const spread = deviation(quantiles(together(told), QUARTERS));
  const step =
    (['day', 'week'] as const).find((id) => new Set(told.map(({ day }) => PERIOD_OF[id](day))).size <= MOST_POINTS) ??
    'month';
  const points = groups(told, PERIOD_OF[step]).map((days) => pointOf(days[0]!.day, together(days), spread));
  return { step, points };
}

function valuesOf(tones: TonesOfDay, { midi, partial, instrumentId, takeIds }: TonesAsked): Float32Array {
  const takeAsked = tones.takeIds.map(
    (id, i) => takeIds?.has(id) !== false && (instrumentId ?? tones.instrumentIds[i]) === tones.instrumentIds[i],
  );
  return tones.value.filter(
    (_, i) =>
      takeAsked[tones.take[i]!]! &&
      (midi ?? tones.midi[i]) === tones.midi[i] &&
      (partial ?? tones.partial[i]) === tones.partial[i],
  );
}

/** Neighbouring days of one period. */
function groups(told: readonly Told[], periodOf: (day: string) => string | number): Told[][] {
  const found: { period: string | number; days: Told[] }[] = [];
  for (const entry of told) {
    const period = periodOf(entry.day);
    if (found.at(-1)?.period === period) found.at(-1)!.days.push(entry);
    else found.push({ period, days: [entry] });
  }
  return found.map(({ days }) => days);
}

function together(told: readonly Told[]): Float32Array {
  const all = new Float32Array(told.reduce((sum, { values }) => sum + values.length, 0));
  told.reduce((place, { values }) => {
    all.set(values, place);
    return place + values.length;
  }, 0);
  return all;
}

function pointOf(day: string, values: Float32Array, spread: number): TrendPoint {
  const quarters = quantiles(values, QUARTERS);
  const value = quarters[1]!;
  const own = Math.max(deviation(quarters), LEAST_SHARE * spread);
  const half = (NINE_TENTHS * MEDIAN_TO_MEAN * own) / Math.sqrt(values.length);
  return { day, value, from: value - half, to: value + half, count: values.length };
}

/** Standard deviation of a normal spread with such quarters. */
function deviation([lower, , upper]: readonly number[]): number {
  return (upper! - lower!) * QUARTILES_TO_DEVIATION;
}
