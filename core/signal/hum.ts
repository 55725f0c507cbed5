import { HOP_S, SILENCE_DB } from './frames';
import { powerAt } from './goertzel';
import { hann } from './window';

const MAINS_HZ = [50, 60] as const;
/** Mains harmonics that are taken out. */
const HARMONICS = 12;
/** A rest shorter than this tells nothing, seconds; a longer one is measured in pieces of this. */
const LEAST_REST_S = 0.3;
const LONGEST_REST_S = 1;
/** A line stands out of its surroundings by this much, dB. */
const LINE_DB = 14;
/** How far beside the line its surroundings are measured, Hz (beyond the window's own width for 0.3 s). */
const BESIDE_HZ = 11;
/** Rests are as quiet as the quietest part of the sound, within this, dB. */
const REST_SPREAD_DB = 3;
/** A sound without rests is hum only when it is steadier than any player (level spread, dB) and not loud (dBFS). */
const STEADY_DB = 0.5;
const LOUDEST_HUM_DB = -32;

/** Hum that was found, and the rests it can be measured in, frames. */
export interface MainsHum {
  readonly hz: number;
  readonly rests: readonly Stretch[];
}

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/**
 * Mains hum under a sound, or undefined. Listens in the longest of the quietest stretches for a line at the mains
 * frequency or its octave that stands out of its surroundings. Our choice.
 */
export function mainsHum(sound: Float32Array, sampleRateHz: number, levelDb: ArrayLike<number>): MainsHum | undefined {
  const rests = quietStretches(levelDb);
  const [longest] = [...rests].sort((a, b) => b.to - b.from - (a.to - a.from));
  if (!longest) return undefined;
  const heard = weigh(sound, longest, sampleRateHz);
  const power = (hz: number) => (4 * powerAt(heard.samples, hz / sampleRateHz)) / heard.weightSum ** 2;
  for (const hz of MAINS_HZ) {
    const standsOut = (k: number) => {
      const beside = Math.max(power(k * hz - BESIDE_HZ), power(k * hz + BESIDE_HZ), 1e-13);
      return 10 * Math.log10(power(k * hz) / beside) > LINE_DB;
    };
    if (standsOut(1) || standsOut(2)) return { hz, rests };
  }
  return undefined;
}

/**
 * Stretches of frames as quiet as the quietest tenth or, where less than a tenth is rest, as the quietest rest: else a soft
 * beginning would pass for one, and what sounds in it for hum. None is shorter or longer than the limits.
 */
function quietStretches(levelDb: ArrayLike<number>): Stretch[] {
  const heard = Float64Array.from(levelDb).filter((db) => db > SILENCE_DB);
  const sorted = heard.slice().sort();
  const least = Math.round(LEAST_REST_S / HOP_S);
  if (sorted.length < least) return [];
  const floor = Math.min(sorted[Math.floor(sorted.length * 0.1)]!, quietestOf(heard, least));
  const loud = sorted[Math.floor(sorted.length * 0.9)]!;
  const restless = loud - floor < 2 * REST_SPREAD_DB;
  if (restless && (loud - floor > STEADY_DB || floor > LOUDEST_HUM_DB)) return [];
  const found: Stretch[] = [];
  let from = -1;
  for (let i = 0; i <= levelDb.length; i++) {
    const quiet = i < levelDb.length && levelDb[i]! <= floor + REST_SPREAD_DB;
    if (quiet && from < 0) from = i;
    const long = i - from >= LONGEST_REST_S / HOP_S;
    if (from < 0 || (quiet && !long)) continue;
    if (i - from >= least) found.push({ from, to: i });
    from = quiet ? i : -1;
  }
  return found;
}

/** How loud it gets in the quietest stretch of so many frames, dB. */
function quietestOf(levelDb: Float64Array, frames: number): number {
  let quietest = Infinity;
  for (let i = 0; i + frames <= levelDb.length; i++)
    quietest = Math.min(quietest, Math.max(...levelDb.subarray(i, i + frames)));
  return quietest;
}

/** A stretch of sound under a Hann weight. */
interface Weighted {
  readonly from: number;
  readonly samples: Float64Array;
  readonly weightSum: number;
}

function weigh(sound: Float32Array, stretch: Stretch, sampleRateHz: number): Weighted {
  const sample = (frame: number) => Math.min(sound.length, Math.round(frame * HOP_S * sampleRateHz));
  const from = sample(stretch.from);
  const weight = hann(Math.floor((sample(stretch.to) - from - 1) / 2));
  return {
    from,
    samples: weight.map((value, i) => value * sound[from + i]!),
    weightSum: weight.reduce((sum, value) => sum + value, 0),
  };
}

/** Complex amplitude of a line, its phase counted from the first sample of the sound. */
function line({ from, samples, weightSum }: Weighted, hz: number, sampleRateHz: number): { re: number; im: number } {
  const step = (2 * Math.PI * hz) / sampleRateHz;
  const stepCos = Math.cos(step);
  const stepSin = Math.sin(step);
  let c = Math.cos(step * from);
  let s = Math.sin(step * from);
  let re = 0;
  let im = 0;
  for (let i = 0; i < samples.length; i++) {
    re += samples[i]! * c;
    im -= samples[i]! * s;
    const next = c * stepCos - s * stepSin;
    s = s * stepCos + c * stepSin;
    c = next;
  }
  return { re: (2 * re) / weightSum, im: (2 * im) / weightSum };
}

/**
 * A copy of a sound without its hum: each line is measured in the rests, taken to change evenly from one rest to the next,
 * and taken off throughout. A horn note on the same frequency keeps all but that much.
 */
export function withoutHum(sound: Float32Array, sampleRateHz: number, hum: MainsHum): Float32Array<ArrayBuffer> {
  const out = Float32Array.from(sound);
  const middles = hum.rests.map(({ from, to }) => ((from + to) / 2) * HOP_S * sampleRateHz);
  const rests = hum.rests.map((rest) => weigh(sound, rest, sampleRateHz));
  for (let k = 1; k <= HARMONICS; k++) {
    const lines = rests.map((rest) => line(rest, k * hum.hz, sampleRateHz));
    const step = (2 * Math.PI * k * hum.hz) / sampleRateHz;
    let next = 0;
    for (let i = 0; i < out.length; i++) {
      while (next < middles.length - 1 && middles[next]! < i) next++;
      const after = lines[next]!;
      const before = lines[Math.max(0, next - 1)]!;
      const gap = middles[next]! - middles[Math.max(0, next - 1)]!;
      const share = gap > 0 ? Math.min(1, Math.max(0, 1 - (middles[next]! - i) / gap)) : 1;
      const re = before.re + share * (after.re - before.re);
      const im = before.im + share * (after.im - before.im);
      out[i]! -= re * Math.cos(step * i) - im * Math.sin(step * i);
    }
  }
  return out;
}
