import { SampleStore } from './sampleStore';

/** Lowest sample rate the tracker works at, Hz: room for three partials of the highest note. */
const MIN_ANALYSIS_RATE_HZ = 20_000;
const TAPS_PER_FACTOR = 8;
/** Outputs that are made at a time. */
const BLOCK = 512;

/** Whole factor by which a recording is thinned for tracking: 44.1 and 48 kHz by 2, 96 kHz by 4, 16 kHz by 1. */
export function decimationFactor(sampleRateHz: number): number {
  return Math.max(1, Math.floor(sampleRateHz / MIN_ANALYSIS_RATE_HZ));
}

/**
 * Streaming low-pass and thinning by a whole factor, without delay: output sample j stands for input sample
 * j × factor. Kaiser-windowed sinc, −6 dB at half the new rate, flat to 0.35 and about 70 dB down from 0.65 of it on.
 */
export class Decimator {
  readonly output: SampleStore;
  /** the middle tap and those to one side of it */
  private readonly side: Float64Array;
  private readonly half: number;
  private readonly window: Float64Array;
  private readonly block = new Float64Array(BLOCK);
  private next = 0;

  constructor(
    readonly factor: number,
    retainSamples = Infinity,
  ) {
    if (!Number.isInteger(factor) || factor < 1)
      throw new RangeError(`factor must be a whole number ≥ 1, got ${factor}`);
    this.output = new SampleStore(retainSamples);
    this.half = factor === 1 ? 0 : TAPS_PER_FACTOR * factor;
    const taps = lowPass(this.half, 0.5 / factor);
    this.side = taps.slice(this.half);
    this.window = new Float64Array(BLOCK * factor + taps.length);
  }

  /** Makes every output that the input now reaches; with `flush`, silence is taken to follow. */
  pull(input: SampleStore, flush = false): void {
    const { half, factor } = this;
    const total = Math.ceil((input.end - (flush ? 0 : half)) / factor);
    while (this.next < total) {
      const count = Math.min(BLOCK, total - this.next);
      const window = this.window.subarray(0, (count - 1) * factor + 2 * half + 1);
      input.read(this.next * factor - half, window);
      this.filter(window, count);
      this.output.append(this.block.subarray(0, count));
      this.next += count;
    }
  }

  /**
   * Fills the block, one tap after the other over all its samples. The filter's two sides are alike and share their
   * products; for halves every second tap is zero.
   */
  private filter(window: Float64Array, count: number): void {
    const { block, half, factor, side } = this;
    const stride = factor === 2 ? 2 : 1;
    for (let j = 0; j < count; j++) block[j] = side[0]! * window[j * factor + half]!;
    for (let i = 1; i <= half; i += stride) {
      const tap = side[i]!;
      for (let j = 0, at = half; j < count; j++, at += factor) block[j]! += tap * (window[at - i]! + window[at + i]!);
    }
  }
}

function lowPass(half: number, cutoffCyclesPerSample: number): Float64Array {
  const taps = new Float64Array(2 * half + 1);
  let sum = 0;
  for (let i = -half; i <= half; i++) {
    const x = 2 * Math.PI * cutoffCyclesPerSample * i;
    const tap = (i === 0 ? 1 : Math.sin(x) / x) * kaiser(half === 0 ? 0 : i / half, 6.8);
    taps[i + half] = tap;
    sum += tap;
  }
  return taps.map((tap) => tap / sum);
}

function kaiser(position: number, beta: number): number {
  return besselI0(beta * Math.sqrt(Math.max(0, 1 - position * position))) / besselI0(beta);
}

function besselI0(x: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; k < 40; k++) {
    term *= (x / (2 * k)) ** 2;
    sum += term;
  }
  return sum;
}
