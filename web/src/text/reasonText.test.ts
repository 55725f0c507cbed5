import { GOAL_KINDS } from '@inner-hum/core/families';
import { NEED_REASONS, type Reason } from '@inner-hum/core/plan';
import { noteName } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { i18next } from './i18n';
import { needText } from './needText';
import { reasonText } from './reasonText';
import { setupText } from './setupText';

const t = i18next.t;
const name = (midi: number) => noteName(midi, 'english');

describe('why something is in a session', () => {
  const plain = ['warmUp', 'firstMap', 'kept'] as const;
  const reasons: readonly Reason[] = [
    ...plain.map((kind) => ({ kind, midi: 60 })),
    ...NEED_REASONS.map((kind) => ({ kind, midi: 60, value: 0.3 })),
    ...GOAL_KINDS.flatMap((goal) => [1, 12].map((daysLeft) => ({ kind: 'goal', midi: 60, goal, daysLeft }) as const)),
    { kind: 'seam', midi: 72, upper: 73 },
    { kind: 'overtone', midi: 77, partial: 3, percent: 41.6 },
    { kind: 'overtone', midi: 77, partial: 3 },
    ...[0, 1, 5, 16].map((days) => ({ kind: 'round', midi: 67, days }) as const),
  ];
  it.each(reasons)('%o is one whole sentence', (reason) => {
    const text = reasonText(t, name, reason);
    expect(text).toMatch(/^[A-Z].*\.$/);
    expect(text).not.toMatch(/\{\{|undefined|NaN|reasons\.|needs\./);
  });
  it.each([
    [{ kind: 'goal', midi: 58, goal: 'softLowEntry', daysLeft: 1 }, 'Your goal: a soft entry on B♭3, 1 day left.'],
    [{ kind: 'seam', midi: 72, upper: 73 }, 'An uneven join between C5 and C♯5.'],
    [
      { kind: 'overtone', midi: 77, partial: 3, percent: 41.6 },
      'F5 as partial 3 is growing: about 42 % of your tries spoke.',
    ],
  ] as const)('%o', (reason, sentence) => expect(reasonText(t, name, reason)).toBe(sentence));
});

describe('why a note wants work', () => {
  it.each([
    ['response', 0.214, '214'],
    ['failing', 0.333, '33'],
    ['pitch', -14.4, 'is 14 cents flat'],
    ['slope', 8.2, 'flat as it gets softer: 8'],
    ['steadiness', 6.28, '6.3'],
    ['stale', 21, '21'],
  ] as const)('%s of %f is told as %s', (reason, value, shown) =>
    expect(needText(t, name, { midi: 60, reason, value })).toContain(shown),
  );
});

it('a set-up is one line of what was said', () => {
  expect(setupText({ instrumentId: 'alto', reed: 'second', room: 'kitchen' })).toBe('second, kitchen');
  expect(setupText({ instrumentId: 'alto' })).toBe('');
});
