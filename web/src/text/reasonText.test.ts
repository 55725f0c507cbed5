import { GOAL_KINDS } from '@inner-hum/core/families';
import { PILLARS, type Reason, type Theme } from '@inner-hum/core/lesson';
import { NEED_REASONS } from '@inner-hum/core/map';
import { noteName } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { i18next } from './i18n';
import { needText } from './needText';
import { reasonText } from './reasonText';
import { setupText } from './setupText';

const t = i18next.t;
const name = (midi: number) => noteName(midi, 'english');

describe('why something is in a session', () => {
  const plain = [
    'warmUp',
    'firstMap',
    'again',
    'kept',
    'zone',
    'start',
    'new',
    'readies',
    'easy',
    'keeps',
    'music',
    'plain',
    'look',
    'tuneAbout',
  ] as const;
  const sharp = { kind: 'need', reason: 'pitch', zone: 'palm', sign: 1, band: 'soft', midis: [86, 88, 89] } as const;
  const themes: readonly Theme[] = [
    ...(['start', 'measure'] as const).map((kind) => ({ kind })),
    { kind: 'goal', goal: 'highNote', midi: 91 },
    ...(['low', 'middle', 'palm'] as const).map((zone) => ({ kind: 'zone', zone, midis: [60] }) as const),
    ...NEED_REASONS.map((reason) => ({ ...sharp, reason })),
    { ...sharp, sign: -1 },
  ];
  const reasons: readonly Reason[] = [
    ...plain.map((kind) => ({ kind, midi: 60 })),
    ...NEED_REASONS.map((kind) => ({ kind, midi: 60, value: 3, of: 8 })),
    ...NEED_REASONS.map((kind) => ({ kind, midi: 60, value: 3, of: 8, theme: true })),
    ...themes.flatMap((about) => (['keeps', 'music'] as const).map((kind) => ({ kind, midi: 60, about }))),
    ...[undefined, 16, -16].map((cents) => ({ kind: 'tune', midi: 71, ...(cents && { cents }) }) as const),
    ...[1, 4].map((days) => ({ kind: 'settles', midi: 67, days }) as const),
    ...GOAL_KINDS.flatMap((goal) => [1, 12].map((daysLeft) => ({ kind: 'goal', midi: 60, goal, daysLeft }) as const)),
    ...PILLARS.map((pillar) => ({ kind: 'pillar', midi: 60, pillar }) as const),
    ...[1, 7].map((days) => ({ kind: 'back', midi: 60, days }) as const),
    ...[0, 1, 4].map((inside) => ({ kind: 'pitch', midi: 60, value: 18, target: { day: 5, inside } }) as const),
    { kind: 'seam', midi: 72, upper: 73 },
    { kind: 'overtone', midi: 77, partial: 3, got: 4, of: 12, growing: true },
    { kind: 'overtone', midi: 77, partial: 3, got: 4, of: 12, growing: false },
    { kind: 'overtone', midi: 77, partial: 3 },
    ...[0, 1, 5, 16].map((days) => ({ kind: 'round', midi: 67, days }) as const),
  ];
  it.each(reasons)('%o is one whole sentence', (reason) => {
    const text = reasonText(t, name, reason);
    expect(text).toMatch(/^[A-Z0-9].*[.?]$/);
    expect(text).not.toMatch(/\{\{|undefined|NaN|reasons\.|needs\./);
  });
  it.each([
    [{ kind: 'goal', midi: 58, goal: 'softLowEntry', daysLeft: 1 }, 'Your goal: a soft entry on B♭3, 1 day left.'],
    [{ kind: 'seam', midi: 72, upper: 73 }, 'An uneven join between C5 and C♯5.'],
    [
      { kind: 'overtone', midi: 77, partial: 3, got: 4, of: 12, growing: true },
      'F5, partial 3: 4 of the last 12 right, and getting better.',
    ],
    [
      { kind: 'pitch', midi: 86, value: 18, band: 'soft', target: { day: 3, inside: 2 } },
      'D6 goes 18 cents sharp when soft. Day 3 on it, 2 first tries inside.',
    ],
    // On its first day there is nothing to tell of it yet.
    [
      { kind: 'pitch', midi: 86, value: 18, band: 'soft', target: { day: 1, inside: 0 } },
      'D6 goes 18 cents sharp when soft.',
    ],
    [{ kind: 'back', midi: 86, days: 7 }, 'Secure for 7 days: is it still?'],
    [
      { kind: 'keeps', midi: 60, about: sharp },
      'Keeps this secure while the week is about the high notes when soft, which go sharp.',
    ],
  ] as const)('%o', (reason, sentence) => expect(reasonText(t, name, reason)).toBe(sentence));
});

describe('why a note wants work', () => {
  it.each([
    ['response', 0.214, '214'],
    ['failing', 3, '3 of the last 8'],
    ['pitch', -14.4, 'is 14 cents flat'],
    ['slope', 8.2, 'flat as it gets softer: 8'],
    ['steadiness', 6.28, '6.3'],
  ] as const)('%s of %f is told as %s', (reason, value, shown) =>
    expect(needText(t, name, { midi: 60, reason, value, of: 8 })).toContain(shown),
  );
});

it('a set-up is one line of what was said', () => {
  expect(setupText({ instrumentId: 'alto', reed: 'second', room: 'kitchen' })).toBe('second, kitchen');
  expect(setupText({ instrumentId: 'alto' })).toBe('');
});
