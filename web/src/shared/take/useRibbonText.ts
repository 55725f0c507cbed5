import type { TakeRecord } from '@inner-hum/core/take';
import { useTranslation } from 'react-i18next';
import { exerciseTitle } from '../../text/exerciseText';
import { findingText } from '../../text/findingText';
import { useNoteName } from '../../text/useNoteName';

/** What the ribbon of a take shows, for those who don't see it: what was played and what was found first. */
export function useRibbonText(take: TakeRecord): string {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const [first] = take.verdict.findings;
  return t('take.ribbonLabel', {
    exercise: exerciseTitle(t, take.parameters, nameOf),
    finding: first ? findingText(t, first, take, nameOf) : '',
  }).trim();
}
