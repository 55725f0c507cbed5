import { Box, chakra } from '@chakra-ui/react';
import type { SessionBlock } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { isOfTarget, reasonText } from '../../text/reasonText';
import { useNoteName } from '../../text/useNoteName';

/** The few things that a player works on until they are there: each once, with how far it is. */
export function TargetList({ blocks }: { readonly blocks: readonly SessionBlock[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const sentences = [
    ...new Set(blocks.flatMap(({ reason }) => (isOfTarget(reason) ? [reasonText(t, nameOf, reason)] : []))),
  ];
  if (sentences.length === 0) return null;
  return (
    <Box mt="12px" data-testid="targets">
      <chakra.h2 fontSize="small" fontWeight={600} color="inkSoft">
        {t('today.targets')}
      </chakra.h2>
      <chakra.ul listStyleType="none">
        {sentences.map((sentence) => (
          <chakra.li key={sentence}>{sentence}</chakra.li>
        ))}
      </chakra.ul>
    </Box>
  );
}
