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
  /** what the outputs of a block are made from, where the input doesn't hold all of it */
  private readonly scratch: Float32Array<ArrayBuffer>;
  /** the window's samples by turns: those the middle tap meets, and the others */
  private readonly middles: Float64Array;
  private readonly others: Float64Array;
  private readonly block = new Float32Array(BLOCK);
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
    this.scratch = new Float32Array(BLOCK * factor + taps.length);
    this.middles = new Float64Array(BLOCK + this.half + AT_ONCE);
    this.others = new Float64Array(BLOCK + this.half + AT_ONCE);
  }

  /** Makes every output that the input now reaches; with `flush`, silence is taken to follow. */
  pull(input: SampleStore, flush = false): void {
    const { half, factor } = this;
    const total = Math.ceil((input.end - (flush ? 0 : half)) / factor);
    while (this.next < total) {
      const count = Math.min(BLOCK, total - this.next);
      this.filter(input.window(this.next * factor - half, (count - 1) * factor + 2 * half + 1, this.scratch), count);
      this.output.append(this.block.subarray(0, count));
      this.next += count;
    }
  }

  /** Fills the block. The filter's two sides are alike and share their products; for halves every second tap is zero. */
  private filter(window: Float32Array, count: number): void {
    const { block, half, factor, side } = this;
    if (factor === 2) return this.halve(window, count);
    for (let j = 0, at = half; j < count; j++, at += factor) {
      let sum = side[0]! * window[at]!;
      for (let i = 1; i <= half; i++) sum += side[i]! * (window[at - i]! + window[at + i]!);
      block[j] = sum;
    }
  }

  /** The same for halves: beside the middle one the taps meet every second sample, and these lie side by side here. */
  private halve(window: Float32Array, count: number): void {
    const { block, half, side, middles, others } = this;
    const middle = side[0]!;
    const sides = half / 2;
    for (let i = 0; i < count + half - 1; i++) {
      middles[i] = window[2 * i]!;
      others[i] = window[2 * i + 1]!;
    }
    for (let j = 0; j < count; j += AT_ONCE) {
      let a = middle * middles[j + sides]!;
      let b = middle * middles[j + sides + 1]!;
      let c = middle * middles[j + sides + 2]!;
      let d = middle * middles[j + sides + 3]!;
      // What each of the four meets to its left and right: at the next tap that is what its neighbour met.
      let leftA = others[j + sides]!;
      let leftB = others[j + sides + 1]!;
      let leftC = others[j + sides + 2]!;
      let rightB = leftA;
      let rightC = leftB;
      let rightD = leftC;
      for (let i = 0; i < sides; i++) {
        const tap = side[2 * i + 1]!;
        const leftD = leftC;
        leftC = leftB;
        leftB = leftA;
        leftA = others[j + sides - 1 - i]!;
        const rightA = rightB;
        rightB = rightC;
        rightC = rightD;
        rightD = others[j + sides + 3 + i]!;
        a += tap * (leftA + rightA);
        b += tap * (leftB + rightB);
        c += tap * (leftC + rightC);
        d += tap * (leftD + rightD);
      }
      block[j] = a;
      block[j + 1] = b;
      block[j + 2] = c;
      block[j + 3] = d;
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
