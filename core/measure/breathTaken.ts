import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';

/** Air that is drawn in stands this far out of the room, and out of the quiet before and after it, dB. */
const OVER_DB = 6;
/** Shorter noise is a key or a tongue, seconds. */
const LEAST_S = 0.08;
/** In a shorter gap nobody breathes, seconds. */
const LEAST_GAP_S = 0.2;
/** Levels are taken as the middle of so many frames, so that a click is none. */
const MIDDLE_OF = 5;

/**
 * How long air was drawn in between two tones, seconds: noise that rises out of the quiet after the one and is gone again
 * before the other. A tone that rings on only falls, and air that starts the next tone only rises: neither is a breath. 0
 * where none was heard; absent where the room was never heard alone. What makes a breath is our choice.
 *
 * @param gap end of the tone before and start of the next, seconds in the frames
 * @param roomDb level of the room by itself, dBFS
 */
export function breathTakenS(
  { levelDb, f0Hz, count }: Pick<Frames, 'levelDb' | 'f0Hz' | 'count'>,
  gap: { readonly fromS: number; readonly untilS: number },
  roomDb: number | undefined,
): Measured {
  if (roomDb === undefined) return absent('breathUnheard');
  const from = Math.max(0, Math.round(gap.fromS / HOP_S));
  const until = Math.min(count, Math.round(gap.untilS / HOP_S));
  const none = measured(0, HOP_S);
  if ((until - from) * HOP_S < LEAST_GAP_S) return none;
  const levels = Array.from({ length: until - from }, (_, i) => {
    const start = Math.max(from, from + i - (MIDDLE_OF >> 1));
    return median(levelDb.subarray(start, Math.min(until, start + MIDDLE_OF)));
  });
  const quietBefore = lowestSoFar(levels);
  const quietAfter = lowestSoFar(levels.toReversed()).toReversed();
  let longest = 0;
  let run = 0;
  for (const [i, db] of levels.entries()) {
    const drawn = f0Hz[from + i] === 0 && db >= Math.max(roomDb, quietBefore[i]!, quietAfter[i]!) + OVER_DB;
    run = drawn ? run + 1 : 0;
    longest = Math.max(longest, run);
  }
  const lastsS = longest * HOP_S;
  return lastsS >= LEAST_S ? measured(lastsS, 2 * HOP_S) : none;
}

function lowestSoFar(levels: readonly number[]): number[] {
  let lowest = Infinity;
  return levels.map((db) => (lowest = Math.min(lowest, db)));
}
