import { describe, expect, it } from 'vitest';
import { levelNow } from './level';
import type { Digest } from './digest';

const takes = (count: number, decision: Digest['decision'], days = 10) =>
  Array.from({ length: count }, (_, i) => ({ startedAtMs: i, day: `2026-01-${10 + (i % days)}`, decision }));

describe('levelNow', () => {
  it.each([
    ['what was said, while little is known', takes(20, 'harder'), 'home'],
    ['what was said, over too few days', takes(40, 'harder', 3), 'home'],
    ['a step further when most holds', takes(40, 'harder'), 'advanced'],
    ['a step back when most breaks', takes(40, 'easier'), 'new'],
    ['what was said, when it is mixed', [...takes(20, 'harder'), ...takes(20, 'again')], 'home'],
  ] as const)('%s', (_, recent, expected) => expect(levelNow('home', recent)).toBe(expected));
  it('who has not said it is new, until what is played says otherwise', () => {
    expect(levelNow(null, [])).toBe('new');
    expect(levelNow(null, takes(40, 'harder'))).toBe('home');
  });
  it('ends at its ends', () => {
    expect(levelNow('advanced', takes(40, 'harder'))).toBe('advanced');
    expect(levelNow('new', takes(40, 'leave'))).toBe('new');
  });
});
