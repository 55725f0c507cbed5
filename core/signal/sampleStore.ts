/** How many whole samples hold so many seconds; Infinity for all of a sound. */
export function samplesFor(seconds: number, rateHz: number): number {
  // Less than a ten-thousandth of a sample is rounding, as in 2 s of frames of 10 ms.
  return Math.ceil(seconds * rateHz - 1e-4);
}

/**
 * A growing row of float samples addressed by absolute index, which may forget its oldest part. Mutable and reused:
 * `view` gives a window on the store's own buffer that is valid until the next `append`.
 */
export class SampleStore {
  private buffer: Float32Array<ArrayBuffer>;
  private base = 0;
  private used = 0;

  /**
   * @param retain how many of the newest samples must stay readable; Infinity keeps all
   * @throws RangeError for a fraction of a sample, which would shift every index after it
   */
  constructor(
    private readonly retain: number = Infinity,
    capacity = 1 << 16,
  ) {
    if (retain !== Infinity && !(Number.isInteger(retain) && retain >= 0))
      throw new RangeError(`retain must be a whole number of samples, got ${retain}`);
    this.buffer = new Float32Array(capacity);
  }

  /** Absolute index one past the newest sample. */
  get end(): number {
    return this.base + this.used;
  }

  /** Absolute index of the oldest sample still kept. */
  get start(): number {
    return this.base;
  }

  /** Makes sure that so many more samples fit, so that they can be appended bit by bit. */
  reserve(more: number): void {
    if (this.used > 2 * this.retain) {
      const drop = this.used - this.retain;
      this.buffer.copyWithin(0, drop, this.used);
      this.base += drop;
      this.used -= drop;
    }
    if (this.used + more <= this.buffer.length) return;
    const larger = new Float32Array(Math.max(2 * this.buffer.length, this.used + more));
    larger.set(this.buffer.subarray(0, this.used));
    this.buffer = larger;
  }

  append(samples: ArrayLike<number>): void {
    this.extend(samples.length).set(samples);
  }

  /** Makes room for `count` more samples: a window on the store's own buffer, to be filled at once. */
  extend(count: number): Float32Array<ArrayBuffer> {
    this.reserve(count);
    this.used += count;
    return this.buffer.subarray(this.used - count, this.used);
  }

  push(sample: number): void {
    if (this.used === this.buffer.length) this.reserve(1);
    this.buffer[this.used++] = sample;
  }

  /** Sample at an absolute index; 0 outside what is kept, as if silence surrounded the sound. */
  at(index: number): number {
    const local = index - this.base;
    return local >= 0 && local < this.used ? this.buffer[local]! : 0;
  }

  /** Copies `target.length` samples from absolute index `from`; zeros outside what is kept. */
  read(from: number, target: Float32Array | Float64Array): void {
    const local = from - this.base;
    if (local >= 0 && local + target.length <= this.used) {
      target.set(this.buffer.subarray(local, local + target.length));
      return;
    }
    for (let i = 0; i < target.length; i++) target[i] = this.at(from + i);
  }

  /**
   * `length` samples from absolute index `from`: a window on the store's own buffer, or, where it reaches outside what is
   * kept, a copy with zeros in `scratch`. Not to be written to.
   */
  window(from: number, length: number, scratch: Float32Array<ArrayBuffer>): Float32Array<ArrayBuffer> {
    const local = from - this.base;
    if (local >= 0 && local + length <= this.used) return this.buffer.subarray(local, local + length);
    const copy = scratch.subarray(0, length);
    this.read(from, copy);
    return copy;
  }

  /** Everything kept, as a window on the store's own buffer. */
  view(): Float32Array<ArrayBuffer> {
    return this.buffer.subarray(0, this.used);
  }
}
