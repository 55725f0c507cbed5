import type { Need } from '@inner-hum/core/plan';
import type { TFunction } from 'i18next';
import { formatNumber, formatSigned } from './format';

/** Why a note wants work, in a sentence. */
export function needText(t: TFunction, nameOf: (midi: number) => string, { midi, reason, value }: Need): string {
  const shown =
    reason === 'response'
      ? formatNumber(1000 * value, 0)
      : reason === 'failing'
        ? formatNumber(100 * value, 0)
        : reason === 'pitch' || reason === 'slope'
          ? formatSigned(value, 0)
          : formatNumber(value, reason === 'steadiness' ? 1 : 0);
  return t(`needs.${reason}`, { note: nameOf(midi), value: shown });
}
