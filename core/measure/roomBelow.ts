import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { quantile } from './statistics';

/** A room that is less than this under the loudest tone hides soft ends: the microphone is too far away, dB. Our choice. */
export const FAR_BELOW_DB = 24;

/** A room rings after a tone, and the player breathes before one, seconds: neither is the room by itself. */
const RINGS_S = 0.5;
const BREATHES_S = 0.3;
/** Less than this of tone, or of the room, tells nothing, seconds. */
const LEAST_S = 0.3;
/** A floor this low is no room's: the device shut the gate, dBFS. */
const GATE_DB = -93;

/** How far the room lies under the loudest tone, dB; undefined where one of the two was not heard. */
export function roomBelowDb(frames: Pick<Frames, 'f0Hz' | 'levelDb' | 'count'>): number | undefined {
  const { tones, room } = apart(frames);
  if (Math.min(tones.length, room.length) < LEAST_S / HOP_S) return undefined;
  return quantile(tones, 0.95) - quantile(room, 0.25);
}

/** Level of the room by itself, dBFS; undefined where it was never heard alone. */
export function roomDb(frames: Pick<Frames, 'f0Hz' | 'levelDb' | 'count'>): number | undefined {
  const { room } = apart(frames);
  return room.length < LEAST_S / HOP_S ? undefined : quantile(room, 0.25);
}

/** The levels of tone, and those of the room by itself. */
function apart({ f0Hz, levelDb, count }: Pick<Frames, 'f0Hz' | 'levelDb' | 'count'>) {
  const tones: number[] = [];
  const room: number[] = [];
  const nextTone = new Float64Array(count);
  for (let i = count - 1, next = Infinity; i >= 0; i--) {
    if (f0Hz[i]! > 0) next = i;
    nextTone[i] = next;
  }
  for (let i = 0, last = -Infinity; i < count; i++) {
    if (f0Hz[i]! > 0) {
      last = i;
      tones.push(levelDb[i]!);
    } else if (i - last > RINGS_S / HOP_S && nextTone[i]! - i > BREATHES_S / HOP_S && levelDb[i]! > GATE_DB)
      room.push(levelDb[i]!);
  }
  return { tones, room };
}
