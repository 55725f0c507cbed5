import { chakra } from '@chakra-ui/react';
import type { Load } from '@inner-hum/core/lesson';
import { dayNumber } from '@inner-hum/core/history';
import { useTranslation } from 'react-i18next';
import { useDay } from '../../shared/page/useDay';
import { noonOf } from '../../base/days';
import { useAppSelector } from '../../store';
import { Button } from '../../ui/controls';

/** Why today asks for less than usual, where it does; on a day of rest with the way to practise all the same. */
export function LoadLine({ load, onAnyway }: { readonly load: Load; readonly onAnyway: () => void }) {
  const { t } = useTranslation();
  const weekMinutes = useAppSelector((state) => state.settings.weekMinutes);
  const today = useDay();
  if (load.kind === 'usual') return null;
  const planned = weekMinutes[(noonOf(today).getDay() + 6) % 7] === 0;
  const count = load.goal ? dayNumber(load.goal.by) - dayNumber(today) : (load.days ?? 0);
  return (
    <chakra.p role="status" data-testid="load" fontSize="lead" my="8px">
      {load.kind === 'rest' && planned ? t('season.load.restPlanned') : t(`season.load.${load.kind}`, { count })}{' '}
      {load.kind === 'rest' && load.minutes === 0 && <Button onClick={onAnyway}>{t('season.anyway')}</Button>}
    </chakra.p>
  );
}
