import { chakra } from '@chakra-ui/react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useDay } from '../../shared/page/useDay';
import { Button } from '../../ui/controls';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { database } from '../../db/database';

/** What is easily forgotten, one thing at a time; nobody has heard or seen it. */
const POSTURE = ['elbows', 'shoulders', 'fingers', 'strap', 'jaw'] as const;
/** Not before each take: who is told all the time listens no more. */
const EVERY_TAKES = 3;

/** What players see to before the first tone, once a day, with the way to tuning up; later in the day one thing by turns. */
export function BeforePlaying() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const preparedOn = useAppSelector((state) => state.settings.preparedOn);
  const today = useDay();
  if (preparedOn === today) return <ByTurns />;
  return (
    <chakra.p display="flex" alignItems="center" flexWrap="wrap" columnGap="8px" color="inkSoft" data-testid="before">
      {t('stand.before')} <Link to="/set-up#tune-up">{t('stand.beforeTune')}</Link>
      <Button tone="quiet" onClick={() => dispatch(settingsChanged({ preparedOn: today }))}>
        {t('stand.beforeDone')}
      </Button>
    </chakra.p>
  );
}

function ByTurns() {
  const { t } = useTranslation();
  const played = useLiveQuery(
    () =>
      database.digests
        .where('startedAtMs')
        .above(new Date().setHours(0, 0, 0, 0))
        .count(),
    [],
  );
  if (played === undefined || played === 0 || played % EVERY_TAKES !== 0) return null;
  const turn = POSTURE[(played / EVERY_TAKES - 1) % POSTURE.length]!;
  return (
    <chakra.p color="inkSoft" data-testid="posture">
      {t(`stand.posture.${turn}`)}
    </chakra.p>
  );
}
