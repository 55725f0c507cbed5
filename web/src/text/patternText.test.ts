import type { HornPattern } from '@inner-hum/core/map';
import { noteName } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { i18next } from './i18n';
import { patternText } from './patternText';

const patterns: readonly HornPattern[] = [
  { kind: 'flatLowSharpHigh', low: 14, high: 11 },
  ...(['allSharp', 'allFlat', 'sharpWhenSoft', 'flatWhenSoft'] as const).map((kind) => ({
    kind,
    cents: 12,
    notes: 20,
  })),
  ...(['low', 'middle', 'palm'] as const).map((zone) => ({ kind: 'zoneSharp', zone, cents: 9 }) as const),
  { kind: 'zoneFlat', zone: 'low', cents: 9 },
  ...(['low', 'palm'] as const).map((zone) => ({ kind: 'zoneWeak', zone, db: 6 }) as const),
  { kind: 'palmThin', share: 0.5 },
  { kind: 'palmDull', share: 0.4 },
  { kind: 'oneNote', midi: 76, cents: -19 },
];

describe('what the whole map shows', () => {
  it.each(patterns)('%o is told in whole sentences', (pattern) => {
    for (const text of Object.values(patternText(i18next.t, (midi) => noteName(midi, 'english'), pattern))) {
      expect(text).toMatch(/^[A-Z].*\.$/);
      expect(text).not.toMatch(/\{\{|undefined|NaN|patterns\./);
    }
  });
  it('names note and side', () =>
    expect(patternText(i18next.t, (midi) => noteName(midi, 'english'), patterns.at(-1)!).what).toBe(
      'E5 alone is 19 cents flat, its neighbours are in tune.',
    ));
});
