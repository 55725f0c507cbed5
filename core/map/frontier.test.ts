import { instrumentById, sourceKey } from '@inner-hum/core/theory';
import { expect, it } from 'vitest';
import { altissimoReady, frontier } from './frontier';
import type { OwnCell } from './ownSources';

const alto = instrumentById('alto');
const tried = (got: number, of: number, ...keys: readonly (readonly [number, number])[]) =>
  keys.map(
    ([fingeredMidi, partialNumber]) =>
      [sourceKey({ fingeredMidi, partialNumber }), { tries: { got, of }, newestMs: 0 } as OwnCell] as const,
  );
const bell = [58, 59, 60, 61];
const all = (most: number) =>
  bell.flatMap((tube) => Array.from({ length: most - 1 }, (_, i) => [tube, i + 2] as const));

it.each([
  ['nothing tried', [], 58, 2],
  ['partial 2 learnt on the lowest tube', tried(5, 6, [58, 2]), 59, 2],
  ['partial 2 learnt on two tubes', tried(8, 12, [58, 2], [60, 2]), 58, 3],
  ['tried too seldom to know', tried(5, 5, [58, 2]), 58, 2],
  ['tried often, half of it right', tried(5, 10, [58, 2]), 58, 2],
  ['partial 2 learnt on all bell notes', tried(9, 10, ...all(2)), 58, 3],
  ['all that a level asks for learnt', tried(9, 10, ...all(5)), 58, 5],
] as const)('%s', (_, sources, tubeMidi, partial) =>
  expect(frontier(new Map(sources), 'home', alto)).toEqual({ tubeMidi, partial }),
);

it('who is new is led no further than partial 3', () =>
  expect(frontier(new Map(tried(9, 10, ...all(5))), 'new', alto).partial).toBe(3));

it('altissimo waits for partial 4 on two tubes', () => {
  expect(altissimoReady(new Map(tried(8, 12, [58, 4])))).toBe(false);
  expect(altissimoReady(new Map(tried(7, 12, [58, 4], [59, 4])))).toBe(false);
  expect(altissimoReady(new Map(tried(8, 12, [58, 4], [59, 4])))).toBe(true);
});
