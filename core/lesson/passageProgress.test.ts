import { describe, expect, it } from 'vitest';
import { passageProgress } from './passageProgress';

const takes = (day: string, ...shares: number[]) =>
  shares.map((shareInWindow, i) => ({ day, startedAtMs: Date.parse(day) + i, shareInWindow }));

describe('how a passage goes', () => {
  it('is not told of one day', () => expect(passageProgress(takes('2026-01-05', 0.5, 0.9))).toBeUndefined());
  it('is better where that is sure', () => {
    const told = passageProgress([
      ...takes('2026-01-12', 0.94, 0.95, 0.93),
      ...takes('2026-01-05', 0.6, 0.62, 0.58),
      ...takes('2026-01-08', 0.1),
    ])!;
    expect(told).toMatchObject({
      answer: 'better',
      first: { day: '2026-01-05', takes: 3 },
      last: { day: '2026-01-12' },
    });
    expect(told.first.value).toBeCloseTo(0.4, 9);
    expect(told.last.value).toBeCloseTo(0.06, 9);
  });
  it('is worse the other way', () =>
    expect(
      passageProgress([...takes('2026-01-05', 0.94, 0.95, 0.93), ...takes('2026-01-12', 0.6, 0.62, 0.58)])!.answer,
    ).toBe('worse'));
  it('can’t be told of two takes that differ as takes do', () =>
    expect(passageProgress([...takes('2026-01-05', 0.8), ...takes('2026-01-12', 0.88)])!.answer).toBe('cannotTell'));
  it('is the same where many takes agree', () => {
    const many = Array.from({ length: 30 }, () => 0.9);
    expect(passageProgress([...takes('2026-01-05', ...many), ...takes('2026-01-12', ...many)])!.answer).toBe('same');
  });
});
