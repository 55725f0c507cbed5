import { Box, chakra, Flex } from '@chakra-ui/react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { detailOf } from '../../base/detailOf';
import { addToShelf, keepInBackup, MOST_SHELF_S, shelfList } from '../../db/shelf';
import { deleteFromShelf } from '../../store/undo';
import { formatDate, formatNumber } from '../../text/format';
import { Button, Tick } from '../../ui/controls';
import { FileButton } from '../../ui/FileButton';
import { PageTitle } from '../../ui/PageTitle';
import { monoOf } from './decode';

/** Recordings to learn from: the player's own files, apart from what the player played. */
export default function ShelfPage() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const list = useLiveQuery(shelfList, []);
  const [refusal, refuse] = useState('');
  const [busy, setBusy] = useState(false);
  const add = async (file: File) => {
    setBusy(true);
    refuse('');
    try {
      const tooLong = t('shelf.tooLong', { name: file.name, minutes: MOST_SHELF_S / 60 });
      const sound = await monoOf(file, MOST_SHELF_S);
      if (sound === 'tooLong') return refuse(tooLong);
      if (!sound || sound.samples.length === 0) return refuse(t('shelf.refused', { name: file.name }));
      const lengthS = sound.samples.length / sound.sampleRateHz;
      if (lengthS > MOST_SHELF_S) return refuse(tooLong);
      void navigate(`/log/shelf/${await addToShelf(file.name, sound.sampleRateHz, sound.samples)}`);
    } catch (error) {
      refuse(t('shelf.notKept', { detail: detailOf(error) }));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box maxWidth="64rem" pb="40px">
      <PageTitle title={t('shelf.title')} intro={t('shelf.intro')} />
      <Flex gap="12px" align="center" wrap="wrap">
        <FileButton accept="audio/*,.wav,.flac,.mp3,.ogg" onFile={(file) => void add(file)} testId="shelf-file">
          {t('shelf.add')}
        </FileButton>
        {busy && <chakra.span role="status">{t('log.working')}</chakra.span>}
      </Flex>
      {refusal && (
        <chakra.p role="alert" color="accent" fontWeight={600} mt="12px">
          {refusal}
        </chakra.p>
      )}
      {list?.length === 0 && <chakra.p mt="16px">{t('shelf.none')}</chakra.p>}
      <chakra.ul listStyleType="none" mt="16px">
        {list?.map(({ id, name, addedAt, lengthS, inBackup = false }) => (
          <chakra.li key={id} borderTopWidth="1px" borderColor="line" py="6px">
            <Flex align="center" gap="14px" wrap="wrap">
              <Box flex="1" minWidth={0}>
                <Link to={`/log/shelf/${id}`}>{name}</Link>{' '}
                <chakra.span color="inkSoft" fontSize="small">
                  {t('shelf.about', {
                    seconds: formatNumber(lengthS, 0),
                    date: formatDate(new Date(addedAt), 'dayOfYear'),
                  })}
                </chakra.span>
              </Box>
              <Tick
                label={t('shelf.inBackup')}
                checked={inBackup}
                onChange={(wanted) => void keepInBackup(id, wanted)}
              />
              <Button tone="quiet" onClick={() => void deleteFromShelf(id, name)}>
                {t('exercise.remove')}
              </Button>
            </Flex>
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  );
}
