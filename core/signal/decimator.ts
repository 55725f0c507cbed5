import { SampleStore } from './sampleStore';

/** Lowest sample rate the tracker works at, Hz: room for three partials of the highest note. */
const MIN_ANALYSIS_RATE_HZ = 20_000;
const TAPS_PER_FACTOR = 8;
/** Outputs that are made at a time. */
const BLOCK = 512;
/** Outputs that are summed side by side: each sum waits for its own last step. BLOCK is a multiple of it. */
const AT_ONCE = 4;

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
  /** every second sample of the window, where only those count */
  private readonly others: Float64Array;
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
    this.others = new Float64Array(BLOCK + this.half + AT_ONCE);
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

  /** Fills the block. The filter's two sides are alike and share their products; for halves every second tap is zero. */
  private filter(window: Float64Array, count: number): void {
    const { block, half, factor, side } = this;
    if (factor === 2) return this.halve(window, count);
    for (let j = 0, at = half; j < count; j++, at += factor) {
      let sum = side[0]! * window[at]!;
      for (let i = 1; i <= half; i++) sum += side[i]! * (window[at - i]! + window[at + i]!);
      block[j] = sum;
    }
  }

  /** The same for halves: beside the middle one the taps meet every second sample, and these lie side by side here. */
  private halve(window: Float64Array, count: number): void {
    const { block, half, side, others } = this;
    const sides = half / 2;
    for (let i = 0; i < count + 2 * sides - 1; i++) others[i] = window[2 * i + 1]!;
    for (let j = 0; j < count; j += AT_ONCE) {
      let a = 0;
      let b = 0;
      let c = 0;
      let d = 0;
      for (let i = 0, left = j + sides - 1, right = j + sides; i < sides; i++, left--, right++) {
        const tap = side[2 * i + 1]!;
        a += tap * (others[left]! + others[right]!);
        b += tap * (others[left + 1]! + others[right + 1]!);
        c += tap * (others[left + 2]! + others[right + 2]!);
        d += tap * (others[left + 3]! + others[right + 3]!);
      }
      block[j] = a;
      block[j + 1] = b;
      block[j + 2] = c;
      block[j + 3] = d;
    }
    for (let j = 0; j < count; j++) block[j]! += side[0]! * window[2 * j + half]!;
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
