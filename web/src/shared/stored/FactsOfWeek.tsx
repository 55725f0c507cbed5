import { chakra, Flex } from '@chakra-ui/react';
import type { NoteOfWeek, WeekFacts } from '@inner-hum/core/lesson';
import { useTranslation } from 'react-i18next';
import { exerciseTitle } from '../../text/exerciseText';
import { formatNumber } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { SectionTitle } from '../../ui/PageTitle';

/** What a week's takes show: five notes before and now, what became secure, where it breaks, minutes of each reed. */
export function FactsOfWeek({ facts }: { readonly facts: WeekFacts }) {
  return (
    <>
      <FiveNotes notes={facts.notes} />
      <Steps steps={facts.steps} />
      <Secured secured={facts.secured} />
      <Where thirds={facts.thirds} reeds={facts.reeds} />
    </>
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

/** The largest step between neighbours, before and now. */
function Steps({ steps: { before, now } }: Pick<WeekFacts, 'steps'>) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  if (!now) return null;
  const said = ({ lower, upper, cents }: typeof now) => ({
    lower: nameOf(lower),
    upper: nameOf(upper),
    cents: formatNumber(Math.abs(cents), 0),
  });
  return (
    <chakra.p mt="10px">
      {t('weekPage.step', said(now))} {before && t('weekPage.stepBefore', said(before))}
    </chakra.p>
  );
}

function Secured({ secured }: Pick<WeekFacts, 'secured'>) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  return (
    <chakra.section mt="22px">
      <SectionTitle>{t('weekPage.secured')}</SectionTitle>
      {secured.length === 0 && <p>{t('weekPage.nothing')}</p>}
      <chakra.ul pl="1.2em" listStyleType="disc">
        {secured.map((take) => (
          <li key={take.takeId}>{exerciseTitle(t, take.parameters, nameOf)}</li>
        ))}
      </chakra.ul>
    </chakra.section>
  );
}

function Where({ thirds, reeds }: Pick<WeekFacts, 'thirds' | 'reeds'>) {
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
