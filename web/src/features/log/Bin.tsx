import { chakra, Flex } from '@chakra-ui/react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useTranslation } from 'react-i18next';
import { binnedTakes, emptyBin, restoreTake } from '../../db/takes';
import { Button } from '../../ui/controls';
import { exerciseTitle } from '../../text/exerciseText';
import { Boundary } from '../../shared/page/Boundary';
import { useNoteName } from '../../text/useNoteName';
import { detailOf } from '../../base/detailOf';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import type { BinRow } from '../../db/database';
import { formatDate } from '../../text/format';

/** Takes deleted in the last thirty days, each to be had back. */
export function Bin() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const rows = useLiveQuery(binnedTakes, []);
  const failed = (key: 'app.undoFailed' | 'app.notDeleted') => (error: unknown) =>
    void dispatch(noticed({ key, values: { detail: detailOf(error) } }));
  if (!rows?.length) return null;
  return (
    <chakra.details mt="26px" data-testid="bin">
      <chakra.summary cursor="pointer" minHeight="32px" color="inkSoft">
        {t('log.bin.title', { count: rows.length })}
      </chakra.summary>
      <chakra.ul listStyleType="none">
        {rows.map((row) => (
          <chakra.li key={row.takeId} borderTopWidth="1px" borderColor="line" py="6px">
            <Flex align="center" gap="14px">
              <chakra.span flex="1 1 auto">
                <Boundary broken={() => t('take.damaged')}>
                  <BinLine row={row} />
                </Boundary>
              </chakra.span>
              <Button onClick={() => void restoreTake(row.takeId).catch(failed('app.undoFailed'))}>
                {t('log.bin.restore')}
              </Button>
            </Flex>
          </chakra.li>
        ))}
      </chakra.ul>
      <Button tone="quiet" onClick={() => void emptyBin().catch(failed('app.notDeleted'))}>
        {t('log.bin.empty')}
      </Button>
    </chakra.details>
  );
}

function BinLine({ row: { record } }: { readonly row: BinRow }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  return (
    <>
      {formatDate(new Date(record.startedAt), 'momentOfYear')} · {exerciseTitle(t, record.parameters, nameOf)}
    </>
  );
}
