import { chakra, Flex } from '@chakra-ui/react';
import { isValid } from 'date-fns';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { keepDraftAsSound, recoverDraft, removeDraft, saveDraftSound } from '../../practice/recoverDrafts';
import { usePageSound } from '../../practice/usePageSound';
import { useAppDispatch, useAppSelector } from '../../store';
import type { UnkeptTake } from '../../store/drafts';
import { noticed } from '../../store/notices';
import { AlertPanel } from '../../ui/AlertPanel';
import { Button } from '../../ui/controls';
import { useIdle } from '../../shared/page/useIdle';
import { detailOf } from '../../base/detailOf';
import { formatDate } from '../../text/format';

/** Takes that are drafts still, with what can be done with each; nothing of them goes before the player says so. */
export function DraftOffers() {
  const { t } = useTranslation();
  const { unkept, progress } = useAppSelector((state) => state.drafts);
  const idle = useIdle();
  if (!idle) return null;
  return (
    <>
      {progress !== null && (
        <chakra.p role="status" my="6px" data-testid="recovering">
          {t('drafts.recovering', { percent: Math.round(100 * progress) })}
        </chakra.p>
      )}
      {unkept.map((take) => (
        <Offer key={take.takeId} draft={take} />
      ))}
    </>
  );
}

function Offer({ draft }: { readonly draft: UnkeptTake }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const page = usePageSound();
  const [busy, setBusy] = useState(false);
  const { takeId, startedAt, seconds, why, detail } = draft;
  const day = new Date(startedAt);
  const doing = async (work: Promise<unknown>) => {
    setBusy(true);
    try {
      await work;
    } catch (error) {
      const reason = detailOf(error);
      dispatch(noticed({ key: 'drafts.failedAgain', values: { detail: reason } }));
    } finally {
      setBusy(false);
    }
  };
  return (
    <AlertPanel testId="draft-offer">
      <chakra.p mb="8px">
        {t(`drafts.${why}`, {
          when: isValid(day) ? formatDate(day, 'moment') : t('drafts.unknownTime'),
          seconds,
          detail,
        })}
      </chakra.p>
      <Flex gap="10px" wrap="wrap">
        <Button tone="strong" disabled={busy} onClick={() => void doing(recoverDraft(page, takeId))}>
          {t('drafts.judge')}
        </Button>
        <Button disabled={busy} onClick={() => void doing(keepDraftAsSound(page, takeId))}>
          {t('drafts.keepSound')}
        </Button>
        <Button disabled={busy} onClick={() => void doing(saveDraftSound(page, takeId))}>
          {t('drafts.saveSound')}
        </Button>
        <Button tone="quiet" disabled={busy} onClick={() => void doing(removeDraft(page, takeId))}>
          {t('drafts.remove')}
        </Button>
      </Flex>
    </AlertPanel>
  );
}
