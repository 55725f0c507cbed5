import { chakra, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { stopBackup } from '../../db/backup';
import { Button } from '../../ui/controls';
import { FileButton } from '../../ui/FileButton';
import { store, useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import { usePageSound } from '../../practice/usePageSound';
import { analyseRecording, restoreBackup, saveBackup, saveMeasures, type FileOutcome } from './files';
import { detailOf } from '../../base/detailOf';

/** So many reasons are told of takes that could not be read. */
const MOST_REASONS = 3;

/** What is being done with a file: what stopping it means, and how far it is where that is known. */
interface Work {
  readonly stop: (() => void) | undefined;
  readonly share: number | undefined;
}

/** Backups, recordings and tables: in and out. */
export function FileRow({ any }: { readonly any: boolean }) {
  const { t } = useTranslation();
  const { ear } = usePageSound();
  const [work, setWork] = useState<Work | null>(null);
  const [refusal, setRefusal] = useState('');
  /** Does something with a file; the row is free again however that ends. */
  const doing = async (task: Promise<void>, stop?: () => void) => {
    setRefusal('');
    let stopped: () => void = () => undefined;
    const given = new Promise<void>((resolve) => (stopped = resolve));
    // A worker that is ended answers no more: stopping is an end of its own.
    setWork({ stop: stop && (() => (stop(), stopped())), share: undefined });
    try {
      await Promise.race([task, given]);
    } catch (error) {
      setRefusal(t('log.refused.failed', { detail: detailOf(error) }));
    } finally {
      setWork(null);
    }
  };
  const taken = useTaken(setRefusal);
  const { settings } = store.getState();
  const onProgress = (share: number) => setWork((now) => now && { ...now, share });
  return (
    <>
      <Flex gap="10px" wrap="wrap" aria-busy={work !== null}>
        <FileButton
          accept=".json,.zip,application/json,application/zip"
          onFile={(file) => void doing(restoreBackup(file, onProgress).then(taken), stopBackup)}
          testId="restore"
        >
          {t('log.restore')}
        </FileButton>
        <FileButton
          accept="audio/*,.wav,.flac,.mp3,.ogg"
          onFile={(file) => void doing(analyseRecording(ear, file, settings, onProgress).then(taken))}
          testId="recording"
        >
          {t('log.importRecording')}
        </FileButton>
        {(['zip', 'json'] as const).map((kind) => (
          <Button key={kind} onClick={() => void doing(saveBackup(kind, settings), stopBackup)}>
            {t(`log.backUp.${kind}`)}
          </Button>
        ))}
        <Button disabled={!any} onClick={() => void doing(saveMeasures(settings), stopBackup)}>
          {t('log.exportMeasures')}
        </Button>
        <Button as={Link} {...{ to: '/log/give' }}>
          {t('give.title')}
        </Button>
        {work && (
          <chakra.span alignSelf="center" role="status">
            {work.share === undefined
              ? t('log.working')
              : t('log.workingAt', { percent: Math.round(100 * work.share) })}{' '}
            {work.stop && (
              <Button tone="quiet" onClick={work.stop}>
                {t('stand.stop')}
              </Button>
            )}
          </chakra.span>
        )}
      </Flex>
      {refusal && (
        <chakra.p role="alert" color="accent" fontWeight={600} mt="12px">
          {refusal}
        </chakra.p>
      )}
    </>
  );
}

/** Tells what came of a file that was read: opens its take, counts what is new, says what could not be read. */
function useTaken(refuse: (sentence: string) => void) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  return (outcome: FileOutcome) => {
    if (outcome.kind === 'take') void navigate(`/take/${outcome.id}`);
    else if (outcome.kind === 'refused')
      refuse(t(`log.refused.${outcome.reason as 'damaged'}`, { detail: outcome.detail }));
    else {
      const { added, alreadyHere, toShelf, aside } = outcome;
      const here = alreadyHere > 0 ? ` ${t('log.alreadyHere', { count: alreadyHere })}` : '';
      const shelf = toShelf > 0 ? ` ${t('shelf.imported', { count: toShelf })}` : '';
      dispatch(noticed({ key: 'log.imported', values: { count: added, here: here + shelf } }));
      if (aside.length > 0)
        refuse(
          t('log.setAside', {
            count: aside.length,
            reasons: aside
              .slice(0, MOST_REASONS)
              .map((take) => take.detail)
              .join('; '),
          }),
        );
    }
  };
}
