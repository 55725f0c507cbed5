import { expect, it } from 'vitest';
import { levelErrorsDb, type Room } from './rooms';
import { quantile } from './score';

// White noise lies a little over what is aimed at, 1.5 dB (docs/bench.md has all notes, with rests and without).
it.each<[Room, number, number, number]>([
  ['white', 44_100, 20, 1],
  ['white', 48_000, 10, 1.9],
  ['pink', 48_000, 10, 1.5],
  ['fan', 44_100, 10, 1.5],
  ['hum and pink', 48_000, 20, 1],
])(
  'in a room (%s, at %i Hz, %i dB under) that is never heard alone the level is the tone’s own',
  (room, rateHz, belowDb, limitDb) => {
    const errors = levelErrorsDb(room, belowDb, false, rateHz, [
      ['alto', 67],
      ['soprano', 79],
    ]);
    expect(errors.length).toBeGreaterThan(500);
    expect(quantile(errors, 0.95)).toBeLessThan(limitDb);
  },
);
