// @vitest-environment happy-dom
import { afterEach, expect, it, vi } from 'vitest';
import { arrive, breathe } from './motion';

afterEach(() => vi.unstubAllGlobals());
const still = (matches: boolean) => vi.stubGlobal('matchMedia', () => ({ matches }));

it.each([breathe, arrive])('moves for a moment, and ends where it began', (move) => {
  still(false);
  const animate = vi.fn();
  move(Object.assign(document.createElement('p'), { animate }));
  const [frames, { duration }] = animate.mock.calls[0] as [Keyframe[], { duration: number }];
  expect(duration).toBeLessThan(300);
  expect(['scale(1)', 'none']).toContain(frames.at(-1)!['transform']);
});

it.each([breathe, arrive])('stands still where less movement is wanted', (move) => {
  still(true);
  const animate = vi.fn();
  move(Object.assign(document.createElement('p'), { animate }));
  expect(animate).not.toHaveBeenCalled();
});
