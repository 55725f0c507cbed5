import type { HornPattern } from '@inner-hum/core/map';
import type { TFunction } from 'i18next';
import { formatNumber } from './format';
import { tableText } from './tableText';

/** A pattern of the whole map as a teacher tells it: what it is, the two likeliest causes, the one try that tells them apart. */
export function patternText(
  t: TFunction,
  nameOf: (midi: number) => string,
  pattern: HornPattern,
): { readonly what: string; readonly causes: string; readonly tell: string } {
  const words = wordsOf(t, nameOf, pattern);
  return {
    what: tableText(t, `patterns.${pattern.kind}.what`, words),
    causes: t(`patterns.${pattern.kind}.causes`),
    tell: t(`patterns.${pattern.kind}.tell`),
  };
}

function wordsOf(
  t: TFunction,
  nameOf: (midi: number) => string,
  pattern: HornPattern,
): Record<string, string | number> {
  const whole = (value: number) => formatNumber(Math.abs(value), 0);
  switch (pattern.kind) {
    case 'flatLowSharpHigh':
      return { low: whole(pattern.low), high: whole(pattern.high) };
    case 'oneNote':
      return {
        note: nameOf(pattern.midi),
        cents: whole(pattern.cents),
        way: t(pattern.cents > 0 ? 'patterns.sharp' : 'patterns.flat'),
      };
    case 'zoneSharp':
    case 'zoneFlat':
      return { zone: t(`patterns.zones.${pattern.zone}`), cents: whole(pattern.cents) };
    case 'zoneWeak':
      return { zone: t(`patterns.zones.${pattern.zone}`), db: whole(pattern.db) };
    case 'palmThin':
    case 'palmDull':
      return { percent: whole(100 * pattern.share) };
    default:
      return { cents: whole(pattern.cents), notes: pattern.notes };
  }
}
