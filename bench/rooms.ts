import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { hear, type Frames } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn, SeededRandom } from '@inner-hum/core/simulate';
import { ASSUMED_RULER, instrumentById, soundingRangeHz, type InstrumentId } from '@inner-hum/core/theory';
import { quantile } from './score';

const ROOMS = ['white', 'pink', 'fan', 'hum and pink'] as const;
export type Room = (typeof ROOMS)[number];
type Note = readonly [InstrumentId, number];
/** Notes that swells are played on: low, middle and high ones. */
const NOTES: readonly Note[] = [
  ['alto', 60],
  ['alto', 67],
  ['tenor', 65],
  ['soprano', 79],
  ['alto', 86],
];
/** A tone this far under the room can't be told from it, dB: where it is so, nothing is asked. */
const LOST_DB = 12;

/**
 * How far the level of the tone itself is off in a room, dB, over all frames of swells in which it can be heard at all: what
 * the ear gives in the room against what it gives without one.
 *
 * @param belowDb how far the room lies under the loudest of the tone
 * @param rests whether the room is heard alone before and after the tone
 */
export function levelErrorsDb(room: Room, belowDb: number, rests: boolean, rateHz = 44_100, notes = NOTES): number[] {
  return notes.flatMap(([instrumentId, writtenMidi], i) => {
    const parameters = { ...usualExercise(familyById('swell'), instrumentId), writtenMidi, tempoBpm: 75 };
    const common = { a4Hz: 440, ruler: ASSUMED_RULER, sampleRateHz: rateHz } as const;
    const played = { ...common, habits: CLEAN_HABITS, seed: i + 1, leadS: rests ? 1 : 0.05, tailS: rests ? 0.8 : 0 };
    const dry = playStandIn(exerciseScore(parameters), played);
    const settings = { sampleRateHz: rateHz, ...soundingRangeHz(instrumentById(instrumentId), 440) };
    const clean = hear(dry, settings);
    const loudestDb = Math.max(...clean.levelDb.filter((_, k) => clean.f0Hz[k]! > 0));
    const roomDb = loudestDb - belowDb;
    const heard = hear(inRoom(dry, room, roomDb, rateHz, i + 11), settings);
    return errorsDb(heard, clean, roomDb);
  });
}

function errorsDb(heard: Frames, clean: Frames, roomDb: number): number[] {
  return [...heard.levelDb.keys()].flatMap((i) =>
    heard.f0Hz[i]! > 0 && clean.f0Hz[i]! > 0 && clean.levelDb[i]! > roomDb - LOST_DB
      ? [Math.abs(heard.levelDb[i]! - clean.levelDb[i]!)]
      : [],
  );
}

function inRoom(dry: Float32Array, room: Room, roomDb: number, rateHz: number, seed: number): Float32Array {
  const noise = noiseOf(room, dry.length, rateHz, new SeededRandom(seed));
  const power = noise.reduce((sum, value) => sum + value * value, 0) / noise.length;
  const gain = 10 ** (roomDb / 20) / Math.sqrt(power);
  return dry.map((value, i) => value + gain * noise[i]!);
}

function noiseOf(room: Room, length: number, rateHz: number, random: SeededRandom): Float64Array {
  // Pink by three one-pole filters (P. Kellet's economy form); a fan is darker, with the tones of its blades.
  let [a, b, c, dark] = [0, 0, 0, 0];
  const wave = (hz: number, i: number) => Math.sin((2 * Math.PI * hz * i) / rateHz);
  return Float64Array.from({ length }, (_, i) => {
    const white = random.normal();
    if (room === 'white') return white;
    a = 0.99765 * a + white * 0.099046;
    b = 0.963 * b + white * 0.2965164;
    c = 0.57 * c + white * 1.0526913;
    const pink = a + b + c + white * 0.1848;
    if (room === 'pink') return pink;
    if (room === 'hum and pink') return pink + 0.8 * wave(50, i) + 0.4 * wave(100, i) + 0.3 * wave(150, i);
    dark += 0.08 * (pink - dark);
    return (dark + 0.25 * wave(118, i) + 0.12 * wave(236, i)) * (1 + 0.2 * wave(1.7, i));
  });
}

/** A row for each room: 95th percentile of the error with rests and without, the room 20 and 10 dB under the tone. */
export function roomFigures(): string[][] {
  return [
    ['room', '20 dB under, with rests', '10 dB, with rests', '20 dB, without', '10 dB, without'],
    ...ROOMS.map((room) => [
      room,
      ...[true, false].flatMap((rests) =>
        [20, 10].map((belowDb) => quantile(levelErrorsDb(room, belowDb, rests), 0.95).toFixed(2)),
      ),
    ]),
  ];
}
