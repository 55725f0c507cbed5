import { median, quantile } from '@inner-hum/core/measure';
import type { Digest } from './digest';
import type { Observation, Quantity } from './observation';

/** One day of a trend: the median of its tones and how sure that is. */
export interface TrendDay {
  readonly day: string;
  readonly value: number;
  /** band in which the median lies nine times out of ten */
  readonly from: number;
  readonly to: number;
  readonly count: number;
}

/** Scale from the middle half of a normal spread to its deviation, and from that to nine tenths. */
const QUARTILES_TO_DEVIATION = 1 / 1.349;
const NINE_TENTHS = 1.645;
/** A day of one tone is as uncertain as this share of the whole spread. */
const LEAST_SHARE = 0.5;

/** A quantity day by day over takes, of all notes or one, in time order. Days without it are left out. */
export function trend(digests: readonly Digest[], quantity: Quantity, of: (one: Observation) => boolean): TrendDay[] {
  const days = new Map<string, number[]>();
  for (const { day, seen } of digests)
    for (const one of seen) {
      const value = one.values[quantity];
      if (value === undefined || !of(one)) continue;
      const own = days.get(day);
      if (own) own.push(value);
      else days.set(day, [value]);
    }
  const all = [...days.values()].flat();
  if (all.length === 0) return [];
  const spread = deviation(all);
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([day, values]) => {
      const value = median(values);
      const own = Math.max(deviation(values), LEAST_SHARE * spread);
      const half = (NINE_TENTHS * 1.25 * own) / Math.sqrt(values.length);
      return { day, value, from: value - half, to: value + half, count: values.length };
    });
}

function deviation(values: readonly number[]): number {
  return (quantile(values, 0.75) - quantile(values, 0.25)) * QUARTILES_TO_DEVIATION;
}
