import { HOP_S } from './frames';

/** Envelope: RMS of 3 ms, one value a millisecond. */
const STEP_S = 0.001;
const HALF_WINDOW_S = 0.0015;
/** Where an onset is looked for around the frame it was first seen in, seconds. */
const BEFORE_S = 0.09;
const AFTER_S = 0.13;
/** The tone has begun when its envelope comes this near to its settled size, dB, */
const BELOW_SETTLED_DB = 30;
/** and stands this far out of what was there before, dB. */
const ABOVE_FLOOR_DB = 6;
/** With less than this between tone and floor the envelope can't tell, and the frame's own time stands, dB. */
const LEAST_CONTRAST_DB = 13;

/**
 * When a tone began, to a few milliseconds: the first moment from which the envelope stays up, dips within a period of
 * the tone aside. Our choice.
 * @param frame the first frame in which the tone was decided
 * @param hz its pitch there
 * @returns seconds from the first sample
 */
export function onsetTimeS(sound: Float32Array, sampleRateHz: number, frame: number, hz: number): number {
  const coarseS = frame * HOP_S;
  const count = Math.round((BEFORE_S + AFTER_S) / STEP_S);
  const envelope = Float64Array.from({ length: count }, (_, i) =>
    rms(sound, sampleRateHz, coarseS - BEFORE_S + i * STEP_S),
  );
  const index = (atS: number) => Math.round((atS + BEFORE_S) / STEP_S);
  const settled = upper(envelope.subarray(index(0.04)), 0.6);
  const floor = upper(envelope.subarray(0, index(-0.05)), 0.8);
  if (settled < floor * 10 ** (LEAST_CONTRAST_DB / 20)) return coarseS;
  const threshold = Math.max(settled * 10 ** (-BELOW_SETTLED_DB / 20), floor * 10 ** (ABOVE_FLOOR_DB / 20));
  const longestDip = Math.ceil(1.1 / hz / STEP_S) + 2;
  for (let i = 0; i < index(0.06); i++)
    if (staysUp(envelope, i, threshold, longestDip)) return coarseS - BEFORE_S + i * STEP_S;
  return coarseS;
}

function staysUp(envelope: Float64Array, from: number, threshold: number, longestDip: number): boolean {
  if (envelope[from]! < threshold) return false;
  let dip = 0;
  for (let i = from; i < Math.min(envelope.length, from + 50); i++) {
    dip = envelope[i]! < threshold ? dip + 1 : 0;
    if (dip > longestDip) return false;
  }
  return true;
}

function rms(sound: Float32Array, sampleRateHz: number, atS: number): number {
  const from = Math.max(0, Math.round((atS - HALF_WINDOW_S) * sampleRateHz));
  const to = Math.min(sound.length, Math.round((atS + HALF_WINDOW_S) * sampleRateHz));
  let sum = 0;
  for (let i = from; i < to; i++) sum += sound[i]! * sound[i]!;
  return to > from ? Math.sqrt(sum / (to - from)) : 0;
}

function upper(values: Float64Array, share: number): number {
  return [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? 0;
}
