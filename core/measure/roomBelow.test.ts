import { describe, expect, it } from 'vitest';
import { roomBelowDb } from './roomBelow';

/** Stretches of [seconds, level, whether a tone] as frames. */
function heard(...stretches: readonly (readonly [number, number, boolean])[]) {
  const rows = stretches.flatMap(([seconds, db, tone]) =>
    Array.from({ length: Math.round(seconds * 100) }, () => [tone ? 233 : 0, db] as const),
  );
  return {
    count: rows.length,
    f0Hz: Float32Array.from(rows, ([hz]) => hz),
    levelDb: Float32Array.from(rows, ([, db]) => db),
  };
}

describe('the room under the loudest tone', () => {
  it('is that of the rests, whatever rings and breathes beside the tones', () => {
    const take = heard([1, -55, false], [0.3, -35, false], [4, -25, true], [0.5, -30, false], [1, -55, false]);
    expect(roomBelowDb(take)).toBeCloseTo(30, 0);
  });
  it('is measured against the loudest, not the softest', () =>
    expect(roomBelowDb(heard([1, -50, false], [2, -45, true], [2, -20, true], [1.5, -50, false]))).toBeCloseTo(30, 0));
  it.each([
    ['no tone', heard([3, -50, false])],
    ['no rest', heard([3, -20, true])],
    ['rests too short to be the room', heard([0.4, -50, false], [3, -20, true], [0.4, -50, false])],
    ['a gate that is shut', heard([2, -110, false], [3, -20, true])],
  ])('is not known with %s', (_, take) => expect(roomBelowDb(take)).toBeUndefined());
});
