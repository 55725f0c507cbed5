import { HOP_S } from './frames';

/** A glitch of at most this many frames inside a tone is not the player's: a click, a lost sample (40 ms). */
const GLITCH_FRAMES = 4;
/** Both sides of a glitch agree within this, cents. */
const SAME_PITCH_CENTS = 60;
/** A change of tone takes at most this many frames, and the level falls no lower than this in it. */
const CHANGE_FRAMES = 4;
const CHANGE_DIP_DB = 8;
/** Clicks ring for less than this, notes for longer (70 ms). */
const LEAST_TONE_FRAMES = 7;
/** A stump at the very beginning of a sound is mostly its switching on. */
const LEAST_FIRST_FRAMES = 12;
/** After its note has ended a room rings on: it falls this steeply, and is no tone once it has fallen this far. */
const RINGING_DB_PER_S = 35;
const RINGING_DROP_DB = 10;
const RINGING_REACH_FRAMES = 40;
const STILL_FALLING_DB_PER_S = 15;
/** Speech glides: a syllable shorter than this that moves smoothly by more than this many cents is not a horn. */
const SYLLABLE_FRAMES = 35;
const SYLLABLE_GLIDE_CENTS = 220;
const LEAP_CENTS = 90;

/**
 * Decides what of a pitch path is tone, in place: bridges glitches, ends tones where only the room rings on, and takes
 * out what is too short or glides like speech. Our choice throughout; numbers from the bench.
 * @param hz pitch of each frame, 0 where there is none
 * @param levelDb level of each frame
 */
export function gateTones(hz: Float64Array, levelDb: ArrayLike<number>): void {
  bridgeGlitches(hz);
  closeChanges(hz, levelDb);
  silenceRinging(hz, levelDb);
  for (const { from, to } of runsOfTone(hz))
    if (to - from < (from < LEAST_FIRST_FRAMES ? LEAST_FIRST_FRAMES : LEAST_TONE_FRAMES) || isSyllable(hz, from, to))
      hz.fill(0, from, to);
}

function cents(a: number, b: number): number {
  return 1200 * Math.abs(Math.log2(a / b));
}

function bridgeGlitches(hz: Float64Array): void {
  for (let i = 1; i < hz.length; i++) {
    const before = hz[i - 1]!;
    if (before === 0 || (hz[i]! > 0 && cents(before, hz[i]!) <= SAME_PITCH_CENTS)) continue;
    for (let ahead = 1; ahead <= GLITCH_FRAMES && i + ahead < hz.length; ahead++) {
      const after = hz[i + ahead]!;
      if (after === 0 || cents(before, after) > SAME_PITCH_CENTS) continue;
      for (let k = 0; k < ahead; k++) hz[i + k] = before * (after / before) ** ((k + 1) / (ahead + 1));
      break;
    }
  }
}

/** Where one tone gives way to another without a rest, the frames that heard both go to the nearer one. */
function closeChanges(hz: Float64Array, levelDb: ArrayLike<number>): void {
  for (let i = 1; i < hz.length; i++) {
    if (hz[i]! > 0 || hz[i - 1] === 0) continue;
    let end = i;
    while (end < hz.length && hz[end] === 0) end++;
    if (end - i > CHANGE_FRAMES || end === hz.length) continue;
    const sounding = Math.min(levelDb[i - 1]!, levelDb[end]!) - CHANGE_DIP_DB;
    let dips = false;
    for (let k = i; k < end; k++) dips ||= levelDb[k]! < sounding;
    if (!dips) for (let k = i; k < end; k++) hz[k] = k - i < (end - i) / 2 ? hz[i - 1]! : hz[end]!;
  }
}

function silenceRinging(hz: Float64Array, levelDb: ArrayLike<number>): void {
  const ringing: number[] = [];
  for (let i = 3; i + 3 < hz.length; i++) {
    if (hz[i] === 0) continue;
    const fallingDbPerS = (levelDb[i - 3]! - levelDb[i + 3]!) / (6 * HOP_S);
    if (fallingDbPerS < 0.7 * RINGING_DB_PER_S) continue;
    for (let back = 1; back <= RINGING_REACH_FRAMES && i - back >= 0; back++) {
      const earlier = hz[i - back]!;
      if (earlier === 0 || cents(earlier, hz[i]!) > SAME_PITCH_CENTS) break;
      const drop = levelDb[i - back]! - levelDb[i]!;
      if (drop < RINGING_DROP_DB || drop / (back * HOP_S) < RINGING_DB_PER_S) continue;
      ringing.push(i);
      break;
    }
  }
  for (const i of ringing) hz[i] = 0;
  // What goes on falling after that belongs to it, also where it falls more slowly.
  const falls = (k: number) => (levelDb[k - 5]! - levelDb[k]!) / (5 * HOP_S) > STILL_FALLING_DB_PER_S;
  for (const i of ringing) for (let k = i + 1; k < hz.length && hz[k]! > 0 && falls(k); k++) hz[k] = 0;
}

function runsOfTone(hz: Float64Array): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = [];
  let from = -1;
  for (let i = 0; i <= hz.length; i++) {
    const toned = i < hz.length && hz[i]! > 0;
    if (toned && from < 0) from = i;
    if (!toned && from >= 0) {
      runs.push({ from, to: i });
      from = -1;
    }
  }
  return runs;
}

function isSyllable(hz: Float64Array, from: number, to: number): boolean {
  if (to - from > SYLLABLE_FRAMES) return false;
  let lowest = hz[from]!;
  let highest = lowest;
  for (let i = from + 1; i < to; i++) {
    const leaps = cents(hz[i - 1]!, hz[i]!) > LEAP_CENTS;
    lowest = leaps ? hz[i]! : Math.min(lowest, hz[i]!);
    highest = leaps ? hz[i]! : Math.max(highest, hz[i]!);
    if (cents(lowest, highest) > SYLLABLE_GLIDE_CENTS) return true;
  }
  return false;
}
