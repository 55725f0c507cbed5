import FFT from 'fft.js';
import type { Candidates } from './candidates';
import type { SampleStore } from './sampleStore';
import { hann } from './window';

/** Periods of the lowest pitch that the window must hold for its autocorrelation to be trusted. */
const PERIODS_IN_WINDOW = 3;

/** A period that is a multiple of the true one is found out at these divisions (4 and 6 are covered by 2 and 3). */
const DIVISIONS = [2, 3, 5, 7] as const;

/** Corner of the gentle low-pass before the autocorrelation, Hz: breath noise lies above what decides the pitch. */
const TILT_CORNER_HZ = 2500;

/**
 * Normalised autocorrelation of one window length.
 * Source: P. Boersma 1993, "Accurate short-term analysis of the fundamental frequency …", eq. 9: the autocorrelation of
 * the windowed sound divided by that of the window is unbiased at every lag. The tilt before it is our choice.
 */
export class Periodicity {
  readonly half: number;
  private readonly weight: Float64Array;
  private readonly fft: FFT;
  private readonly halfFft: FFT;
  private readonly folded: Float64Array;
  /** tilted power of each frequency up to the finer rate's half; none above the sound's own */
  private readonly power: Float64Array;
  private readonly sines: Float64Array;
  private readonly cosines: Float64Array;
  /** the windowed sound; as complex numbers for the transform: even samples real, odd ones imaginary */
  private readonly packed: Float64Array;
  private readonly spectrum: Float64Array;
  private readonly correlation: Float64Array;
  /** one over the autocorrelation of the window, by lag */
  private readonly inverseGain: Float64Array;
  private readonly normalised: Float64Array;
  private readonly tilt: Float64Array;
  private readonly scratch: Float32Array<ArrayBuffer>;
  private readonly minLag: number;
  private readonly maxLag: number;

  /** Searches `minHz`–`maxHz` in sound of `sampleRateHz`, at lags `finer` times as close as its samples (a power of two). */
  constructor(
    private readonly sampleRateHz: number,
    readonly minHz: number,
    readonly maxHz: number,
    private readonly finer = 1,
  ) {
    this.half = Math.ceil((PERIODS_IN_WINDOW / 2 / minHz) * sampleRateHz);
    this.weight = hann(this.half);
    this.scratch = new Float32Array(this.weight.length);
    const lagRateHz = sampleRateHz * finer;
    this.minLag = Math.max(2, Math.floor(lagRateHz / maxHz) - 1);
    this.maxLag = Math.ceil(lagRateHz / minHz) + 1;
    const size = 2 ** Math.ceil(Math.log2(finer * this.weight.length + this.maxLag + 2));
    this.fft = new FFT(size / 2 / finer);
    this.packed = new Float64Array(size / finer);
    this.spectrum = new Float64Array(size);
    this.power = new Float64Array(size / 2 + 1);
    this.halfFft = new FFT(size / 4);
    this.folded = new Float64Array(size / 2);
    this.sines = Float64Array.from({ length: size / 2 }, (_, k) => Math.sin((2 * Math.PI * k) / size));
    this.cosines = Float64Array.from({ length: size / 2 }, (_, k) => Math.cos((2 * Math.PI * k) / size));
    this.correlation = new Float64Array(2 * Math.ceil((this.maxLag + 2) / 2));
    this.tilt = new Float64Array(size / 2 + 1);
    for (let bin = 0; bin < this.tilt.length; bin++)
      this.tilt[bin] = 1 / (1 + ((bin * lagRateHz) / size / TILT_CORNER_HZ) ** 2);
    this.inverseGain = this.gainOfWindow().map((gain) => 1 / gain);
    this.normalised = new Float64Array(this.maxLag + 2);
  }

  /** Adds the periodicities around `centre` to the candidates. Silence adds none. */
  addTo(candidates: Candidates, sound: SampleStore, centre: number): void {
    this.correlate(sound, centre);
    const zero = this.correlation[0]!;
    if (!(zero > 0)) return;
    const { normalised, correlation, inverseGain, minLag } = this;
    const scale = 1 / zero;
    let before = 0;
    let here = 0;
    for (let next = 0; next < normalised.length; next++) {
      const after = correlation[next]! * scale * inverseGain[next]!;
      normalised[next] = after;
      if (here > 0.15 && here >= before && here > after && next > minLag)
        this.addPeak(candidates, next - 1, before, here, after);
      before = here;
      here = after;
    }
  }

