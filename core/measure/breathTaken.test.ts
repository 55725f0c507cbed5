import { HOP_S } from '@inner-hum/core/signal';
import { expect, it } from 'vitest';
import { breathTakenS } from './breathTaken';

const ROOM_DB = -70;
/** Frames of a tone, a gap with these levels, and a tone again; levels in dBFS, 10 ms each. */
function around(levels: readonly number[]) {
  const tone = Array<number>(30).fill(-20);
  const levelDb = Float32Array.from([...tone, ...levels, ...tone]);
  const f0Hz = Float32Array.from([...tone.map(() => 440), ...levels.map(() => 0), ...tone.map(() => 440)]);
  const gap = { fromS: 30 * HOP_S, untilS: (30 + levels.length) * HOP_S };
  return breathTakenS({ levelDb, f0Hz, count: levelDb.length }, gap, ROOM_DB);
}
const flat = (db: number, frames: number) => Array<number>(frames).fill(db);
const rings = (frames: number) => Array.from({ length: frames }, (_, i) => -25 - 1.2 * i);

it('is as long as the noise that rises out of the quiet and is gone again', () => {
  expect(around([...flat(ROOM_DB, 15), ...flat(-50, 25), ...flat(ROOM_DB, 15)])).toMatchObject({ value: 0.25 });
  // Out of a tone that still rings.
  expect(around([...rings(30), ...flat(-44, 20), ...flat(-62, 10)])).toMatchObject({ value: 0.2 });
});

it.each([
  ['a quiet gap', flat(ROOM_DB, 60)],
  ['a tone that rings on', rings(45)],
  ['a key', [...flat(ROOM_DB, 20), ...flat(-40, 3), ...flat(ROOM_DB, 20)]],
  ['air that starts the next tone', [...flat(ROOM_DB, 30), ...flat(-48, 20)]],
  ['air that goes on after a tone and stops', [...flat(-48, 20), ...flat(ROOM_DB, 30)]],
  ['a slur', flat(-45, 8)],
  ['what is hardly louder than the room', [...flat(ROOM_DB, 20), ...flat(ROOM_DB + 4, 25), ...flat(ROOM_DB, 20)]],
])('%s is no breath', (_, levels) => {
  expect(around(levels)).toMatchObject({ kind: 'measured', value: 0 });
});

it('can’t be told where the room was never heard alone', () => {
  const frames = { levelDb: new Float32Array(50), f0Hz: new Float32Array(50), count: 50 };
  expect(breathTakenS(frames, { fromS: 0, untilS: 0.5 }, undefined)).toEqual({
    kind: 'absent',
    reason: 'breathUnheard',
  });
});
