import { expect, it } from 'vitest';
import { clockOffsetMs } from './clockOffset';

/** Clocks of a thread that is put aside for so long, milliseconds, before each of its looks at a clock. */
function clocks(asideMs: readonly number[], aheadMs = 1_000_000) {
  let nowMs = 0;
  let look = 0;
  const goOn = () => (nowMs += 0.01 + (asideMs[look++] ?? 0));
  return [() => Math.floor(aheadMs + goOn()), goOn] as const;
}

it.each([
  ['is read at once', []],
  ['is put aside before the wall clock is read', [0, 25, 0]],
  ['is put aside after it', [0, 0, 40]],
  ['is put aside three times', [0, 30, 0, 0, 0, 25, 7, 12, 3]],
])('is the same for a thread that %s', (_, asideMs) => {
  expect(Math.abs(clockOffsetMs(...clocks(asideMs)) - 1_000_000)).toBeLessThan(1.5);
});

it('is the nearest look where the thread is put aside each time', () => {
  const asideMs = [0, 25, 0, 0, 0, 4, 0, 30, 0, 0, 20, 0, 0, 25, 0];
  expect(Math.abs(clockOffsetMs(...clocks(asideMs)) - 1_000_000)).toBeLessThan(4);
});

it('follows a wall clock that is set', () => {
  expect(Math.abs(clockOffsetMs(...clocks([], 1_030_000)) - 1_030_000)).toBeLessThan(1.5);
});
