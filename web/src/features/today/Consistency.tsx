import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { Box, chakra, Flex } from '@chakra-ui/react';
import type { Comparison } from '@inner-hum/core/experiments';
import type { Digest } from '@inner-hum/core/history';
import { subDays } from 'date-fns';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { compareService } from '../../db/compareService';
import { formatDate, formatNumber } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { useNoteName } from '../../text/useNoteName';
import { useAppSelector } from '../../store';
import { LOOKED_BACK_DAYS } from '../../shared/plan/usePlan';
import { dayOf } from '../../base/days';
import { tableText } from '../../text/tableText';

const DAYS = 14;

/** The days with practice out of the last fourteen as a plain strip, and one change that is sure. */
export function Consistency({ recent }: { readonly recent: readonly Digest[] }) {
  const { t } = useTranslation();
  const minutesOn = new Map<string, number>();
  for (const { day, lastsS } of recent) minutesOn.set(day, (minutesOn.get(day) ?? 0) + lastsS / 60);
  const days = Array.from({ length: DAYS }, (_, i) => subDays(new Date(), DAYS - 1 - i));
  const practised = days.filter((day) => minutesOn.has(dayOf(day))).length;
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px">
      <SectionTitle>{t('today.fortnight')}</SectionTitle>
      <Flex role="img" aria-label={t('today.daysOf', { count: practised, days: DAYS })} gap="4px" align="flex-end">
        {days.map((day) => {
          const minutes = minutesOn.get(dayOf(day)) ?? 0;
          return (
            <Box key={dayOf(day)} flex="1" textAlign="center" title={formatDate(day, 'day')}>
              <Box
                borderRadius="3px"
                borderWidth="1.5px"
                borderColor="ink"
                bg={minutes > 0 ? 'ink' : 'transparent'}
                forcedColorAdjust="none"
                opacity={minutes > 0 ? 1 : 0.35}
                style={{ height: `${minutes > 0 ? 12 + Math.min(24, 2 * minutes) : 12}px` }}
              />
              <chakra.span fontSize="tiny" color="inkSoft">
                {formatDate(day, 'weekdayLetter')}
              </chakra.span>
            </Box>
          );
        })}
      </Flex>
      <p>{t('today.daysOf', { count: practised, days: DAYS })}</p>
      <OneChange recent={recent} />
    </Box>
  );
}

function OneChange({ recent }: { readonly recent: readonly Digest[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const [change, setChange] = useState<Comparison>();
  useEffect(() => {
    let gone = false;
    const since = dayOf(subDays(new Date(), LOOKED_BACK_DAYS));
    void compareService()
      .changeWorthKnowing({ tags: [`size:${instrumentId}`], since }, Date.now())
      .then((found) => {
        if (!gone) setChange(found);
      });
    return () => void (gone = true);
  }, [recent, instrumentId]);
  if (!change) return null;
  const { quantity, midi, difference, from, to } = change;
  const { factor, digits } = QUANTITY_ROWS[quantity];
  const less = difference < 0 ? 'less' : 'more';
  return (
    <chakra.p mt="8px" fontWeight={600} data-testid="one-change">
      {tableText(t, `today.change.${quantity}.${less}`, {
        note: nameOf(midi!),
        value: formatNumber(Math.abs(difference) * factor, digits),
        error: formatNumber((factor * (to - from)) / 2, digits),
      })}
    </chakra.p>
  );
}
