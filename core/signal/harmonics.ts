import { amplitudeToDb } from './decibels';
import { PARTIALS_KEPT, SILENCE_DB } from './frames';
import type { SampleStore } from './sampleStore';
import { AT_ONCE, type Row, emptyRow, sumFive } from './partialRow';

/** Fewest periods in a window. */
const MIN_PERIODS = 3;
/** Window lengths, seconds, by how noisy the tone is. */
const WINDOW_S = { clean: 0.03, noisy: 0.05, airy: 0.1, rough: 0.2 } as const;
/** A noisy low tone needs more (a rough one has all it may): so many periods, but no longer than this, seconds. */
const PERIODS = { clean: MIN_PERIODS, noisy: 7, airy: 14, rough: Infinity } as const;
const LONGEST_S = { clean: 0.16, noisy: 0.16, airy: 0.16, rough: 0.2 } as const;
/** Partials above this share of the sample rate are left out (the thinning filter falls off there). */
const TOP_SHARE = 0.36;
/** A partial that wants to move the pitch by more than this is somebody else's sound. */
const OUTLIER_CENTS = 45;

/**
 * Partials of a tone whose pitch is nearly known, and from them the pitch exactly: each partial's frequency is read
 * from the phase slope under the window, and the pitch is their mean weighted by n²·power, which for a tone in white
 * noise is the most likely value.
 * Sources: F. Auger, P. Flandrin 1995, "Improving the readability of time-frequency … by the reassignment method",
 * eq. 15 (frequency from the window and its derivative); weights after B. G. Quinn, E. J. Hannan 2001, ch. 5.
 * The window holds a whole number of periods, so that the partials do not leak into one another.
 * Mutable and reused: fields hold the last call's result.
 */
export class Harmonics {
  f0Hz = 0;
  centroidPartials = 0;
  /** expected standard deviation of f0Hz, cents, from how far the partials disagree with the noise between them */
  pitchErrorCents = 0;
  readonly partialsDb = new Float32Array(PARTIALS_KEPT);
  private readonly amplitude = new Float64Array(PARTIALS_KEPT);
  private readonly offsetHz = new Float64Array(PARTIALS_KEPT);
  private readonly sorted = new Float64Array(PARTIALS_KEPT);
  /** twice the cosine and the sine of each partial's step from sample to sample */
  private readonly twiceCos = new Float64Array(PARTIALS_KEPT);
  private readonly sin = new Float64Array(PARTIALS_KEPT);
  private readonly even: Row;
  private readonly odd: Row;
  private readonly evenSlope: Row;
  private readonly oddSlope: Row;
  private readonly scratch: Float32Array<ArrayBuffer>;

  constructor(
    private readonly sampleRateHz: number,
    minHz: number,
  ) {
    const longest = Math.ceil((Math.max(1.1 * LONGEST_S.rough, MIN_PERIODS / minHz) * sampleRateHz) / 2) + 8;
    this.even = emptyRow(longest + 2);
    this.odd = emptyRow(longest + 2);
    this.evenSlope = emptyRow(longest + 2);
    this.oddSlope = emptyRow(longest + 2);
    this.scratch = new Float32Array(2 * longest + 1);
  }

  /** Whether the sample rate leaves room for every partial that is kept of a tone of `hz`. */
  holdsAllPartials(hz: number): boolean {
    return PARTIALS_KEPT * hz < TOP_SHARE * this.sampleRateHz;
  }

  /**
   * Measures around absolute index `centre`, starting from a pitch within about half a semitone. The longer the window,
   * the less noise moves the pitch (its variance falls with the cube of the length) and the less of a quick change is
   * seen.
   */
  measure(sound: SampleStore, centre: number, coarseHz: number, noise: keyof typeof WINDOW_S): void {
    const windowS = Math.max(WINDOW_S[noise], Math.min(LONGEST_S[noise], PERIODS[noise] / coarseHz));
    let hz = coarseHz;
    for (let round = 0; round < 2; round++) {
      this.project(sound, centre, hz, windowS);
      const moved = this.weightedOffset(hz);
      hz += moved;
      if (Math.abs(moved) < 0.002 * hz) break;
    }
    this.f0Hz = hz;
    this.summarise();
  }

