import { Box, chakra, Flex } from '@chakra-ui/react';
import { ROUTINE_LIMITS, weekFacts } from '@inner-hum/core/lesson';
import type { TakeRecord } from '@inner-hum/core/take';
import { addDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { noonOf } from '../../base/days';
import { saveFile } from '../../base/saveFile';
import { database, type StudentRow } from '../../db/database';
import { routineFile } from '../../shared/exercise/link';
import { renameStudent, studentDigestsUpTo, studentTakes } from '../../db/students';
import { FactsOfWeek } from '../../shared/stored/FactsOfWeek';
import { TargetLines } from '../../shared/plan/TargetLines';
import { useAppDispatch, useAppSelector } from '../../store';
import { noticed } from '../../store/notices';
import { entry } from '../../store/lists';
import { listsChanged } from '../../store/settings';
import { deleteStudent } from '../../store/undo';
import { exerciseTitle } from '../../text/exerciseText';
import { findingText } from '../../text/findingText';
import { formatDate } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button, Choice, Field, TextInput } from '../../ui/controls';
import { PageTitle, SectionTitle } from '../../ui/PageTitle';
import { RemarkLine } from './RemarkLine';
import { useWeek, WeekChoice } from './useWeek';
import { tableText } from '../../text/tableText';

/** One student: what was practised in a week, takes to hear, notes, and the remarks that go back with a routine. */
export default function StudentPage() {
  const { id = '' } = useParams();
  const { t } = useTranslation();
  const navigate = useNavigate();
  const week = useWeek();
  const [fromMs, toMs] = [week.monday.getTime(), addDays(week.monday, week.days.length).getTime()];
  const student = useLiveQuery(async () => (await database.students.get(id)) ?? null, [id]);
  const takes = useLiveQuery(() => studentTakes(id, fromMs, toMs), [id, fromMs, toMs]);
  const digests = useLiveQuery(() => studentDigestsUpTo(id, toMs), [id, toMs]);
  if (student === undefined || !takes || !digests) return <p>{t('app.loading')}</p>;
  if (student === null)
    return (
      <chakra.p mt="32px" fontSize="lead">
        {t('students.missing')} <Link to="/students">{t('students.title')}</Link>
      </chakra.p>
    );
  const notes = student.notes.filter((note) => week.days.includes(note.day));
  return (
    <Box maxWidth="72rem" pb="40px">
      <PageTitle title={student.name}>
        <Link to={`/students${week.query}`}>{t('students.title')}</Link>
      </PageTitle>
      <WeekChoice week={week} />
      <Field label={t('students.name')} width="260px">
        <TextInput
          key={student.name}
          defaultValue={student.name}
          maxLength={80}
          onBlur={({ target }) => target.value.trim() !== '' && void renameStudent(id, target.value.trim())}
        />
      </Field>
      <Days student={student} days={week.days} />
      <TargetLines targets={student.targets ?? []} />
      {digests.some(({ day }) => week.days.includes(day)) && (
        <FactsOfWeek facts={weekFacts(digests, week.days.at(-1)!)} />
      )}
      <Box mt="22px">
        <SectionTitle>{t('students.takes')}</SectionTitle>
        {takes.length === 0 && <p>{t('students.noTakes')}</p>}
        {takes.map((take) => (
          <TakeRow key={take.id} studentId={id} take={take} />
        ))}
      </Box>
      {notes.length > 0 && (
        <Box mt="22px">
          <SectionTitle>{t('students.notes')}</SectionTitle>
          {notes.map(({ takeId, day, text }) => (
            <chakra.p key={takeId} mb="6px">
              <chakra.span color="inkSoft">{formatDate(noonOf(day), 'weekdayAndDay')}: </chakra.span>
              {text}
            </chakra.p>
          ))}
        </Box>
      )}
      <RemarksToSend studentId={id} name={student.name} />
      <Button
        tone="quiet"
        mt="34px"
        onClick={() => void deleteStudent(id, student.name).then(() => navigate('/students'))}
      >
        {t('students.remove')}
      </Button>
    </Box>
  );
}

