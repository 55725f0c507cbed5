import type { Observation, Quantity } from './observation';

/** What is known of a quantity: its value, one standard deviation of its error, from how many tones, the newest when. */
export type Estimate =
  | {
      readonly kind: 'known';
      readonly value: number;
      readonly uncertainty: number;
      readonly count: number;
      readonly newestMs: number;
    }
  | { readonly kind: 'unknown' };

const DAY_MS = 86_400_000;
/** Older by this than the newest, a tone weighs half. Our choice: a fortnight of daily work is what changes a tone. */
const HALF_LIFE_DAYS = 14;
/** What was heard in free play weighs half of what was asked for. Our choice. */
const FREE_WORTH = 0.5;
/** From take to take a note usually differs by this much, until the player's own spread is known; worth two tones. */
const USUAL_SPREAD: Readonly<Record<Quantity, number>> = {
  pitchCentreCents: 5,
  pitchSteadinessCents: 1.5,
  responseS: 0.04,
  softestDb: 3,
  breathRatioDb: 3,
  centroidPartials: 0.5,
  rangeDb: 3,
  levelAgainstPlanDb: 2,
  pitchAgainstLevelCents: 4,
  brokeUnderPDb: 3,
  heldUnderPDb: 4,
  holdS: 2,
};
const USUAL_WORTH = 2;
/** From the mean absolute deviation to the standard deviation of a normal spread. */
const MEAN_TO_DEVIATION = 1.2533;

/**
 * Weighted median of a quantity over observations, the newer the heavier; an outlier moves it hardly. The same list is
 * estimated once: map, seams, needs and the days of a week all ask for it.
 */
export function estimate(observations: readonly Observation[], quantity: Quantity): Estimate {
  const known = estimated.get(observations) ?? {};
  estimated.set(observations, known);
  return (known[quantity] ??= estimateOf(observations, quantity));
}
const estimated = new WeakMap<readonly Observation[], Partial<Record<Quantity, Estimate>>>();

function estimateOf(observations: readonly Observation[], quantity: Quantity): Estimate {
  const rows = observations.flatMap(({ atMs, values, free }) => {
    const value = values[quantity];
    return value === undefined ? [] : [{ atMs, value, worth: free ? FREE_WORTH : 1 }];
  });
  if (rows.length === 0) return { kind: 'unknown' };
  const newestMs = Math.max(...rows.map((row) => row.atMs));
  const weighed = rows.map(({ atMs, value, worth }) => ({
    value,
    weight: worth * 0.5 ** ((newestMs - atMs) / (HALF_LIFE_DAYS * DAY_MS)),
    worth,
  }));
  const value = weightedMedian(weighed);
  const total = weighed.reduce((sum, row) => sum + row.weight, 0);
  const away = weighed.reduce((sum, row) => sum + row.weight * Math.abs(row.value - value), 0);
  const own = (MEAN_TO_DEVIATION * away) / total;
  const squares = weighed.reduce((sum, row) => sum + row.weight ** 2, 0);
  const worth = weighed.reduce((sum, row) => sum + row.weight * row.worth, 0) / total;
  const effective = (worth * total ** 2) / squares;
  const usual = USUAL_SPREAD[quantity];
  const spread = Math.sqrt((USUAL_WORTH * usual ** 2 + effective * own ** 2) / (USUAL_WORTH + effective));
  return { kind: 'known', value, uncertainty: (1.25 * spread) / Math.sqrt(effective), count: rows.length, newestMs };
}

/** The value of an estimate, or undefined when there is none. */
export function knownValue(of: Estimate): number | undefined {
  return of.kind === 'known' ? of.value : undefined;
}

function weightedMedian(rows: readonly { readonly value: number; readonly weight: number }[]): number {
  const sorted = [...rows].sort((a, b) => a.value - b.value);
  const half = sorted.reduce((sum, row) => sum + row.weight, 0) / 2;
  let below = 0;
  for (const [i, row] of sorted.entries()) {
    below += row.weight;
    if (below > half) return row.value;
    if (below === half) return (row.value + (sorted[i + 1] ?? row).value) / 2;
  }
  return sorted.at(-1)!.value;
}