  private project(sound: SampleStore, centre: number, hz: number, windowS: number): void {
    const { sampleRateHz, amplitude } = this;
    const rows = [this.even, this.odd, this.evenSlope, this.oddSlope] as const;
    const [even, odd, evenSlope, oddSlope] = [rows[0].values, rows[1].values, rows[2].values, rows[3].values];
    const periods = Math.max(MIN_PERIODS, Math.round(windowS * hz));
    const halfExact = Math.min(even.length - 2, (periods * sampleRateHz) / hz / 2);
    const half = Math.floor(halfExact);
    const samples = sound.window(centre - half, 2 * half + 1, this.scratch);
    let windowSum = 0;
    const twice = 2 * Math.cos(Math.PI / halfExact);
    let cos = 1;
    let sin = 0;
    let cosBefore = twice / 2;
    let sinBefore = -Math.sin(Math.PI / halfExact);
    for (let n = 0; n <= half; n++) {
      const weight = 0.5 + 0.5 * cos;
      const slope = ((-0.5 * Math.PI) / halfExact) * sin;
      const right = samples[half + n]!;
      const left = n === 0 ? 0 : samples[half - n]!;
      even[n] = (right + left) * weight;
      odd[n] = (right - left) * weight;
      evenSlope[n] = (right + left) * slope;
      oddSlope[n] = (right - left) * slope;
      windowSum += n === 0 ? weight : 2 * weight;
      const cosNext = twice * cos - cosBefore;
      cosBefore = cos;
      cos = cosNext;
      const sinNext = twice * sin - sinBefore;
      sinBefore = sin;
      sin = sinNext;
    }
    odd[0] = 0;
    oddSlope[0] = 0;
    const partials = Math.min(PARTIALS_KEPT, Math.floor((TOP_SHARE * sampleRateHz) / hz));
    const omega = (2 * Math.PI * hz) / sampleRateHz;
    for (let k = 0; k < PARTIALS_KEPT; k++) {
      this.twiceCos[k] = 2 * Math.cos((k + 1) * omega);
      this.sin[k] = Math.sin((k + 1) * omega);
    }
    for (const row of rows) {
      row.values[half + 1] = 0;
      for (let k = 0; k < partials; k += AT_ONCE) sumFive(row, half, this.twiceCos, k);
    }
    for (let k = 0; k < partials; k++) this.keep(k, windowSum);
    amplitude.fill(0, partials);
  }

  /** Amplitude of partial k + 1 and its distance from where it was looked for, from the sums over the window. */
  private keep(k: number, windowSum: number): void {
    const { even, odd, evenSlope, oddSlope } = this;
    const cos = this.twiceCos[k]! / 2;
    const sin = this.sin[k]!;
    const re = even.last[k]! - cos * even.before[k]!;
    const im = -sin * odd.before[k]!;
    const slopeRe = oddSlope.last[k]! - cos * oddSlope.before[k]!;
    const slopeIm = -sin * evenSlope.before[k]!;
    const power = re * re + im * im;
    this.amplitude[k] = (2 * Math.sqrt(power)) / windowSum;
    // Im(slope ÷ value) is the angular distance from the partial, radians a sample.
    const distance = power > 0 ? (slopeIm * re - slopeRe * im) / power : 0;
    this.offsetHz[k] = (-distance * this.sampleRateHz) / (2 * Math.PI * (k + 1));
  }

  private weightedOffset(hz: number): number {
    const limit = hz * (2 ** (OUTLIER_CENTS / 1200) - 1);
    const noise = this.noisePower();
    let sum = 0;
    let weights = 0;
    for (let k = 0; k < PARTIALS_KEPT; k++) {
      const weight = (k + 1) ** 2 * (this.amplitude[k]! ** 2 - noise);
      if (!(weight > 0) || Math.abs(this.offsetHz[k]!) > limit) continue;
      sum += weight * this.offsetHz[k]!;
      weights += weight;
    }
    return weights > 0 ? sum / weights : 0;
  }

  /** What noise alone gives a partial: twice the lower quartile of their powers, where there are enough of them. */
  private noisePower(): number {
    const { sorted, amplitude } = this;
    let count = 0;
    while (count < PARTIALS_KEPT && amplitude[count]! > 0) {
      sorted[count] = amplitude[count]! ** 2;
      count++;
    }
    return count < 8 ? 0 : 2 * sorted.subarray(0, count).sort()[count >> 2]!;
  }

  private summarise(): void {
    const { amplitude, offsetHz, f0Hz } = this;
    let moment = 0;
    let total = 0;
    let spread = 0;
    let weights = 0;
    let squares = 0;
    const mean = this.weightedOffset(f0Hz);
    for (let k = 0; k < PARTIALS_KEPT; k++) {
      moment += (k + 1) * amplitude[k]!;
      total += amplitude[k]!;
      this.partialsDb[k] = amplitude[k]! > 0 ? amplitudeToDb(amplitude[k]!) : SILENCE_DB;
      const weight = ((k + 1) * amplitude[k]!) ** 2;
      spread += weight * (offsetHz[k]! - mean) ** 2;
      weights += weight;
      squares += weight * weight;
    }
    this.centroidPartials = total > 0 ? moment / total : 0;
    const effective = squares > 0 ? (weights * weights) / squares : 1;
    const deviation = weights > 0 ? Math.sqrt(spread / weights / Math.max(1, effective - 1)) : 0;
    this.pitchErrorCents = f0Hz > 0 ? (1731 * deviation) / f0Hz : 0;
  }
}
