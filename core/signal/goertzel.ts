/**
 * Power of one frequency in a row of samples: |Σ x[n]·e^(−2πi·f·n)|².
 * Source: G. Goertzel 1958, "An algorithm for the evaluation of finite trigonometric series".
 * @param frequency cycles a sample
 */
export function powerAt(samples: Float64Array, frequency: number): number {
  const twice = 2 * Math.cos(2 * Math.PI * frequency);
  let last = 0;
  let before = 0;
  for (let i = 0; i < samples.length; i++) {
    const next = samples[i]! - before + twice * last;
    before = last;
    last = next;
  }
  return last * last + before * before - twice * last * before;
}
