import type { Need } from '@inner-hum/core/map';
import { shown } from '@inner-hum/core/measure';
import type { TFunction } from 'i18next';
import { formatNumber } from './format';

type Told = Pick<Need, 'midi' | 'reason' | 'value' | 'band' | 'of'>;

/** Why a note wants work, in a sentence. */
export function needText(t: TFunction, nameOf: (midi: number) => string, need: Told): string {
  const { midi, reason, value, band, of = 0 } = need;
  const note = nameOf(midi);
  const size = Math.abs(value);
  switch (reason) {
    case 'pitch':
      return t(value > 0 ? 'needs.sharp' : 'needs.flat', {
        note,
        value: formatNumber(size, 0),
        ...(band && { context: band }),
      });
    case 'slope':
      return t(value < 0 ? 'needs.sharpWhenSoft' : 'needs.flatWhenSoft', { note, value: formatNumber(size, 0) });
    case 'response':
      return t('needs.response', { note, value: formatNumber(shown('responseS', value), 0) });
    case 'failing':
      return t('needs.failing', { note, value, of });
    case 'steadiness':
      return t('needs.steadiness', { note, value: formatNumber(value, 1) });
  }
}

/** What a note is to be, to stand at the head of a sentence. */
export function wantText(t: TFunction, note: string, { reason, band }: Pick<Told, 'reason' | 'band'>): string {
  return t(`targets.what.${reason}`, { note, ...(band && { context: band }) });
}

/** That a note is inside the limit that it was outside of, in a sentence. */
export function insideText(t: TFunction, note: string, need: Pick<Told, 'reason' | 'band'>): string {
  return t('targets.nowInside', { what: wantText(t, note, need) });
}