function Days({ student, days }: { readonly student: StudentRow; readonly days: readonly string[] }) {
  const { t } = useTranslation();
  const played = student.glance.days.filter(({ day }) => days.includes(day));
  return (
    <Box mt="10px">
      <SectionTitle>{t('students.practised')}</SectionTitle>
      {played.length === 0 && <p>{t('students.nothingPractised')}</p>}
      {played.map(({ day, takes, playedS, families }) => (
        <chakra.p key={day} borderTopWidth="1px" borderColor="line" py="6px">
          <strong>{formatDate(noonOf(day), 'weekdayAndDay')}</strong>{' '}
          <chakra.span color="inkSoft">
            {t('log.takes', { count: takes })} ·{' '}
            {t('today.minutesOf', { minutes: Math.max(1, Math.round(playedS / 60)) })} ·{' '}
            {families.map((family) => tableText(t, `families.${family}.name`)).join(', ')}
          </chakra.span>
        </chakra.p>
      ))}
    </Box>
  );
}

function TakeRow({ studentId, take }: { readonly studentId: string; readonly take: TakeRecord }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const remarks = useAppSelector((state) => state.settings.remarks).filter(
    (remark) => remark.studentId === studentId && remark.takeId === take.id,
  );
  const finding = take.verdict.findings[0];
  return (
    <Box borderTopWidth="1px" borderColor="line" py="8px" data-testid="student-take">
      <Link to={`/students/${encodeURIComponent(studentId)}/take/${take.id}`}>
        {exerciseTitle(t, take.parameters, nameOf)}
      </Link>{' '}
      <chakra.span color="inkSoft" fontSize="small">
        {formatDate(new Date(take.startedAt), 'moment')} · {t(`instruments.${take.setup.instrumentId}`)}
      </chakra.span>
      {finding && <p>{findingText(t, finding, take, nameOf)}</p>}
      {remarks.length > 0 && (
        <chakra.p fontSize="small" fontWeight={600}>
          {t('students.remarkCount', { count: remarks.length })}
        </chakra.p>
      )}
    </Box>
  );
}

/** The remarks that have not gone out yet, and the routine that carries them. */
function RemarksToSend({ studentId, name }: { readonly studentId: string; readonly name: string }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { remarks, routines, signedAs } = useAppSelector((state) => state.settings);
  const [place, setPlace] = useState('0');
  const isWaiting = (remark: (typeof remarks)[number]) => remark.studentId === studentId && !remark.sent;
  const waiting = remarks.filter(isWaiting);
  // A routine carries so many; the rest waits for the next.
  const carried = waiting.slice(0, ROUTINE_LIMITS.remarks);
  const routine = routines[Number(place)] ?? routines[0];
  const send = () => {
    if (!routine) return;
    saveFile(
      `${routine.name} – ${name}.json`,
      'application/json',
      routineFile({
        ...routine,
        from: routine.from || signedAs,
        remarks: carried.map(({ takeId, beat, text }) => ({ takeId, beat, text })),
      }),
    );
    dispatch(listsChanged(carried.map((remark) => entry.changed('remarks', remark, { ...remark, sent: true }))));
    dispatch(noticed({ key: 'students.sent', values: { name: routine.name, count: carried.length } }));
  };
  return (
    <Box mt="26px" borderTopWidth="2px" borderColor="ink" pt="10px">
      <SectionTitle>{t('students.toSend')}</SectionTitle>
      {waiting.length === 0 && <p>{t('students.noRemarks')}</p>}
      {waiting.map((remark) => (
        <RemarkLine key={`${remark.takeId} ${remark.beat} ${remark.text}`} remark={remark} linked />
      ))}
      {!routine ? (
        <p>
          {t('students.noRoutine')} <Link to="/exercises">{t('routines.title')}</Link>
        </p>
      ) : (
        <Flex gap="12px" wrap="wrap" align="flex-end" mt="8px">
          <Choice
            label={t('students.goesWith')}
            value={String(routines.indexOf(routine))}
            options={routines.map((_, i) => String(i))}
            textOf={(i) => routines[Number(i)]!.name}
            onChange={setPlace}
          />
          <Button tone="strong" onClick={send}>
            {t('students.send')}
          </Button>
        </Flex>
      )}
    </Box>
  );
}
