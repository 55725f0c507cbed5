import { SampleStore } from './sampleStore';

/** Lowest sample rate the tracker works at, Hz: room for three partials of the highest note. */
const MIN_ANALYSIS_RATE_HZ = 20_000;
const TAPS_PER_FACTOR = 8;

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
  private readonly edge: Float32Array;
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
    this.edge = new Float32Array(taps.length);
  }

  /** Makes every output that the input now reaches; with `flush`, silence is taken to follow. */
  pull(input: SampleStore, flush = false): void {
    const { half, factor, edge } = this;
    const count = Math.ceil((input.end - (flush ? 0 : half)) / factor) - this.next;
    if (count <= 0) return;
    const out = new Float32Array(count);
    const window = input.view();
    for (let j = 0; j < count; j++) {
      const from = (this.next + j) * factor - half;
      const local = from - input.start;
      if (local >= 0 && local + 2 * half < window.length) out[j] = this.weighted(window, local);
      else {
        input.read(from, edge);
        out[j] = this.weighted(edge, 0);
      }
    }
    this.output.append(out);
    this.next += count;
  }

  /** The filter at one place. Its two sides are alike and share their products; for halves every second tap is zero. */
  private weighted(samples: Float32Array, from: number): number {
    const { half, side, factor } = this;
    const centre = from + half;
    const stride = factor === 2 ? 2 : 1;
    let sum = side[0]! * samples[centre]!;
    for (let i = 1; i <= half; i += stride) sum += side[i]! * (samples[centre - i]! + samples[centre + i]!);
    return sum;
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
