import { chakra, Flex } from '@chakra-ui/react';
import { planWeek, type PlanFor, type WeekDay } from '@inner-hum/core/lesson';
import { addDays } from 'date-fns';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Field, Select, TextInput } from '../../ui/controls';
import { exerciseTitle } from '../../text/exerciseText';
import { Fold } from '../../ui/Fold';
import { saveFile } from '../../base/saveFile';
import { useNoteName } from '../../text/useNoteName';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { dayOf } from '../../base/days';
import { formatDate } from '../../text/format';

const MINUTES = [0, 5, 10, 15, 20, 30, 45, 60, 90];
const DAYS = 7;

/** The week to come as it looks now, the minutes of each weekday, and its way into a calendar. */
export function WeekView({ from }: { readonly from: PlanFor }) {
  const { t } = useTranslation();
  return (
    <Fold title={t('week.title')} later>
      <Week from={from} />
    </Fold>
  );
}

/** The days as they are planned, one after the other so that the page goes on meanwhile; those that are so far. */
function usePlannedDays(from: PlanFor, days: Parameters<typeof planWeek>[1]): readonly WeekDay[] {
  const [planned, setPlanned] = useState<readonly WeekDay[]>([]);
  useEffect(() => {
    const each = planWeek(from, days);
    const found: WeekDay[] = [];
    let soon = setTimeout(function next() {
      const { value } = each.next();
      if (!value) return;
      found.push(value);
      setPlanned([...found]);
      soon = setTimeout(next);
    });
    return () => clearTimeout(soon);
  }, [from, days]);
  return planned;
}

function Week({ from }: { readonly from: PlanFor }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const dispatch = useAppDispatch();
  const { weekMinutes, practiceAt } = useAppSelector((state) => state.settings);
  const dates = useMemo(() => Array.from({ length: DAYS }, (_, i) => addDays(new Date(), i)), []);
  const days = useMemo(
    () => dates.map((date) => ({ day: dayOf(date), minutes: weekMinutes[weekday(date)]! })),
    [dates, weekMinutes],
  );
  const week = usePlannedDays(from, days);
  // What is new on a day beside what every day has.
  const titles = week.map(({ blocks }) =>
    blocks
      .filter((block) => !['goal', 'warmUp', 'anchor', 'kept'].includes(block.reason.kind))
      .map((block) => exerciseTitle(t, block.exercise, nameOf)),
  );
  const focus = (i: number) => {
    const before = titles[i - 1]?.slice(0, 2) ?? [];
    const own = titles[i] ?? [];
    const fresh = own.filter((text) => !before.includes(text));
    return (fresh.length > 0 ? fresh : own).slice(0, 2).join('; ');
  };
  const save = async () => {
    const { writeCalendar } = await import('@inner-hum/core/formats');
    const practices = [...planWeek(from, days)].flatMap(({ day, minutes, blocks }) =>
      minutes === 0
        ? []
        : [
            {
              id: `${day}@inner-hum`,
              day,
              at: practiceAt,
              minutes,
              title: t('week.event', { minutes }),
              description: blocks.map((block) => exerciseTitle(t, block.exercise, nameOf)).join('\n'),
            },
          ],
    );
    saveFile('inner-hum-week.ics', 'text/calendar', writeCalendar(practices));
  };
  return (
    <>
      {dates.map((date, i) => (
        <Flex key={dayOf(date)} align="center" gap="8px" py="2px">
          <chakra.span width="42px">{formatDate(date, 'weekdayShort')}</chakra.span>
          <Select
            aria-label={t('week.minutes', { day: formatDate(date, 'weekday') })}
            width="104px"
            flexShrink={0}
            minHeight="36px"
            value={weekMinutes[weekday(date)]}
            onChange={(event) =>
              dispatch(settingsChanged({ weekMinutes: weekMinutes.with(weekday(date), Number(event.target.value)) }))
            }
          >
            {MINUTES.map((entry) => (
              <option key={entry} value={entry}>
                {entry === 0 ? t('week.rest') : t('today.minutesOf', { minutes: entry })}
              </option>
            ))}
          </Select>
          <chakra.span color="inkSoft" fontSize="small" lineHeight={1.2}>
            {focus(i)}
          </chakra.span>
        </Flex>
      ))}
      <Flex gap="10px" align="flex-end" mt="8px">
        <Field label={t('week.at')} width="120px">
          <TextInput
            type="time"
            value={practiceAt}
            onChange={(event) => event.target.value && dispatch(settingsChanged({ practiceAt: event.target.value }))}
          />
        </Field>
        <Button onClick={() => void save()}>{t('week.calendar')}</Button>
      </Flex>
    </>
  );
}

/** Monday is 0. */
function weekday(date: Date): number {
  return (date.getDay() + 6) % 7;
}
