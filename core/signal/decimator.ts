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
  private readonly taps: Float64Array;
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
    this.taps = lowPass(this.half, 0.5 / factor);
    this.edge = new Float32Array(this.taps.length);
  }

  /** Makes every output that the input now reaches; with `flush`, silence is taken to follow. */
  pull(input: SampleStore, flush = false): void {
    const { half, factor, taps, edge } = this;
    const window = input.view();
    for (; this.next * factor + (flush ? 0 : half) < input.end; this.next++) {
      const from = this.next * factor - half;
      const local = from - input.start;
      if (local >= 0 && local + taps.length <= window.length) this.output.push(weighted(window, local, taps));
      else {
        input.read(from, edge);
        this.output.push(weighted(edge, 0, taps));
      }
    }
  }
}

function weighted(samples: Float32Array, from: number, taps: Float64Array): number {
  // Four sums at once keep the processor busy: this loop is a third of the ear's work.
  let a = 0;
  let b = 0;
  let c = 0;
  let d = 0;
  const last = taps.length - 3;
  let i = 0;
  for (; i < last; i += 4) {
    a += taps[i]! * samples[from + i]!;
    b += taps[i + 1]! * samples[from + i + 1]!;
    c += taps[i + 2]! * samples[from + i + 2]!;
    d += taps[i + 3]! * samples[from + i + 3]!;
  }
  for (; i < taps.length; i++) a += taps[i]! * samples[from + i]!;
  return a + b + c + d;
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
