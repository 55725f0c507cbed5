import { HOP_S, PARTIALS_KEPT } from './frames';

/** A stretch read an octave under what lies beside it, as long as this, may be the octave below sounding along, frames. */
const LONGEST_FRAMES = Math.round(0.7 / HOP_S);
/** At its beginning a tone has it for no longer than this, frames. */
const LONGEST_START_FRAMES = Math.round(0.15 / HOP_S);
/** Pitches an octave apart within this, cents. */
const OCTAVE_WITHIN_CENTS = 60;
/**
 * A note that really lies an octave lower has its odd partials about as strong as its even ones. Where they stay under
 * them by this much, the upper note sounds and every other period of it differs, dB.
 */
const ODD_UNDER_EVEN_DB = 4;
/** At a beginning the octave below dies away meanwhile: less is asked of the whole. */
const ODD_UNDER_EVEN_AT_START_DB = 1.5;

/** A stretch of frames that belongs to the octave above; `end` exclusive. */
export interface Doubled {
  readonly start: number;
  readonly end: number;
  /** begins its tone: the attack had the octave below in it */
  readonly atStart: boolean;
}

/**
 * Stretches that were read an octave too low because every other period of the tone differs (a loud low tone for a
 * moment, or the first 40–100 ms of an attack): beside them the tone is an octave higher, and the partials that only the
 * lower note would have are the weaker ones. Our choice throughout, from the bench.
 * @param hz pitch of each frame, 0 where there is none
 * @param partialsDb as measured at that pitch: PARTIALS_KEPT for each frame, dBFS
 */
export function doubledStretches(hz: ArrayLike<number>, partialsDb: Float32Array): Doubled[] {
  const found: Doubled[] = [];
  for (let start = 0; start < hz.length; start++) {
    if (!(hz[start]! > 0)) continue;
    const before = hz[start - 1] ?? 0;
    const follows = before > 0;
    if (follows && !isOctave(hz[start]!, before)) continue;
    let end = start + 1;
    while (end < hz.length && hz[end]! > 0 && !isOctave(hz[end - 1]!, hz[end]!)) end++;
    const after = hz[end] ?? 0;
    const longest = follows ? LONGEST_FRAMES : LONGEST_START_FRAMES;
    const isUnder = after > 0 && (!follows || isOctave(hz[start]!, before)) && end - start <= longest;
    const least = follows ? ODD_UNDER_EVEN_DB : ODD_UNDER_EVEN_AT_START_DB;
    if (isUnder && evenOverOddDb(partialsDb, start, end) >= least) found.push({ start, end, atStart: !follows });
  }
  return found;
}

function isOctave(lowerHz: number, upperHz: number): boolean {
  return Math.abs(1200 * Math.log2(upperHz / lowerHz) - 1200) <= OCTAVE_WITHIN_CENTS;
}

/** By how much the even partials of a stretch are stronger than the odd ones, all their power together, dB. */
function evenOverOddDb(partialsDb: Float32Array, start: number, end: number): number {
  let odd = 0;
  let even = 0;
  for (let i = start * PARTIALS_KEPT; i < end * PARTIALS_KEPT; i++) {
    const power = 10 ** (partialsDb[i]! / 10);
    if ((i % PARTIALS_KEPT) % 2 === 0) odd += power;
    else even += power;
  }
  return 10 * Math.log10(even / odd);
}
