/** Scale from the median absolute deviation to the standard deviation of a normal spread. */
const MAD_TO_DEVIATION = 1.4826;

/**
 * Quantile by linear interpolation between order statistics (type 7).
 * @throws RangeError for an empty list
 */
export function quantile(values: ArrayLike<number>, share: number): number {
  return quantiles(values, [share])[0]!;
}

/** Several of them for one sorting. See {@link quantile}. */
export function quantiles(values: ArrayLike<number>, shares: readonly number[]): number[] {
  if (values.length === 0) throw new RangeError('quantile of an empty list');
  const sorted = new Float64Array(values).sort();
  return shares.map((share) => between(sorted, share));
}

function between(sorted: Float64Array, share: number): number {
  const place = share * (sorted.length - 1);
  const below = Math.floor(place);
  const above = Math.min(sorted.length - 1, below + 1);
  return sorted[below]! + (place - below) * (sorted[above]! - sorted[below]!);
}

export function median(values: ArrayLike<number>): number {
  return quantile(values, 0.5);
}

/** Robust standard deviation, 1.4826 × median absolute deviation. */
export function robustDeviation(values: ArrayLike<number>): number {
  const centre = median(values);
  return MAD_TO_DEVIATION * median(Float64Array.from(values, (value) => Math.abs(value - centre)));
}

/** How many pairs are enough for a slope: a longer row is thinned evenly. */
const THEIL_SEN_POINTS = 160;

/**
 * Theil–Sen line: the median slope over all pairs, and the offset at x = 0.
 * Source: P. K. Sen 1968, "Estimates of the regression coefficient based on Kendall's tau".
 * @throws RangeError for fewer than two points or no spread in x
 */
export function theilSen(x: ArrayLike<number>, y: ArrayLike<number>): { slope: number; offset: number } {
  const stride = Math.max(1, Math.ceil(x.length / THEIL_SEN_POINTS));
  const slopes: number[] = [];
  for (let i = 0; i < x.length; i += stride)
    for (let j = i + stride; j < x.length; j += stride)
      if (x[j] !== x[i]) slopes.push((y[j]! - y[i]!) / (x[j]! - x[i]!));
  if (slopes.length === 0) throw new RangeError('a slope needs two points apart in x');
  const slope = median(slopes);
  return { slope, offset: median(Float64Array.from(x, (value, i) => y[i]! - slope * value)) };
}

/** Moving median of odd length `width`; shorter at the ends. */
export function movingMedian(values: ArrayLike<number>, width: number): Float64Array {
  const reach = Math.floor(width / 2);
  return Float64Array.from({ length: values.length }, (_, i) => {
    const near = Math.min(reach, i, values.length - 1 - i);
    return median(Array.from({ length: 2 * near + 1 }, (_, k) => values[i - near + k]!));
  });
}
