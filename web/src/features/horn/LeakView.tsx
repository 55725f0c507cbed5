import { Box, chakra, Flex } from '@chakra-ui/react';
import type { StartTally } from '@inner-hum/core/judge';
import { leakWatch } from '@inner-hum/core/map';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { subDays } from 'date-fns';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { findDigests } from '../../db/search';
import { Button, Choice } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';
import { useKeyed } from '../../shared/stored/useKeyed';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useAppSelector } from '../../store';
import { dayOf } from '../../base/days';

const WEEKS = ['4', '8', '26'] as const;
const DAYS_A_WEEK = 7;

/** Starts of the bell notes over the last weeks: what speaks for the player, the reed, the horn. */
export function LeakView() {
  const { t } = useTranslation();
  const open = useOpenExercise();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const [weeks, setWeeks] = useState<(typeof WEEKS)[number]>('4');
  const digests = useKeyed(`${instrumentId} ${weeks}`, () =>
    findDigests({ tags: [`size:${instrumentId}`], since: dayOf(subDays(new Date(), DAYS_A_WEEK * Number(weeks))) }),
  );
  const watch = useMemo(() => leakWatch(digests ?? []), [digests]);
  if (!digests) return <p>{t('app.loading')}</p>;
  const rows: readonly (readonly [string, StartTally])[] = [
    [t('leak.tongued'), watch.byAttack.tongue],
    [t('leak.breathed'), watch.byAttack.breath],
    ...(['soft', 'medium', 'loud'] as const).map((band) => [t(`horn.bands.${band}`), watch.byBand[band]] as const),
    ...watch.byReed.map(
      (entry) =>
        [
          entry.reed ? t('compare.part', { part: t('gear.parts.reed'), name: entry.reed }) : t('leak.noReed'),
          entry,
        ] as const,
    ),
    ...watch.byDay.slice(-8).map((entry) => [entry.day, entry] as const),
  ];
  return (
    <Box maxWidth="56rem">
      <chakra.p fontFamily="heading" fontSize="title" mb="6px">
        {t(`leak.verdict.${watch.verdict}`)}
      </chakra.p>
      {watch.evidence.length > 0 && (
        <chakra.ul pl="1.2em" mb="12px">
          {watch.evidence.map((evidence) => (
            <li key={evidence}>{t(`leak.evidence.${evidence}`)}</li>
          ))}
        </chakra.ul>
      )}
      <Button onClick={() => open(usualExercise(familyById('tongueOrAir'), instrumentId))}>{t('leak.test')}</Button>
      <SectionTitle mt="22px">{t('leak.starts')}</SectionTitle>
      <Box maxWidth="220px" mb="8px">
        <Choice
          label={t('leak.period')}
          value={weeks}
          options={WEEKS}
          textOf={(count) => t('leak.weeks', { count: Number(count) })}
          onChange={setWeeks}
        />
      </Box>
      {rows
        .filter(([, tally]) => tally.starts > 0)
        .map(([label, { starts, failed }]) => (
          <Flex key={label} align="center" gap="14px" borderTopWidth="1px" borderColor="line" py="5px">
            <chakra.span width="200px">{label}</chakra.span>
            <Box flex="1 1 0" height="8px" bg="channel" borderRadius="4px" aria-hidden>
              <Box height="8px" bg="ink" borderRadius="4px" style={{ width: `${(100 * failed) / starts}%` }} />
            </Box>
            <chakra.span width="150px" textAlign="right">
              {t('leak.failed', { failed, starts })}
            </chakra.span>
          </Flex>
        ))}
      <chakra.p color="inkSoft" fontSize="small" mt="10px">
        {t('leak.help')}
      </chakra.p>
    </Box>
  );
}
