import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import { median, quantile } from './statistics';

/** Air that begins and the tone that grows out of it are no part of its flow, seconds. Our choice. */
const BEGINS_S = 0.2;
const GROWS_S = 0.15;
/** Noise wavers by itself: it is taken over so long, seconds. */
const OVER_S = 0.15;
const LEAST_S = 0.6;
/** Nearer to the room than this it can't be told from it, dB. */
const OVER_ROOM_DB = 6;
/** What is left of the wavering of noise after all that, dB: found on steady made air. */
const OWN_DB = 0.6;

/**
 * How far the loudness of the air that runs before a tone strays to each side of its middle, dB: half of what lies between
 * its 10 % and its 90 % quantile. The microphone hears the flow, not the pressure.
 * @param air when it should run, and when the tone came, seconds in the frames
 * @param roomDb level of the room by itself, dBFS; undefined where it was never heard alone
 */
export function airSpreadDb(
  { levelDb, f0Hz }: Pick<Frames, 'levelDb' | 'f0Hz'>,
  air: { readonly fromS: number; readonly onsetS: number },
  roomDb: number | undefined,
): Measured {
  const from = Math.max(0, Math.round((air.fromS + BEGINS_S) / HOP_S));
  const until = Math.min(levelDb.length, Math.round((air.onsetS - GROWS_S) / HOP_S));
  const over = Math.round(OVER_S / HOP_S);
  const levels: number[] = [];
  for (let at = from; at + over <= until; at += Math.ceil(over / 3)) {
    if (f0Hz.subarray(at, at + over).some((hz) => hz > 0)) continue;
    const powers = Array.from(levelDb.subarray(at, at + over), (db) => 10 ** (db / 10));
    levels.push(10 * Math.log10(powers.reduce((sum, power) => sum + power, 0) / over));
  }
  if ((levels.length * over) / 3 < LEAST_S / HOP_S) return absent('tooShort');
  if (roomDb !== undefined && median(levels) < roomDb + OVER_ROOM_DB) return absent('breathUnheard');
  return measured((quantile(levels, 0.9) - quantile(levels, 0.1)) / 2, OWN_DB);
}
