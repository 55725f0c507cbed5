/**
 * First-order high-pass that takes out a constant offset without touching the lowest horn (0.16 dB at 52 Hz).
 * y[n] = x[n] − x[n−1] + r·y[n−1], corner 10 Hz. The first sample is taken as the offset, so that a recording with an
 * offset does not begin with a thump.
 */
export class DcBlocker {
  private readonly pole: number;
  private lastIn: number | undefined;
  private lastOut = 0;

  constructor(sampleRateHz: number) {
    this.pole = Math.exp((-2 * Math.PI * 10) / sampleRateHz);
  }

  /** Filters as much of `block` as `target` holds, from a place of it on (`target` may be the same array). */
  process(block: ArrayLike<number>, target: Float32Array, from = 0): void {
    if (target.length === 0) return;
    const { pole } = this;
    let before = this.lastIn ?? block[from]!;
    let out = this.lastOut;
    for (let i = 0; i < target.length; i++) {
      const x = block[from + i]!;
      out = x - before + pole * out;
      before = x;
      target[i] = out;
    }
    this.lastIn = before;
    this.lastOut = out;
  }
}
