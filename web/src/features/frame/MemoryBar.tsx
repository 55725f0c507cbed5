import { chakra } from '@chakra-ui/react';
import { useSyncExternalStore } from 'react';
import { useTranslation } from 'react-i18next';
import { detailOf } from '../../base/detailOf';
import { database, lateStorage, onLateStorage, storageNow } from '../../db/database';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import { Button } from '../../ui/controls';

/** Says that nothing outlasts the page, where the browser gives no storage; brings it along where the storage came late. */
export function MemoryBar() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const storage = storageNow();
  const late = useSyncExternalStore(onLateStorage, lateStorage);
  if (storage.kind === 'lasting') return null;
  const bringAndReload = (to: NonNullable<typeof late>) =>
    void import('../../db/takeAlong')
      .then(({ takeAlong }) => takeAlong(database, to))
      .then(() => location.reload())
      .catch((error: unknown) => dispatch(noticed({ key: 'app.notBrought', values: { detail: detailOf(error) } })));
  return (
    <chakra.p role="alert" px={{ base: '12px', md: '28px' }} color="accent" fontWeight={600} data-testid="memory">
      {late ? t('app.storageCame') : t('app.memoryOnly', { detail: storage.reason })}{' '}
      {late && <Button onClick={() => bringAndReload(late)}>{t('app.reload')}</Button>}
    </chakra.p>
  );
}
