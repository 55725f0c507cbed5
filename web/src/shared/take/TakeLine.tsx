import { Box, chakra, Flex } from '@chakra-ui/react';
import type { TakeRecord } from '@inner-hum/core/take';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { exerciseTitle } from '../../text/exerciseText';
import { findingText } from '../../text/findingText';
import { MiniRibbon } from '../../ribbon/MiniRibbon';
import { useNoteName } from '../../text/useNoteName';
import { formatDate } from '../../text/format';

/** A take in one line: when, its ribbon, what it was and what was found. */
export function TakeLine({ take }: { readonly take: TakeRecord }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const finding = take.verdict.findings[0];
  return (
    <Flex align="center" gap="14px" borderTopWidth="1px" borderColor="line" py="6px">
      <chakra.span width="92px" color="inkSoft" fontSize="small" flexShrink={0}>
        {formatDate(new Date(take.startedAt), 'moment')}
      </chakra.span>
      <Box width="150px" flexShrink={0} hideBelow="md">
        <MiniRibbon take={take} />
      </Box>
      <Box minWidth={0}>
        <Link to={`/take/${take.id}`}>{exerciseTitle(t, take.parameters, nameOf)}</Link>
        <chakra.span display="block" fontSize="small" color="inkSoft">
          {finding && findingText(t, finding, take, nameOf)}
        </chakra.span>
      </Box>
    </Flex>
  );
}
