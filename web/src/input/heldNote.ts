import { HOP_S } from '@inner-hum/core/signal';
import type { LiveTrace } from './liveTrace';

/** A note is held when all that was heard for so long is within so many cents of it. */
const HELD_S = 0.6;
const WITHIN_CENTS = 60;
/** Before it there must have been quiet for so long: what still rings is no new note. */
const QUIET_S = 0.4;

/**
 * Which of some notes is being held now, by its place among them; undefined for none.
 *
 * @param targetsHz the notes as they sound
 * @param from the frame from which on it is listened
 */
export function heldNote(
  { f0Hz, count }: Pick<LiveTrace, 'f0Hz' | 'count'>,
  targetsHz: readonly number[],
  from: number,
): number | undefined {
  const held = Math.round(HELD_S / HOP_S);
  const begin = count - held;
  if (begin < from || !wasQuiet(f0Hz.subarray(from, begin))) return undefined;
  const frames = f0Hz.subarray(begin, count);
  const at = targetsHz.findIndex((hz) =>
    frames.every((frame) => frame > 0 && Math.abs(1200 * Math.log2(frame / hz)) <= WITHIN_CENTS),
  );
  return at < 0 ? undefined : at;
}

function wasQuiet(frames: Float32Array): boolean {
  let quiet = 0;
  for (const frame of frames) {
    quiet = frame > 0 ? 0 : quiet + 1;
    if (quiet * HOP_S >= QUIET_S) return true;
  }
  return false;
}
