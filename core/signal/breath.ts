import type { SampleStore } from './sampleStore';
import { hann } from './window';

const WINDOW_S = 0.04;
/** Every fourth sample is enough for a power. */
const STRIDE = 4;
/** Below this the comb's own interpolation and the tone's natural jitter hide the noise, dB. */
const FLOOR_DB = -45;

/**
 * Breath ratio: power that does not repeat from period to period ÷ total power, dB, from the comb
 * e[n] = x[n] − (x[n−T] + x[n+T])/2, whose output holds 1.5 × the noise power and none of the tone.
 * Source: our choice; a symmetric form of the pitch-synchronous residual of E. Yumoto et al. 1982.
 */
export class BreathMeter {
  private readonly half: number;
  private readonly weight: Float64Array;
  private scratch = new Float32Array(1);

  constructor(private readonly sampleRateHz: number) {
    this.half = Math.round((WINDOW_S / 2) * sampleRateHz);
    this.weight = hann(this.half);
  }

  /** Ratio around absolute index `centre` for a tone of `hz`, −45…0 dB; 0 for silence. */
  at(sound: SampleStore, centre: number, hz: number): number {
    const { half, weight } = this;
    const period = this.sampleRateHz / hz;
    const reach = Math.ceil(period) + 4;
    const needed = 2 * (half + reach) + 1;
    if (this.scratch.length < needed) this.scratch = new Float32Array(2 * needed);
    const x = sound.window(centre - half - reach, needed, this.scratch);
    const whole = Math.floor(period);
    const [t0, t1, t2, t3, t4, t5] = lagrange6(period - whole);
    let noise = 0;
    let total = 0;
    for (let i = 0; i < weight.length; i += STRIDE) {
      const at = i + reach;
      const back = at - whole;
      const ahead = at + whole;
      const neighbours =
        t0 * (x[back + 2]! + x[ahead - 2]!) +
        t1 * (x[back + 1]! + x[ahead - 1]!) +
        t2 * (x[back]! + x[ahead]!) +
        t3 * (x[back - 1]! + x[ahead + 1]!) +
        t4 * (x[back - 2]! + x[ahead + 2]!) +
        t5 * (x[back - 3]! + x[ahead + 3]!);
      const rest = x[at]! - 0.5 * neighbours;
      noise += weight[i]! * rest * rest;
      total += weight[i]! * x[at]! * x[at]!;
    }
    if (!(total > 0)) return 0;
    return Math.min(0, Math.max(FLOOR_DB, 10 * Math.log10(noise / 1.5 / total)));
  }
}

/** Weights that read a row between its samples: entry t belongs to sample t − 2, for a place `fraction` past sample 0. */
function lagrange6(fraction: number): readonly [number, number, number, number, number, number] {
  const weight = (i: number) => {
    let product = 1;
    for (let j = 0; j < 6; j++) if (j !== i) product *= (fraction + 2 - j) / (i - j);
    return product;
  };
  return [weight(0), weight(1), weight(2), weight(3), weight(4), weight(5)];
}
