import { chakra } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Button } from '../../ui/controls';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { dayOf } from '../../base/days';

/** What players see to before the first tone, once a day, with the way to tuning up. */
export function BeforePlaying() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const preparedOn = useAppSelector((state) => state.settings.preparedOn);
  const today = dayOf(new Date());
  if (preparedOn === today) return null;
  return (
    <chakra.p display="flex" alignItems="center" flexWrap="wrap" columnGap="8px" color="inkSoft" data-testid="before">
      {t('stand.before')} <Link to="/set-up#tune-up">{t('stand.beforeTune')}</Link>
      <Button tone="quiet" onClick={() => dispatch(settingsChanged({ preparedOn: today }))}>
        {t('stand.beforeDone')}
      </Button>
    </chakra.p>
  );
}
