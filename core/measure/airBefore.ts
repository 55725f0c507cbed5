import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { breathTakenS } from './breathTaken';
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
/** A tone comes out of the air of its last moments, from and to before it, seconds. Our choice. */
const START_FROM_S = 0.3;
const START_TO_S = 0.05;
const START_FRAMES = 10;
/** Error of the middle of so much noise, dB: found on steady made air. */
const START_DB = 0.8;

/** When air should run before a tone, and when the tone came, seconds in the frames. */
interface AirSpan {
  readonly fromS: number;
  readonly onsetS: number;
}
type Heard = Pick<Frames, 'levelDb' | 'f0Hz'>;

/** What is told of the air before a tone that came at `onsetS`, see below; absent where nothing is asked of it. */
export function airBefore(
  frames: Heard & Pick<Frames, 'count'>,
  onsetS: number,
  asked: {
    /** when air should begin to run, and since when no breath is to be drawn, seconds in the frames */
    readonly airFromS: number | undefined;
    readonly noBreathFromS: number | undefined;
  },
  roomDb: number | undefined,
) {
  const { airFromS: fromS, noBreathFromS } = asked;
  const air = fromS === undefined ? undefined : { fromS, onsetS };
  const none = absent('notPlanned');
  return {
    airSpreadDb: air ? airSpreadDb(frames, air, roomDb) : none,
    startAirDb: air ? startAirDb(frames, air, roomDb) : none,
    breathTakenS:
      noBreathFromS === undefined ? none : breathTakenS(frames, { fromS: noBreathFromS, untilS: onsetS }, roomDb),
  };
}

/**
 * How far the loudness of the air that runs before a tone strays to each side of its middle, dB: half of what lies between
 * its 10 % and its 90 % quantile. The microphone hears the flow, not the pressure.
 *
 * @param roomDb level of the room by itself, dBFS; undefined where it was never heard alone
 */
export function airSpreadDb({ levelDb, f0Hz }: Heard, air: AirSpan, roomDb: number | undefined): Measured {
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

/**
 * How much air there was when a tone came out of it, dB over the room: its flow as the microphone hears it. Absent where it
 * can't be told from the room.
 *
 * @param roomDb level of the room by itself, dBFS
 */
function startAirDb({ levelDb, f0Hz }: Heard, air: AirSpan, roomDb: number | undefined): Measured {
  if (roomDb === undefined) return absent('breathUnheard');
  const from = Math.max(0, Math.round(Math.max(air.fromS, air.onsetS - START_FROM_S) / HOP_S));
  const until = Math.max(from, Math.round((air.onsetS - START_TO_S) / HOP_S));
  const levels = Array.from(levelDb.subarray(from, until)).filter((_, i) => f0Hz[from + i] === 0);
  if (levels.length < START_FRAMES) return absent('tooShort');
  const overDb = median(levels) - roomDb;
  return overDb < OVER_ROOM_DB ? absent('breathUnheard') : measured(overDb, START_DB);
}
