import { useCallback } from 'react';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../store';

/** Names a partial as the player counts: partials from the fundamental, or overtones above it. */
export function usePartialName(): (partial: number) => string {
  const { t } = useTranslation();
  const numbers = useAppSelector((state) => state.settings.partialNumbers);
  return useCallback(
    (partial) =>
      numbers === 'partials'
        ? t('partials.partial', { number: partial })
        : partial === 1
          ? t('partials.fundamental')
          : t('partials.overtone', { number: partial - 1 }),
    [t, numbers],
  );
}

/** The bare number of a partial as the player counts; the fundamental is 1, or 0 among overtones. */
export function usePartialNumber(): (partial: number) => string {
  const numbers = useAppSelector((state) => state.settings.partialNumbers);
  return (partial) => String(numbers === 'partials' ? partial : partial - 1);
}
