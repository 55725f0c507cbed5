import { Box, chakra } from '@chakra-ui/react';
import type { TakeRecord } from '@inner-hum/core/formats';
import { useTranslation } from 'react-i18next';
import { findingText, nextText } from './findingText';
import { useNoteName } from './useNoteName';

/** How many sentences are told at once; the rest is among the numbers. */
const SENTENCES = 3;

/** A verdict in words: what happened, what to try, what comes next. */
export function VerdictText({ take, large = false }: { readonly take: TakeRecord; readonly large?: boolean }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { verdict } = take;
  return (
    <Box role="status" aria-label={t('verdict.label')}>
      {verdict.findings.slice(0, SENTENCES).map((finding, i) => (
        <chakra.p
          key={`${finding.id} ${finding.stepIndex}`}
          fontFamily="heading"
          fontSize={large ? (i === 0 ? '2rem' : '1.45rem') : i === 0 ? '1.35rem' : '1.1rem'}
          lineHeight={1.3}
          mb="6px"
        >
          {findingText(t, finding, take, nameOf)}
        </chakra.p>
      ))}
      {verdict.tries.length > 0 && (
        <chakra.p fontSize={large ? '1.2rem' : '1rem'} mt="14px" color="inkSoft">
          <chakra.strong color="ink">{t('verdict.try')}: </chakra.strong>
          {verdict.tries.map((id) => t(`verdict.tries.${id}`)).join(' ')}
        </chakra.p>
      )}
      <chakra.p fontSize={large ? '1.2rem' : '1rem'} mt="10px">
        <strong>{t(`verdict.decision.${verdict.decision}`)} </strong>
        {verdict.next.change !== 'none' && nextText(t, verdict, take, nameOf)}
      </chakra.p>
    </Box>
  );
}
