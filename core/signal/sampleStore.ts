/** How many whole samples hold so many seconds; Infinity for all of a sound. */
export function samplesFor(seconds: number, rateHz: number): number {
  // Less than a ten-thousandth of a sample is rounding, as in 2 s of frames of 10 ms.
  return Math.ceil(seconds * rateHz - 1e-4);
}

/**
 * A growing row of float samples addressed by absolute index, which may forget its oldest part. It lies in pieces of one size,
 * so that it never has to move: after minutes of sound that would hold up the block that comes then. Mutable.
 */
export class SampleStore {
  /** kept pieces, the oldest first */
  private readonly pieces: Float32Array<ArrayBuffer>[] = [];
  /** a piece that was forgotten, to be used again */
  private spare: Float32Array<ArrayBuffer> | undefined;
  private forgotten = 0;
  private count = 0;
  private readonly shift: number;
  private readonly mask: number;

  /**
   * @param retain how many of the newest samples must stay readable; Infinity keeps all
   * @param piece samples of a piece, a power of two
   * @throws RangeError for a fraction of a sample, which would shift every index after it
   */
  constructor(
    private readonly retain: number = Infinity,
    private readonly piece = 1 << 16,
  ) {
    if (retain !== Infinity && !(Number.isInteger(retain) && retain >= 0))
      throw new RangeError(`retain must be a whole number of samples, got ${retain}`);
    this.shift = Math.log2(piece);
    if (!Number.isInteger(this.shift)) throw new RangeError(`piece must be a power of two, got ${piece}`);
    this.mask = piece - 1;
  }

  /** Absolute index one past the newest sample. */
  get end(): number {
    return this.count;
  }

  /** Absolute index of the oldest sample still kept. */
  get start(): number {
    return this.forgotten * this.piece;
  }

  append(samples: ArrayLike<number>): void {
    for (let i = 0; i < samples.length;) {
      const piece = this.open();
      const at = this.count & this.mask;
      const upTo = Math.min(samples.length, i + piece.length - at);
      if (samples instanceof Float32Array) piece.set(samples.subarray(i, upTo), at);
      else for (let k = i; k < upTo; k++) piece[at + k - i] = samples[k]!;
      this.count += upTo - i;
      i = upTo;
    }
  }

  push(sample: number): void {
    this.open()[this.count & this.mask] = sample;
    this.count++;
  }

  /** Sample at an absolute index; 0 outside what is kept, as if silence surrounded the sound. */
  at(index: number): number {
    if (index >= this.count || index < this.start) return 0;
    return this.pieces[(index >> this.shift) - this.forgotten]![index & this.mask]!;
  }

  /** Copies `target.length` samples from absolute index `from`; zeros outside what is kept. */
  read(from: number, target: Float32Array | Float64Array): void {
    const { start, count, mask } = this;
    if (from < start || from + target.length > count) target.fill(0);
    const upTo = Math.min(count, from + target.length);
    for (let index = Math.max(start, from); index < upTo;) {
      const piece = this.pieces[(index >> this.shift) - this.forgotten]!;
      const at = index & mask;
      const length = Math.min(upTo - index, piece.length - at);
      target.set(piece.subarray(at, at + length), index - from);
      index += length;
    }
  }

  /**
   * `length` samples from absolute index `from`: a window on the store's own piece, or, where it reaches beyond one or outside
   * what is kept, a copy in `scratch`. Not to be written to.
   */
  window(from: number, length: number, scratch: Float32Array<ArrayBuffer>): Float32Array<ArrayBuffer> {
    const at = from & this.mask;
    if (length > 0 && from >= this.start && from + length <= this.count && at + length <= this.piece)
      return this.pieces[(from >> this.shift) - this.forgotten]!.subarray(at, at + length);
    const copy = scratch.subarray(0, length);
    this.read(from, copy);
    return copy;
  }

  /** A copy of what is kept between two absolute indices; of all when left out. */
  slice(from = this.start, upTo = this.count): Float32Array<ArrayBuffer> {
    const first = Math.max(from, this.start);
    const copy = new Float32Array(Math.max(0, Math.min(upTo, this.count) - first));
    this.read(first, copy);
    return copy;
  }

  /** The piece that the next sample goes into. */
  private open(): Float32Array<ArrayBuffer> {
    if (this.count >> this.shift >= this.forgotten + this.pieces.length) {
      if (this.count - (this.forgotten + 1) * this.piece >= this.retain) {
        this.spare = this.pieces.shift();
        this.forgotten++;
      }
      this.pieces.push(this.spare ?? new Float32Array(this.piece));
      this.spare = undefined;
    }
    return this.pieces.at(-1)!;
  }
}
