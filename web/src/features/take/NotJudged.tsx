import { Flex } from '@chakra-ui/react';
import type { WholeTake } from '@inner-hum/core/take';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { judgeAgain } from '../../practice/judgeAgain';
import { usePageSound } from '../../practice/usePageSound';
import { Button } from '../../ui/controls';
import { detailOf } from '../../base/detailOf';

/** A take that could not be judged, and another try at it. */
export function NotJudged({ take, onJudged }: { readonly take: WholeTake; readonly onJudged: () => void }) {
  const { ear } = usePageSound();
  const { t } = useTranslation();
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState('');
  const judge = async () => {
    setBusy(true);
    setFailure('');
    try {
      await judgeAgain(ear, take);
      onJudged();
    } catch (error) {
      setFailure(detailOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Flex align="center" gap="12px" wrap="wrap" mt="14px" data-testid="not-judged">
      <span>{t('verdict.findings.notJudged')}</span>
      <Button tone="strong" disabled={busy} onClick={() => void judge()}>
        {t(busy ? 'take.judging' : 'take.judgeNow')}
      </Button>
      {failure && <span role="alert">{t('take.judgeFailed', { detail: failure })}</span>}
    </Flex>
  );
}
