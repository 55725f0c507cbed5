/**
 * Hann window centred on its middle sample, of 2·half + 1 samples, zero one sample beyond each end.
 * Source: F. J. Harris 1978, "On the use of windows", eq. 27.
 */
export function hann(half: number): Float64Array {
  const out = new Float64Array(2 * half + 1);
  for (let i = -half; i <= half; i++) out[i + half] = 0.5 + 0.5 * Math.cos((Math.PI * i) / (half + 1));
  return out;
}
