/** Float samples as 16-bit; what lies beyond full scale is held at it. */
export function toInt16(samples: ArrayLike<number>): Int16Array<ArrayBuffer> {
  return Int16Array.from(samples, (x) => Math.round(32767 * Math.max(-1, Math.min(1, x))));
}

/** 16-bit samples as float. */
export function fromInt16(samples: Int16Array): Float32Array<ArrayBuffer> {
  return Float32Array.from(samples, (x) => x / 32767);
}
