import { powerToDb } from './decibels';
import type { SampleStore } from './sampleStore';
import { hann } from './window';

/** Length of the level window, seconds: long enough that a 52 Hz tone does not ripple. */
const LEVEL_WINDOW_S = 0.04;

/** RMS level under a 40 ms Hann weight, dBFS (full-scale sine −3.0). The sound must be free of offset. */
export class LevelMeter {
  private readonly weight: Float64Array;
  private readonly scratch: Float32Array;
  readonly half: number;

  constructor(sampleRateHz: number) {
    this.half = Math.round((LEVEL_WINDOW_S / 2) * sampleRateHz);
    const window = hann(this.half);
    const sum = window.reduce((total, value) => total + value, 0);
    this.weight = window.map((value) => value / sum);
    this.scratch = new Float32Array(window.length);
  }

  /** Level around the absolute sample index `centre`; SILENCE_DB for silence. */
  at(sound: SampleStore, centre: number): number {
    const { weight, scratch } = this;
    sound.read(centre - this.half, scratch);
    let power = 0;
    for (let i = 0; i < weight.length; i++) power += weight[i]! * scratch[i]! * scratch[i]!;
    return powerToDb(power);
  }
}
