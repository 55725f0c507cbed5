import { Box, chakra } from '@chakra-ui/react';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { noonOf } from '../../base/days';
import { detailOf } from '../../base/detailOf';
import { backupService } from '../../db/backup';
import { database, type StudentRow } from '../../db/database';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import { formatDate } from '../../text/format';
import { FileButton } from '../../ui/FileButton';
import { PageTitle, SectionTitle } from '../../ui/PageTitle';
import { SameNote } from './SameNote';
import { useWeek, WeekChoice } from './useWeek';
import { tableText } from '../../text/tableText';

/** So many reasons are told of what could not be read. */
const MOST_REASONS = 3;

/** All students whose weeks were opened, side by side: who practised what, and the same note over all. */
export default function StudentsPage() {
  const { t, i18n } = useTranslation();
  const dispatch = useAppDispatch();
  const [refusal, setRefusal] = useState('');
  const week = useWeek();
  const rows = useLiveQuery(() => database.students.toArray(), []);
  const open = async (file: File) => {
    setRefusal('');
    try {
      const opened = await backupService().openWeek(new Uint8Array(await file.arrayBuffer()));
      if (opened.kind === 'refused')
        return setRefusal(t(`students.refused.${opened.reason}`, { detail: opened.detail }));
      const { name, signed, until, aside } = opened;
      week.show(until);
      const key = signed === name ? 'students.opened' : 'students.signedOtherwise';
      dispatch(noticed({ key, values: { name, signed } }));
      const reasons = aside.slice(0, MOST_REASONS).map(({ detail }) => detail);
      if (aside.length > 0) setRefusal(t('log.setAside', { count: aside.length, reasons: reasons.join('; ') }));
    } catch (error) {
      setRefusal(t('log.refused.failed', { detail: detailOf(error) }));
    }
  };
  if (!rows) return <p>{t('app.loading')}</p>;
  const students = rows.toSorted((a, b) => a.name.localeCompare(b.name, i18n.language));
  return (
    <Box maxWidth="76rem" pb="40px">
      <PageTitle title={t('students.title')} intro={t('students.intro')}>
        <Link to="/exercises">{t('routines.title')}</Link>
      </PageTitle>
      <FileButton accept=".zip,application/zip" testId="week-file" onFile={(file) => void open(file)}>
        {t('students.open')}
      </FileButton>
      {refusal && (
        <chakra.p role="alert" color="accent" fontWeight={600} mt="12px">
          {refusal}
        </chakra.p>
      )}
      {students.length === 0 ? (
        <chakra.p mt="26px" fontSize="lead">
          {t('students.none')}
        </chakra.p>
      ) : (
        <>
          <WhoPractised students={students} week={week} />
          <SameNote students={students} />
        </>
      )}
    </Box>
  );
}

const cells = {
  '& td, & th': { py: '7px', pr: '12px', textAlign: 'left', verticalAlign: 'top' },
  '& td.day, & th.day': { textAlign: 'right', minWidth: '3.2em' },
} as const;

/** The minutes of a week by day, and what was worked on. */
function WhoPractised({
  students,
  week,
}: {
  readonly students: readonly StudentRow[];
  readonly week: ReturnType<typeof useWeek>;
}) {
  const { t } = useTranslation();
  return (
    <Box mt="22px">
      <SectionTitle>{t('students.practised')}</SectionTitle>
      <WeekChoice week={week} />
      <Box overflowX="auto" mt="6px">
        <chakra.table width="100%" css={cells}>
          <thead>
            <chakra.tr color="inkSoft" fontSize="small">
              <th>{t('students.student')}</th>
              {week.days.map((day) => (
                <th key={day} className="day">
                  {formatDate(noonOf(day), 'weekdayShort')}
                </th>
              ))}
              <th className="day">{t('students.sum')}</th>
              <th>{t('students.workedOn')}</th>
            </chakra.tr>
          </thead>
          <tbody>
            {students.map((student) => (
              <PractisedRow key={student.id} student={student} days={week.days} query={week.query} />
            ))}
          </tbody>
        </chakra.table>
      </Box>
      <chakra.p color="inkSoft" fontSize="small">
        {t('students.minutes')}
      </chakra.p>
    </Box>
  );
}

function PractisedRow({
  student: { id, name, glance },
  days,
  query,
}: {
  readonly student: StudentRow;
  readonly days: readonly string[];
  readonly query: string;
}) {
  const { t } = useTranslation();
  const played = days.map((day) => glance.days.find((entry) => entry.day === day));
  const minutes = played.map((day) => day && Math.max(1, Math.round(day.playedS / 60)));
  // What stands in the row adds up.
  const sum = minutes.reduce<number>((total, ofDay) => total + (ofDay ?? 0), 0);
  const families = [...new Set(played.flatMap((day) => day?.families ?? []))];
  return (
    <chakra.tr borderTopWidth="1px" borderColor="line" data-testid="student">
      <chakra.th scope="row" fontWeight={600}>
        <Link to={`/students/${encodeURIComponent(id)}${query}`}>{name}</Link>
      </chakra.th>
      {minutes.map((ofDay, i) => (
        <td key={days[i]} className="day">
          {ofDay ?? <chakra.span color="inkSoft">–</chakra.span>}
        </td>
      ))}
      <td className="day">
        <strong>{sum > 0 ? sum : '–'}</strong>
      </td>
      <chakra.td fontSize="small">
        {families.map((family) => tableText(t, `families.${family}.name`)).join(', ')}
      </chakra.td>
    </chakra.tr>
  );
}
