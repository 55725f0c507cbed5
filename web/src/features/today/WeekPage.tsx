import { Box, chakra, Flex } from '@chakra-ui/react';
import { weekReport, type NoteOfWeek, type WeekReport } from '@inner-hum/core/plan';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { exerciseTitle } from '../../text/exerciseText';
import { formatNumber } from '../../text/format';
import { themeText } from '../../text/reasonText';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { PageTitle, SectionTitle } from '../../ui/PageTitle';
import { BlindPair } from './BlindPair';
import { usePlan, useRecent } from './usePlan';
import { answerText } from './WeekTheme';

/** What the week brought so far: its theme, five notes, what became secure, where it breaks, the reeds, a pair by ear. */
export default function WeekPage() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const plan = usePlan(useRecent(), false);
  const report = useMemo(() => plan && weekReport(plan.from), [plan]);
  if (!report) return <p>{t('app.loading')}</p>;
  return (
    <Box maxWidth="62rem" pb="40px">
      <PageTitle title={t('weekPage.title')}>
        <Link to="/today">{t('weekPage.back')}</Link>
        <Button onClick={() => window.print()}>{t('weekPage.print')}</Button>
      </PageTitle>
      <chakra.p fontFamily="heading" fontSize="title" mt="10px">
        {t('season.about', { theme: themeText(t, report.theme, nameOf) })}
      </chakra.p>
      <chakra.p fontSize="lead">{answerText(t, report.theme, report.answer)}</chakra.p>
      <FiveNotes notes={report.notes} />
      <Secured report={report} />
      <Where report={report} />
      <BlindPair pair={report.pair} />
    </Box>
  );
}

function FiveNotes({ notes }: { readonly notes: readonly NoteOfWeek[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const value = (of: NoteOfWeek['now']) =>
    of ? t('weekPage.cents', { value: formatNumber(of.value, 0), error: formatNumber(of.uncertainty, 0) }) : '–';
  return (
    <chakra.section mt="22px">
      <SectionTitle>{t('weekPage.notes')}</SectionTitle>
      <chakra.p color="inkSoft">{t('weekPage.notesWhy')}</chakra.p>
      <chakra.table mt="8px" css={{ '& :is(th, td)': { textAlign: 'left', padding: '5px 22px 5px 0' } }}>
        <thead>
          <tr>
            {(['note', 'before', 'now', 'answer'] as const).map((head) => (
              <chakra.th key={head} fontWeight={600}>
                {t(`weekPage.${head}`)}
              </chakra.th>
            ))}
          </tr>
        </thead>
        <tbody>
          {notes.map(({ midi, before, now, answer }) => (
            <tr key={midi}>
              <td>{nameOf(midi)}</td>
              <td>{value(before)}</td>
              <td>{value(now)}</td>
              <td>{t(`weekPage.${answer}`)}</td>
            </tr>
          ))}
        </tbody>
      </chakra.table>
    </chakra.section>
  );
}

function Secured({ report }: { readonly report: WeekReport }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  return (
    <chakra.section mt="22px">
      <SectionTitle>{t('weekPage.secured')}</SectionTitle>
      {report.secured.length === 0 && <p>{t('weekPage.nothing')}</p>}
      <chakra.ul pl="1.2em" listStyleType="disc">
        {report.secured.map((take) => (
          <li key={take.takeId}>{exerciseTitle(t, take.parameters, nameOf)}</li>
        ))}
      </chakra.ul>
    </chakra.section>
  );
}

function Where({ report: { thirds, reeds } }: { readonly report: WeekReport }) {
  const { t } = useTranslation();
  const percent = (share = 0) => formatNumber(100 * share, 0);
  return (
    <Flex gap="40px" wrap="wrap" mt="22px">
      <section>
        <SectionTitle>{t('weekPage.thirds')}</SectionTitle>
        <p>
          {thirds
            ? t('weekPage.thirdsOf', {
                first: percent(thirds[0]),
                second: percent(thirds[1]),
                last: percent(thirds[2]),
              })
            : t('weekPage.noTakes')}
        </p>
      </section>
      {reeds.length > 0 && (
        <section>
          <SectionTitle>{t('weekPage.reeds')}</SectionTitle>
          {reeds.map(({ reed, minutes }) => (
            <p key={reed}>
              {t('weekPage.reedMinutes', { reed: reed || t('weekPage.noReed'), minutes: formatNumber(minutes, 0) })}
            </p>
          ))}
        </section>
      )}
    </Flex>
  );
}
