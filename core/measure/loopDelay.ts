import { median, robustDeviation } from './statistics';

/** The click of the metronome and of the loop check: a sine that dies away in `lengthS` to a five-hundredth. */
export const LOOP_CLICK = { hz: 2637, lengthS: 0.03, fall: 500 } as const;
/** The longest way round that is looked for, seconds. */
const LONGEST_S = 0.6;
/** A click stands out of its surroundings by this factor. */
const STANDS_OUT = 5;
/** At least this share of the clicks must come back, and their delays may differ by no more than this, seconds. */
const LEAST_SHARE = 0.6;
const LARGEST_SPREAD_S = 0.012;

/** The way of the sound from the program through speaker, air and microphone back to it. */
export type LoopDelay =
  | {
      readonly kind: 'measured';
      readonly delayS: number;
      /** robust standard deviation between the clicks, seconds */
      readonly spreadS: number;
      readonly heard: number;
      readonly played: number;
    }
  | {
      readonly kind: 'refused';
      readonly reason: 'notHeard' | 'unsteady';
      readonly heard: number;
      readonly played: number;
    };

/**
 * Delay between clicks as played and as heard. Each is found by its matched filter, in magnitude, so that the phase of
 * the speaker does not matter.
 * @param clicksS when each was played, seconds from the first sample
 */
export function loopDelay(sound: Float32Array, sampleRateHz: number, clicksS: readonly number[]): LoopDelay {
  const filter = matchedFilter(sampleRateHz);
  const delays = clicksS.flatMap((atS) => arrivalS(sound, sampleRateHz, atS, filter) ?? []);
  const counts = { heard: delays.length, played: clicksS.length };
  if (delays.length < LEAST_SHARE * clicksS.length || delays.length < 3)
    return { kind: 'refused', reason: 'notHeard', ...counts };
  const spreadS = robustDeviation(delays);
  if (spreadS > LARGEST_SPREAD_S) return { kind: 'refused', reason: 'unsteady', ...counts };
  return { kind: 'measured', delayS: median(delays), spreadS, ...counts };
}

interface Filter {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

function matchedFilter(sampleRateHz: number): Filter {
  const { hz, lengthS, fall } = LOOP_CLICK;
  const count = Math.round(lengthS * sampleRateHz);
  const size = (i: number) => fall ** (-i / count);
  const angle = (i: number) => (2 * Math.PI * hz * i) / sampleRateHz;
  return {
    re: Float64Array.from({ length: count }, (_, i) => size(i) * Math.cos(angle(i))),
    im: Float64Array.from({ length: count }, (_, i) => size(i) * Math.sin(angle(i))),
  };
}

function arrivalS(sound: Float32Array, sampleRateHz: number, clickS: number, filter: Filter): number | undefined {
  const from = Math.round(clickS * sampleRateHz);
  const reach = Math.round(LONGEST_S * sampleRateHz);
  if (from < 0 || from + reach + filter.re.length > sound.length) return undefined;
  const strength = (at: number) => {
    let re = 0;
    let im = 0;
    for (let i = 0; i < filter.re.length; i++) {
      re += sound[at + i]! * filter.re[i]!;
      im += sound[at + i]! * filter.im[i]!;
    }
    return Math.hypot(re, im);
  };
  const coarse = Math.max(1, Math.round(0.0005 * sampleRateHz));
  const row: number[] = [];
  for (let at = from; at < from + reach; at += coarse) row.push(strength(at));
  const top = Math.max(...row);
  if (!(top > STANDS_OUT * median(row)) || top < 1e-6) return undefined;
  let best = from + row.indexOf(top) * coarse;
  for (let at = Math.max(0, best - coarse); at <= best + coarse; at++) if (strength(at) > strength(best)) best = at;
  return best / sampleRateHz - clickS;
}
