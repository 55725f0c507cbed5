import { chakra, Flex } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { detailOf } from '../../base/detailOf';
import { canChooseFolder, chooseFolder, folderName } from '../../db/autoBackup';
import { Button } from '../../ui/controls';
import { formatNumber } from '../../text/format';
import { store, useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';

/** What is kept in this browser, whether the browser promised to keep it, and the folder for backups. */
export function StorageRow() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const [usage, setUsage] = useState<{ readonly mB: number; readonly lasting: boolean }>();
  const [folder, setFolder] = useState<string>();
  useEffect(() => {
    // Where the browser tells nothing of it, nothing is shown.
    const { storage } = navigator as Partial<Navigator>;
    if (storage)
      Promise.all([storage.estimate(), storage.persisted()]).then(
        ([estimate, lasting]) => setUsage({ mB: (estimate.usage ?? 0) / 1e6, lasting }),
        () => undefined,
      );
    folderName().then(setFolder, () => undefined);
  }, []);
  const choose = async () => {
    try {
      const name = await chooseFolder(store.getState().settings);
      if (!name) return;
      setFolder(name);
      dispatch(noticed({ key: 'log.folderSet', values: { folder: name } }));
    } catch (error) {
      dispatch(noticed({ key: 'app.wentWrong', values: { detail: detailOf(error) } }));
    }
  };
  const keep = async () => {
    const lasting = await navigator.storage.persist();
    setUsage((before) => before && { ...before, lasting });
    if (!lasting) dispatch(noticed({ key: 'log.notLasting' }));
  };
  if (!usage) return null;
  return (
    <Flex gap="12px" align="center" wrap="wrap" color="inkSoft" fontSize="small" mt="8px">
      <span>{t('log.storage', { mB: formatNumber(usage.mB, 1) })}</span>
      {usage.lasting ? (
        <span>{t('log.lasting')}</span>
      ) : (
        <Button tone="quiet" whiteSpace="normal" textAlign="left" onClick={() => void keep()}>
          {t('log.keepForGood')}
        </Button>
      )}
      {canChooseFolder() && (
        <Button tone="quiet" onClick={() => void choose()}>
          {folder ? t('log.folder', { folder }) : t('log.chooseFolder')}
        </Button>
      )}
      {!canChooseFolder() && <chakra.span>{t('log.noFolder')}</chakra.span>}
    </Flex>
  );
}
