import { chakra } from '@chakra-ui/react';
import { type Digest } from '@inner-hum/core/history';
import { levelDrift } from '@inner-hum/core/map';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { database } from '../../db/database';
import { useAppSelector } from '../../store';
import { rulerOf } from '../../store/settings';

/**
 * That everything a microphone heard is louder or softer than it was: nothing shifts in silence. Once the dynamics are
 * measured anew there is nothing left to do.
 */
export function LevelMoved({ recent }: { readonly recent: readonly Digest[] | undefined }) {
  const { t } = useTranslation();
  const ruler = useAppSelector((state) => rulerOf(state.settings));
  const moved = useMemo(() => recent && levelDrift(recent), [recent]);
  const take = useLiveQuery(async () => moved && database.takes.get(moved.takeId), [moved?.takeId]);
  if (!moved || take?.source.kind !== 'microphone') return null;
  const { softestDb, loudestDb } = take.setup.ruler;
  if (softestDb !== ruler.softestDb || loudestDb !== ruler.loudestDb) return null;
  return (
    <chakra.p role="status" mt="6px">
      {t(moved.db > 0 ? 'today.louderNow' : 'today.softerNow', { db: Math.round(Math.abs(moved.db)) })}{' '}
      <Link to="/set-up#ruler">{t('stand.rulerMeasure')}</Link>
    </chakra.p>
  );
}
