import { plannedPosition, type Step } from '@inner-hum/core/exercise';
import { dynamicPosition, type LevelRuler } from '@inner-hum/core/theory';
import type { Habits } from './habits';
import { BLAST } from './toneSizes';

/** What the lowest note needs to speak beyond the others, and how many semitones above it that is over. */
export const LOW_RESPONSE_S = 0.04;
export const LOW_SEMITONES = 7;

/** Sum of w_k sin(k phase + phase_k) over partials 1 to `count`, by Horner's rule in e^(i phase): two sines for all. */
export function partialSum(
  weights: Float64Array,
  phases: { readonly cos: Float64Array; readonly sin: Float64Array },
  count: number,
  phase: number,
): number {
  const c = Math.cos(phase);
  const s = Math.sin(phase);
  let re = 0;
  let im = 0;
  for (let k = count; k >= 1; k--) {
    const sumRe = re + weights[k]! * phases.cos[k]!;
    const sumIm = im + weights[k]! * phases.sin[k]!;
    re = sumRe * c - sumIm * s;
    im = sumRe * s + sumIm * c;
  }
  return im;
}

/** Where a voice hums a pitch: the octave from 110 Hz up. */
export function humOf(hz: number): number {
  return hz / 2 ** Math.floor(Math.log2(hz / 110));
}

/** Level over a tone, dBFS, with the habits' share of range, late peak and stairs. */
export function levelPlan(step: Step, habits: Habits, ruler: LevelRuler) {
  const position = (place: number) => {
    const warped = habits.peakShift === 0 ? place : place ** (Math.log(0.5) / Math.log(0.5 + habits.peakShift));
    return Math.max(habits.softestPlace, plannedPosition(step, warped * step.beats, dynamicPosition));
  };
  const places = Array.from({ length: 101 }, (_, i) => position(i / 100));
  const low = Math.min(...places);
  const high = Math.max(...places);
  const span = ruler.loudestDb - ruler.softestDb;
  const toDb = (place: number) => ruler.softestDb + span * (high - (high - place) * habits.rangeShare);
  const stairsDb = (place: number) =>
    habits.stairs.reduce(
      (sum, stair) => sum + (place >= stair.place ? stair.db * Math.exp(-(place - stair.place) * 6) : 0),
      0,
    );
  return { minDb: toDb(low), maxDb: toDb(high), at: (place: number) => toDb(position(place)) + stairsDb(place) };
}

export function within(atS: number, fromS: number, lastsS: number): boolean {
  return atS >= fromS && atS < fromS + lastsS;
}

/** Colour of the vowel that is thought of at a share of the tone, dB for each octave of partials. */
export function vowelDb({ vowels }: Step, { vowelTiltDb }: Habits, place: number): number {
  return vowels ? vowelTiltDb * (0.5 - Math.floor(place * vowels.length) / (vowels.length - 1)) : 0;
}

/** How much louder the tone starts than it goes on, dB. */
export function blastDb({ attack }: Step, { overshootDb }: Habits, t: number): number {
  if (attack === 'slurred') return 0;
  return overshootDb * Math.min(1, Math.max(0, (BLAST.endS - t) / (BLAST.endS - BLAST.fullS)));
}

/** The vibrato that the score asks for, as this player makes it, cents. */
export function askedVibratoCents({ vibrato }: Step, { askedVibrato }: Habits, beatS: number, t: number): number {
  if (!vibrato) return 0;
  const hz = (askedVibrato.rate * vibrato.waves) / beatS;
  return askedVibrato.width * vibrato.widthCents * Math.sin(2 * Math.PI * hz * t);
}

/** How far under its note a bent tone is at a share of its length, cents. */
export function bentCents({ bendCents = 0 }: Step, habits: Habits, place: number): number {
  if (bendCents === 0) return 0;
  const { bendShare, bendBreaks, bendOffCents } = habits;
  const way = Math.min(1, Math.max(0, 1 - Math.abs(place - 0.5) / 0.25));
  const depth = bendBreaks ? (way > 0 ? 1 : 0) : 0.5 * (1 - Math.cos(Math.PI * way));
  return bendCents * bendShare * depth - (place > 0.5 ? bendOffCents : 0);
}
