import type { Reason } from '@inner-hum/core/plan';
import type { TFunction } from 'i18next';
import { needText } from './needText';

/** Why something is in a session, in a sentence. */
export function reasonText(t: TFunction, nameOf: (midi: number) => string, reason: Reason): string {
  switch (reason.kind) {
    case 'goal':
      return t(`reasons.goal.${reason.goal}`, { note: nameOf(reason.midi), count: reason.daysLeft });
    case 'seam':
      return t('reasons.seam', { lower: nameOf(reason.midi), upper: nameOf(reason.upper) });
    case 'overtone':
      return reason.percent === undefined
        ? t('reasons.untried', { note: nameOf(reason.midi), partial: reason.partial })
        : t('reasons.overtone', {
            note: nameOf(reason.midi),
            partial: reason.partial,
            percent: Math.round(reason.percent),
          });
    case 'round':
      return reason.days === undefined ? t('reasons.never') : t('reasons.round', { count: reason.days });
    case 'anchor':
    case 'break':
      return t('reasons.round', { count: 0 });
    case 'routine':
      return t('reasons.routine', { name: reason.name });
    case 'long':
    case 'warmUp':
    case 'firstMap':
    case 'kept':
      return t(`reasons.${reason.kind}`, { note: nameOf(reason.midi) });
    default:
      return needText(t, nameOf, { ...reason, reason: reason.kind });
  }
}
