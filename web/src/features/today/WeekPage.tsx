import { Box, chakra } from '@chakra-ui/react';
import { targetsOf, weekReport, type PlanFor, type Target } from '@inner-hum/core/lesson';
import { isSameISOWeek, parseISO } from 'date-fns';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { FactsOfWeek } from '../../shared/stored/FactsOfWeek';
import { themeText } from '../../text/reasonText';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { PageTitle } from '../../ui/PageTitle';
import { BlindPair } from './BlindPair';
import { TargetLines } from '../../shared/plan/TargetLines';
import { usePlan, useRecent } from '../../shared/plan/usePlan';
import { answerText } from './WeekTheme';

/** What the week brought so far: its theme, five notes, what became secure, where it breaks, the reeds, a pair by ear. */
export default function WeekPage() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const plan = usePlan(useRecent(), false);
  const shown = useMemo(() => plan && weekShown(plan.from), [plan]);
  const report = useMemo(() => shown && weekReport(shown.from), [shown]);
  if (!shown || !report) return <p>{t('app.loading')}</p>;
  return (
    <Box maxWidth="62rem" pb="40px">
      <PageTitle title={t('weekPage.title')}>
        <Link to="/today">{t('weekPage.back')}</Link>
        <Button onClick={() => window.print()}>{t('weekPage.print')}</Button>
      </PageTitle>
      {shown.isOver && <p>{t('weekPage.ofBefore')}</p>}
      <chakra.p fontFamily="heading" fontSize="title" mt="10px">
        {t(shown.isOver ? 'weekPage.wasAbout' : 'season.about', { theme: themeText(t, report.theme, nameOf) })}
      </chakra.p>
      <chakra.p fontSize="lead">{answerText(t, report.theme, report.answer)}</chakra.p>
      <TargetLines targets={ofWeek(targetsOf(shown.from), shown.from.day)} />
      <FactsOfWeek facts={report} />
      <BlindPair pair={report.pair} />
    </Box>
  );
}

/** Targets that are worked on, and those that became secure or were put to rest in the week of a day. */
const ofWeek = (targets: readonly Target[], day: string) =>
  targets.filter(({ state, stateSince }) => state === 'open' || isSameISOWeek(parseISO(stateSince), parseISO(day)));

/** The week that there is something to tell of: this one, or until something is played in it the last that was practised. */
function weekShown(from: PlanFor): { readonly from: PlanFor; readonly isOver: boolean } {
  const last = from.recent.reduce((latest, { day }) => (day > latest ? day : latest), '');
  const isOver = last !== '' && !isSameISOWeek(parseISO(last), parseISO(from.day));
  return { from: isOver ? { ...from, day: last } : from, isOver };
}
