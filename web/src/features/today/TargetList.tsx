import { Box, chakra, Flex } from '@chakra-ui/react';
import type { Reason, SessionBlock, Target } from '@inner-hum/core/lesson';
import { differenceInCalendarDays } from 'date-fns';
import { X } from 'lucide-react';
import { useTranslation } from 'react-i18next';
import { noonOf } from '../../base/days';
import { isOfTarget, reasonText } from '../../text/reasonText';
import { targetText } from '../../text/targetText';
import { useNoteName } from '../../text/useNoteName';

/** What was put to rest is told for so many days. */
const TOLD_DAYS = 3;

/**
 * The few things that a player works on until they are there: each once, with how far it is, and the way to leave it out today; then
 * what was put to rest lately, and why.
 */
export function TargetList({
  blocks,
  targets,
  day,
  onChange,
}: {
  readonly blocks: readonly SessionBlock[];
  readonly targets: readonly Target[];
  /** yyyy-mm-dd */
  readonly day: string;
  readonly onChange: (blocks: readonly SessionBlock[]) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const reasons = new Map<string, Reason>();
  for (const { reason } of blocks) if (isOfTarget(reason)) reasons.set(reasonText(t, nameOf, reason), reason);
  const resting = targets.filter(
    ({ state, stateSince }) =>
      state === 'waits' ||
      (state === 'rests' && differenceInCalendarDays(noonOf(day), noonOf(stateSince)) <= TOLD_DAYS),
  );
  if (reasons.size + resting.length === 0) return null;
  const without = (sentence: string) =>
    blocks.filter(({ reason }) => !isOfTarget(reason) || reasonText(t, nameOf, reason) !== sentence);
  return (
    <Box mt="12px" data-testid="targets">
      <chakra.h2 fontSize="small" fontWeight={600} color="inkSoft">
        {t('today.targets')}
      </chakra.h2>
      <chakra.ul listStyleType="none">
        {[...reasons].map(([sentence, reason]) => (
          <chakra.li key={sentence}>
            <Flex align="center" gap="8px">
              <span>{sentence}</span>
              <chakra.button
                aria-label={t('targets.leaveOut', { note: nameOf(reason.midi) })}
                title={t('targets.leaveOut', { note: nameOf(reason.midi) })}
                onClick={() => onChange(without(sentence))}
                minWidth="36px"
                minHeight="36px"
                display="grid"
                placeItems="center"
                cursor="pointer"
                borderRadius="field"
                _hover={{ bg: 'channel' }}
              >
                <X size={16} aria-hidden />
              </chakra.button>
            </Flex>
          </chakra.li>
        ))}
        {resting.map((target) => (
          <chakra.li key={target.key} color="inkSoft">
            {targetText(t, nameOf, target)}
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  );
}
