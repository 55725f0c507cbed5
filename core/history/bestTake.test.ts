import { expect, it } from 'vitest';
import { bestTake, weakestTake } from './bestTake';
import type { Digest } from './digest';
import { digest } from './testDigests';

const take = (takeId: string, more: Partial<Digest>) => digest(takeId, 1, [], {}, { family: 'swell', ...more });
const held = (holdS: number) => [{ midi: 67, loud: false, holdS }];

it('of none there is no best', () => expect(bestTake([])).toBeUndefined());

it.each([
  ['what the verdict decided', { decision: 'harder', shareInWindow: 0.6 }, { decision: 'again', shareInWindow: 0.9 }],
  ['fewer findings', { findings: ['stair'], shareInWindow: 0.6 }, { findings: ['stair', 'sharp'], shareInWindow: 0.9 }],
  [
    'the longest tone, where holding is the aim',
    { family: 'hold', holds: held(14) },
    { family: 'hold', holds: held(9), shareInWindow: 1 },
  ],
  [
    'the share in the window, where it is not',
    { holds: held(9), shareInWindow: 0.9 },
    { holds: held(14), shareInWindow: 0.6 },
  ],
] as const satisfies readonly (readonly [string, Partial<Digest>, Partial<Digest>])[])(
  'first comes %s',
  (_, better, worse) => {
    const takes = [take('worse', worse), take('better', better)];
    expect(bestTake(takes)?.takeId).toBe('better');
    expect(bestTake(takes.toReversed())?.takeId).toBe('better');
    const behind = takes.map(
      (entry) => ({ ...entry, decision: entry.takeId === 'worse' ? 'again' : entry.decision }) as const,
    );
    expect(weakestTake(behind)?.takeId).toBe('worse');
    expect(weakestTake(behind.toReversed())?.takeId).toBe('worse');
  },
);

it('where all went well, none has most to do', () => {
  expect(
    weakestTake([take('one', { decision: 'harder' }), take('other', { decision: 'harder', findings: ['stair'] })]),
  ).toBeUndefined();
});

it('where all went alike, none has most to do', () => {
  expect(weakestTake([])).toBeUndefined();
  expect(weakestTake([take('one', {}), take('other', {})])).toBeUndefined();
});
