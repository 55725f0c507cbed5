import { HOP_S, PARTIALS_KEPT, type Frames } from './frames';

/** Frames without tone that are the room alone: so long after a tone has ended, and before one that breathes begins, seconds. */
const AFTER_S = 0.3;
const BEFORE_S = 0.25;
/** Fewer of them say nothing of the room. */
const LEAST_FRAMES = 15;
/** Where the room lies less than this under a frame, the tone's own power counts, dB; half of the way in between. */
const NEAR_DB = 20;
const WHOLLY_DB = 14;
/** Not all partials of a tone above this are looked at, Hz: what its frame has over the room helps there. */
const ALL_PARTIALS_BELOW_HZ = 390;

/**
 * Puts the level of the tone itself, dBFS, in the place of that of tone and room together, where the room is near: the
 * power in its partials, and for high notes, whose upper partials are not looked at, the mean of that and of what the
 * frame has over the room. In a recording without a moment of the room alone nothing is changed. Our choice, measured in
 * the bench: the 95th percentile falls from 2.6 to 0.6 dB with a room 20 dB under the loudest tone.
 */
export function ownLevels(frames: Frames): void {
  const room = roomPower(frames);
  if (room === undefined) return;
  const roomDb = 10 * Math.log10(room);
  for (let i = 0; i < frames.count; i++) {
    const hz = frames.f0Hz[i]!;
    const overDb = frames.levelDb[i]! - roomDb;
    if (!(hz > 0) || overDb >= NEAR_DB) continue;
    const own = partialPower(frames, i);
    if (!(own > 0)) continue;
    const over = Math.max(0, 10 ** (frames.levelDb[i]! / 10) - room);
    const power = hz < ALL_PARTIALS_BELOW_HZ ? own : (own + over) / 2;
    const share = Math.min(1, (NEAR_DB - overDb) / (NEAR_DB - WHOLLY_DB));
    const ownDb = Math.min(frames.levelDb[i]!, 10 * Math.log10(power));
    frames.levelDb[i] = frames.levelDb[i]! + share * (ownDb - frames.levelDb[i]!);
  }
}

/** Power in the partials of a frame; a sine of amplitude 1 has a half. */
function partialPower({ partialsDb }: Frames, frame: number): number {
  let power = 0;
  for (let k = frame * PARTIALS_KEPT; k < (frame + 1) * PARTIALS_KEPT; k++) power += 10 ** (partialsDb[k]! / 10) / 2;
  return power;
}

/** Power of the room alone when it is quiet, since talk between tones is not under them; undefined where it is never heard alone. */
function roomPower({ f0Hz, levelDb, count }: Frames): number | undefined {
  const levels: number[] = [];
  let next = Infinity;
  const nextTone = new Float64Array(count);
  for (let i = count - 1; i >= 0; i--) {
    if (f0Hz[i]! > 0) next = i;
    nextTone[i] = next;
  }
  let last = -Infinity;
  for (let i = 0; i < count; i++) {
    if (f0Hz[i]! > 0) last = i;
    else if ((i - last) * HOP_S > AFTER_S && (nextTone[i]! - i) * HOP_S > BEFORE_S) levels.push(levelDb[i]!);
  }
  if (levels.length < LEAST_FRAMES) return undefined;
  return 10 ** (levels.sort((a, b) => a - b)[levels.length >> 2]! / 10);
}
