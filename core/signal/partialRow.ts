import { PARTIALS_KEPT } from './frames';

/** Partials that are summed side by side; their number is a multiple of it. */
export const AT_ONCE = 5;

/** One side of the window, folded, and what its sums for each partial ended with, the step at the middle and the one before. */
export interface Row {
  readonly values: Float64Array;
  readonly last: Float64Array;
  readonly before: Float64Array;
}

export function emptyRow(length: number): Row {
  return {
    values: new Float64Array(length),
    last: new Float64Array(PARTIALS_KEPT),
    before: new Float64Array(PARTIALS_KEPT),
  };
}

/**
 * Runs Clenshaw's recurrence from the window's end to its middle for partials k + 1 to k + 5, two samples at a step: five
 * at a time, since each waits for its own last step. From an odd place on, so that the middle ends a step; past the end
 * the row is nought.
 */
export function sumFive({ values, last, before }: Row, half: number, twiceCos: Float64Array, k: number): void {
  const cosA = twiceCos[k]!;
  const cosB = twiceCos[k + 1]!;
  const cosC = twiceCos[k + 2]!;
  const cosD = twiceCos[k + 3]!;
  const cosE = twiceCos[k + 4]!;
  let a = 0;
  let b = 0;
  let c = 0;
  let d = 0;
  let e = 0;
  let beforeA = 0;
  let beforeB = 0;
  let beforeC = 0;
  let beforeD = 0;
  let beforeE = 0;
  for (let n = half | 1; n > 0; n -= 2) {
    const outer = values[n]!;
    const inner = values[n - 1]!;
    beforeA = outer - beforeA + cosA * a;
    beforeB = outer - beforeB + cosB * b;
    beforeC = outer - beforeC + cosC * c;
    beforeD = outer - beforeD + cosD * d;
    beforeE = outer - beforeE + cosE * e;
    a = inner - a + cosA * beforeA;
    b = inner - b + cosB * beforeB;
    c = inner - c + cosC * beforeC;
    d = inner - d + cosD * beforeD;
    e = inner - e + cosE * beforeE;
  }
  last[k] = a;
  before[k] = beforeA;
  last[k + 1] = b;
  before[k + 1] = beforeB;
  last[k + 2] = c;
  before[k + 2] = beforeC;
  last[k + 3] = d;
  before[k + 3] = beforeD;
  last[k + 4] = e;
  before[k + 4] = beforeE;
}
