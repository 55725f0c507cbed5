import { Flex } from '@chakra-ui/react';
import { addDays, addWeeks, startOfISOWeek } from 'date-fns';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { useDay } from '../../shared/page/useDay';
import { isDay } from '@inner-hum/core/exercise';
import { dayOf, noonOf } from '../../base/days';
import { formatDate } from '../../text/format';
import { Button } from '../../ui/controls';

const DAYS = 7;

/** A week that is looked at, kept in the address: its Monday, and its days as yyyy-mm-dd. */
export function useWeek() {
  const [search, setSearch] = useSearchParams();
  const today = noonOf(useDay());
  const asked = search.get('week');
  const monday = startOfISOWeek(isDay(asked) ? noonOf(asked) : today);
  const days = Array.from({ length: DAYS }, (_, i) => dayOf(addDays(monday, i)));
  /** goes to the week of a day, yyyy-mm-dd */
  const show = (day: string) => setSearch({ week: day }, { replace: true });
  const step = (weeks: number) => show(dayOf(addWeeks(monday, weeks)));
  return { monday, days, show, step, query: `?week=${days[0]}` };
}

/** From one week to another. */
export function WeekChoice({ week }: { readonly week: ReturnType<typeof useWeek> }) {
  const { t } = useTranslation();
  const last = addDays(week.monday, DAYS - 1);
  const today = useDay();
  return (
    <Flex align="center" gap="8px" wrap="wrap">
      <Button tone="quiet" onClick={() => week.step(-1)}>
        {t('students.earlier')}
      </Button>
      <strong>
        {formatDate(week.monday, 'day')} – {formatDate(last, 'dayOfYear')}
      </strong>
      <Button tone="quiet" disabled={dayOf(last) >= today} onClick={() => week.step(1)}>
        {t('students.later')}
      </Button>
    </Flex>
  );
}
