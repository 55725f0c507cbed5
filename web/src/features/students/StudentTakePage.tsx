import { dayOf } from '../../base/days';
import { Box, chakra, Flex } from '@chakra-ui/react';
import { ROUTINE_LIMITS } from '@inner-hum/core/lesson';
import { unpackFrames, type WholeTake } from '@inner-hum/core/take';
import { useMemo, useState, type FormEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { studentTake } from '../../db/students';
import { LargeRibbon } from '../../ribbon/LargeRibbon';
import { beatAt, beatPlace, takeView } from '../../ribbon/takeView';
import { Playback } from '../../shared/take/Playback';
import { useHear } from '../../shared/take/useHear';
import { useKeyed } from '../../shared/stored/useKeyed';
import { useRibbonText } from '../../shared/take/useRibbonText';
import { VerdictText } from '../../shared/take/VerdictText';
import { useAppDispatch, useAppSelector } from '../../store';
import { entry } from '../../store/lists';
import { listsChanged } from '../../store/settings';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { formatDate } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button, Field, TextInput } from '../../ui/controls';
import { PageTitle, SectionTitle } from '../../ui/PageTitle';
import { RemarkLine } from './RemarkLine';

/** A take that a student gave: to be heard with its verdict, and to be remarked on by its beats. */
export default function StudentTakePage() {
  const { id = '', takeId = '' } = useParams();
  const { t } = useTranslation();
  const take = useKeyed(`${id} ${takeId}`, async () => (await studentTake(id, takeId)) ?? null);
  if (take === undefined) return <p>{t('app.loading')}</p>;
  if (take === null)
    return (
      <chakra.p mt="32px" fontSize="lead">
        {t('students.missing')} <Link to="/students">{t('students.title')}</Link>
      </chakra.p>
    );
  return <OpenTake key={`${id} ${takeId}`} studentId={id} take={take} />;
}

function OpenTake({ studentId, take }: { readonly studentId: string; readonly take: WholeTake }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { record } = take;
  const remarks = useAppSelector((state) => state.settings.remarks);
  const own = remarks.filter((remark) => remark.studentId === studentId && remark.takeId === record.id);
  const view = useMemo(() => takeView(record, unpackFrames(take.frames, record.frameCount)), [record, take]);
  const [placeS, setPlaceS] = useState(view.fromS);
  const takes = useMemo(() => ({ take: () => Promise.resolve(take), rivals: () => Promise.resolve([]) }), [take]);
  const { hear, sounding } = useHear(record.id, takes);
  const marks = own.map(({ beat }) => ({ ...beatPlace(record, beat), label: t('verdict.mark.beat', { beat }) }));
  return (
    <Box maxWidth="80rem" pb="40px">
      <PageTitle title={exerciseTitle(t, record.parameters, nameOf)}>
        <chakra.span color="inkSoft">
          {formatDate(new Date(record.startedAt), 'momentOfYear')} · {t(`instruments.${record.setup.instrumentId}`)} ·{' '}
          {exerciseMeta(t, record.parameters)}
        </chakra.span>
        <Link to={`/students/${encodeURIComponent(studentId)}?week=${dayOf(new Date(record.startedAt))}`}>
          {t('students.back')}
        </Link>
      </PageTitle>
      <LargeRibbon view={view} placeS={placeS} label={useRibbonText(record)} marks={marks} />
      <Playback take={take} bestId={undefined} fromS={view.fromS} toS={view.toS} placeS={placeS} onPlace={setPlaceS} />
      {!take.sound && record.source.kind !== 'standIn' && <p>{t('students.noSound')}</p>}
      <Flex gap="36px" wrap="wrap" mt="18px">
        <Box flex="1 1 420px" minWidth={0}>
          <VerdictText take={record} onHear={hear} sounding={sounding} />
          {record.note && <chakra.p mt="12px" fontStyle="italic">{`“${record.note}”`}</chakra.p>}
        </Box>
        <Box flex="1 1 420px" minWidth={0}>
          <SectionTitle>{t('students.remarks')}</SectionTitle>
          {own.map((remark) => (
            <RemarkLine key={`${remark.beat} ${remark.text}`} remark={remark} />
          ))}
          <NewRemark studentId={studentId} takeId={record.id} beat={beatAt(record, placeS)} />
        </Box>
      </Flex>
    </Box>
  );
}

/** A remark on the beat at which the cursor stands. */
function NewRemark({
  studentId,
  takeId,
  beat,
}: {
  readonly studentId: string;
  readonly takeId: string;
  readonly beat: number;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const [text, setText] = useState('');
  const add = (event: FormEvent) => {
    event.preventDefault();
    dispatch(listsChanged([entry.added('remarks', { studentId, takeId, beat, text: text.trim(), sent: false })]));
    setText('');
  };
  return (
    <chakra.form onSubmit={add} mt="8px">
      <Field label={t('students.newRemark', { beat })} help={t('students.newRemarkHelp')}>
        <TextInput value={text} maxLength={ROUTINE_LIMITS.text} onChange={(event) => setText(event.target.value)} />
      </Field>
      <Button type="submit" mt="8px" disabled={text.trim() === ''}>
        {t('students.addRemark')}
      </Button>
    </chakra.form>
  );
}
