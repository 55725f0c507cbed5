import { powerToDb } from './decibels';
import { samplesFor, SampleStore } from './sampleStore';
import { hann } from './window';

/** Length of the level window, seconds: long enough that a 52 Hz tone does not ripple. */
const LEVEL_WINDOW_S = 0.04;

/** Samples whose power is summed before it is weighted: the weight changes by less than a hundredth over so few (odd). */
const GROUP = 9;

/**
 * RMS level under a 40 ms Hann weight, dBFS (full-scale sine −3.0). The sound must be free of offset. Powers are summed
 * in groups, each once, and weighted as groups: within 0.001 dB of the sum over samples.
 */
export class LevelMeter {
  /** so far the sound must reach beyond a centre */
  readonly half: number;
  private readonly reach: number;
  private readonly weight: Float64Array;
  private readonly groups: SampleStore;
  private scratch = new Float32Array(GROUP);
  private readonly near: Float32Array<ArrayBuffer>;

  /** @param retainS how many seconds stay readable */
  constructor(sampleRateHz: number, retainS = Infinity) {
    this.reach = Math.round((LEVEL_WINDOW_S / 2) * sampleRateHz);
    this.half = this.reach + GROUP;
    const window = hann(this.reach);
    const sum = window.reduce((total, value) => total + value, 0);
    this.weight = window.map((value) => value / sum);
    this.near = new Float32Array(Math.ceil(window.length / GROUP) + 1);
    this.groups = new SampleStore(samplesFor(retainS, sampleRateHz / GROUP), 1 << 13);
  }

  /** Takes in what has come of a sound; with `flush`, silence is taken to follow. */
  pull(sound: SampleStore, flush = false): void {
    const { groups } = this;
    const count = (flush ? Math.ceil(sound.end / GROUP) : Math.floor(sound.end / GROUP)) - groups.end;
    if (this.scratch.length < count * GROUP) this.scratch = new Float32Array(2 * count * GROUP);
    const samples = sound.window(groups.end * GROUP, count * GROUP, this.scratch);
    for (let at = 0; at < samples.length; at += GROUP) {
      let power = 0;
      for (let i = at; i < at + GROUP; i++) power += samples[i]! * samples[i]!;
      groups.push(power);
    }
  }

  /** Level around the absolute sample index `centre`; SILENCE_DB for silence. */
  at(centre: number): number {
    const { weight, groups, reach, near } = this;
    const first = centre - reach;
    // A group weighs what its middle sample does.
    const from = Math.ceil((first - (GROUP >> 1)) / GROUP);
    const offset = from * GROUP + (GROUP >> 1) - first;
    const count = Math.ceil((weight.length - offset) / GROUP);
    const powers = groups.window(from, count, near);
    let power = 0;
    for (let i = 0, at = offset; i < count; i++, at += GROUP) power += weight[at]! * powers[i]!;
    return powerToDb(power);
  }
}
