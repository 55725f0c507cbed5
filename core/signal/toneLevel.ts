import { HOP_S, PARTIALS_KEPT, type Frames } from './frames';

/** Frames without tone that are the room alone: so long after a tone has ended, and before one that breathes begins, seconds. */
const AFTER_S = 0.3;
const BEFORE_S = 0.25;
/** Fewer of them say nothing of the room. */
const LEAST_FRAMES = 15;
/** Where the room lies less than this under a frame, the tone's own power counts, dB; half of the way in between. */
const NEAR_DB = 20;
const WHOLLY_DB = 14;
/** Where the room is never heard alone: the softest and the loudest share of the tones are compared, of so many frames. */
const END_SHARE = 0.2;
const LEAST_TONE_FRAMES = 50;
/** They must lie so far apart, dB, and the noise must follow them by less than this share of it: breath follows the tone, a room stays. */
const LEAST_APART_DB = 4;
const FOLLOWS = 0.35;
/** Not all partials of a tone above this are looked at, Hz: what its frame has over the room helps there. */
const ALL_PARTIALS_BELOW_HZ = 390;

/**
 * Puts the level of the tone itself, dBFS, in the place of that of tone and room together, where the room is near: the
 * power in its partials, and for high notes, whose upper partials are not looked at, the mean of that and of what the
 * frame has over the room. A recording without a moment of the room alone has it between the partials. Our choice, measured in
 * the bench (`bench/rooms.ts`).
 */
export function ownLevels(frames: Frames): void {
  const room = roomPower(frames) ?? roomBetween(frames);
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

/**
 * Power of the room as it is heard between the partials of the tones: what noise stays when they get louder. Undefined where
 * they hardly change, or where the noise follows them: then it is their own breath.
 */
function roomBetween({ f0Hz, levelDb, breathDb, count }: Frames): number | undefined {
  const tones = Array.from({ length: count }, (_, i) => i).filter((i) => f0Hz[i]! > 0);
  if (tones.length < LEAST_TONE_FRAMES) return undefined;
  tones.sort((a, b) => levelDb[a]! - levelDb[b]!);
  const share = Math.floor(END_SHARE * tones.length);
  const middle = (rows: readonly number[], of: (i: number) => number) =>
    rows.map(of).sort((a, b) => a - b)[rows.length >> 1]!;
  const [soft, loud] = [tones.slice(0, share), tones.slice(-share)];
  const level = (i: number) => levelDb[i]!;
  const noise = (i: number) => levelDb[i]! + breathDb[i]!;
  const apartDb = middle(loud, level) - middle(soft, level);
  const followsDb = middle(loud, noise) - middle(soft, noise);
  if (apartDb < LEAST_APART_DB || followsDb > FOLLOWS * apartDb) return undefined;
  return 10 ** (middle(soft, noise) / 10);
}
