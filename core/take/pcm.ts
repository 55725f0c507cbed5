/** Float samples as 16-bit; what lies beyond full scale is held at it. */
export function toInt16(samples: ArrayLike<number>): Int16Array<ArrayBuffer> {
  // Plain loops: a mapping function for each sample costs a hundred times as much.
  const whole = new Int16Array(samples.length);
  for (let i = 0; i < whole.length; i++) whole[i] = Math.round(32767 * Math.max(-1, Math.min(1, samples[i]!)));
  return whole;
}

/** 16-bit samples as float. */
export function fromInt16(samples: Int16Array): Float32Array<ArrayBuffer> {
  const floats = new Float32Array(samples.length);
  for (let i = 0; i < floats.length; i++) floats[i] = samples[i]! / 32767;
  return floats;
}