  private addPeak(candidates: Candidates, lag: number, before: number, here: number, after: number): void {
    const curve = before - 2 * here + after;
    const shift = curve < 0 ? (0.5 * (before - after)) / curve : 0;
    const peak = Math.min(1, here - 0.25 * (before - after) * shift);
    const frequency = (this.finer * this.sampleRateHz) / (lag + shift);
    if (frequency >= this.minHz && frequency <= this.maxHz)
      candidates.add(frequency, peak, peak - this.strongestDivision(lag + shift));
  }

  /** Largest correlation at a whole division of a lag: near the lag's own when the true period is that division. */
  private strongestDivision(lag: number): number {
    let strongest = -1;
    for (const division of DIVISIONS) {
      const at = lag / division;
      const below = Math.floor(at);
      const a = this.normalised[below]!;
      strongest = Math.max(strongest, a + (at - below) * (this.normalised[below + 1]! - a));
    }
    return strongest;
  }

  private correlate(sound: SampleStore, centre: number): void {
    const { weight, packed, tilt } = this;
    const samples = sound.window(centre - this.half, weight.length, this.scratch);
    for (let i = 0; i < weight.length; i++) packed[i] = samples[i]! * weight[i]!;
    this.powerToCorrelation(tilt);
  }

  /**
   * Autocorrelation at each lag from the windowed input. The power spectrum is real and even, so the way back is a cosine
   * transform, done by a real transform of half the size; each real transform is a complex one of half its own size, its
   * even samples taken as real and its odd ones as imaginary parts. Frequencies above the sound's own are taken as silent,
   * which gives finer lags for the same sound. Source: W. H. Press et al., "Numerical Recipes",
   * §12.3.2 and §12.4.2.
   */
  private powerToCorrelation(tilt: Float64Array): void {
    const { packed, spectrum, folded, power, sines, cosines, correlation, finer } = this;
    this.fft.transform(spectrum, packed);
    const half = folded.length;
    const top = half / finer;
    power[0] = (spectrum[0]! + spectrum[1]!) ** 2 * tilt[0]!;
    power[top] = (spectrum[0]! - spectrum[1]!) ** 2 * tilt[top]!;
    power[top / 2] = (spectrum[top]! ** 2 + spectrum[top + 1]! ** 2) * tilt[top / 2]!;
    for (let k = 1; k < top / 2; k++) {
      const sin = sines[finer * k]!;
      const cos = cosines[finer * k]!;
      const at = 2 * (top - k);
      const evenRe = 0.5 * (spectrum[2 * k]! + spectrum[at]!);
      const evenIm = 0.5 * (spectrum[2 * k + 1]! - spectrum[at + 1]!);
      const oddRe = 0.5 * (spectrum[2 * k + 1]! + spectrum[at + 1]!);
      const oddIm = 0.5 * (spectrum[at]! - spectrum[2 * k]!);
      const both = evenRe * evenRe + evenIm * evenIm + oddRe * oddRe + oddIm * oddIm;
      const cross = 2 * (evenRe * (cos * oddRe + sin * oddIm) + evenIm * (cos * oddIm - sin * oddRe));
      power[k] = (both + cross) * tilt[k]!;
      power[top - k] = (both - cross) * tilt[top - k]!;
    }
    let odd = 0.5 * (power[0]! - power[half]!);
    folded[0] = 0.5 * (power[0]! + power[half]!);
    folded[half / 2] = power[half / 2]!;
    for (let k = 1; k < half / 2; k++) {
      const low = power[k]!;
      const high = power[half - k]!;
      const turned = sines[k]! * (low - high);
      folded[k] = 0.5 * (low + high) - turned;
      folded[half - k] = 0.5 * (low + high) + turned;
      odd += cosines[k]! * (low - high);
    }
    this.halfFft.transform(spectrum, folded);
    correlation[0] = spectrum[0]! + spectrum[1]!;
    correlation[1] = odd;
    for (let k = 1; 2 * k < correlation.length; k++) {
      const sin = sines[2 * k]!;
      const cos = cosines[2 * k]!;
      const at = half - 2 * k;
      const oddRe = 0.5 * (spectrum[2 * k + 1]! + spectrum[at + 1]!);
      const oddIm = 0.5 * (spectrum[at]! - spectrum[2 * k]!);
      odd -= 0.5 * (spectrum[2 * k + 1]! - spectrum[at + 1]!) + cos * oddIm - sin * oddRe;
      correlation[2 * k] = 0.5 * (spectrum[2 * k]! + spectrum[at]!) + cos * oddRe + sin * oddIm;
      correlation[2 * k + 1] = odd;
    }
  }

  private gainOfWindow(): Float64Array {
    const flat = new Float64Array(this.tilt.length).fill(1);
    this.packed.set(this.weight);
    this.powerToCorrelation(flat);
    return this.correlation.map((value) => value / this.correlation[0]!);
  }
}
