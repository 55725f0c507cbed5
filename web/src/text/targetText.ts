import { daysUntilNext, type Target } from '@inner-hum/core/lesson';
import { addDays } from 'date-fns';
import type { TFunction } from 'i18next';
import { noonOf } from '../base/days';
import { formatDate } from './format';
import { insideText, needText, wantText } from './needText';

/** Where a target stands, in a sentence or two: how far it is, since when it is secure, or why it rests and what to look at. */
export function targetText(t: TFunction, nameOf: (midi: number) => string, target: Target): string {
  const { need, state, days, stateSince } = target;
  const note = target.midis.map(nameOf).join(', ');
  const what = wantText(t, note, need);
  const dateOf = (daysLater: number) => formatDate(addDays(noonOf(stateSince), daysLater), 'day');
  const after = daysUntilNext(target);
  switch (state) {
    case 'open': {
      const why = target.isOut ? needText(t, nameOf, need) : insideText(t, nameOf(need.midi), need);
      const inside = days.filter(({ firstInside }) => firstInside).length;
      return days.length === 0 ? why : t('reasons.target', { why, day: days.length + 1, count: inside });
    }
    case 'secure':
      return after === undefined
        ? t('targets.secured', { what, date: dateOf(0) })
        : t('targets.secure', { what, date: dateOf(0), next: dateOf(after) });
    case 'rests':
      return `${t('targets.rests', { what, count: days.length, next: dateOf(after ?? 0) })} ${t(`targets.lookAt.${need.reason}`)}`;
    case 'waits':
      return t('targets.waits', { what });
  }
}
