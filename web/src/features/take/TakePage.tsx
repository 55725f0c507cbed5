import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { JUDGE_RULES } from '@inner-hum/core/judge';
import { bestTake } from '@inner-hum/core/history';
import { unpackFrames, type TakeRecord, type WholeTake } from '@inner-hum/core/take';
import { isWholeTake } from '@inner-hum/core/take/schema';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { database } from '../../db/database';
import { wholeTake } from '../../db/takes';
import { DamagedTake, TakeBoundary } from '../../shared/page/Boundary';
import { beatPlace, takeView } from '../../ribbon/takeView';
import { LargeRibbon } from '../../ribbon/LargeRibbon';
import { setupText } from '../../text/setupText';
import { exerciseMeta, exerciseTitle } from '../../text/exerciseText';
import { useNoteName } from '../../text/useNoteName';
import { useHear } from '../../shared/take/useHear';
import { useRibbonText } from '../../shared/take/useRibbonText';
import { VerdictText } from '../../shared/take/VerdictText';
import { Compare, useRivals } from './Compare';
import { ExportRow } from './ExportRow';
import { Events, MeasuresTable } from './MeasuresTable';
import { PairView } from './PairView';
import { Playback } from '../../shared/take/Playback';
import { formatDate, formatNumber } from '../../text/format';
import { tableText } from '../../text/tableText';
import { NotJudged } from './NotJudged';
import { NoteToSelf, LastRow } from './TakeFoot';

const Traces = lazy(() => import('./Traces'));

/** One take opened. */
export default function TakePage() {
  const { id = '' } = useParams();
  const { t } = useTranslation();
  // The note is edited in place and must not load the whole take anew.
  const present = useLiveQuery(async () => (await database.takes.where('id').equals(id).count()) > 0, [id]);
  const [judged, setJudged] = useState(0);
  const [opened, setOpened] = useState<Opened>();
  useEffect(() => {
    if (present === undefined) return undefined;
    let gone = false;
    const show = (take: Opened['take']) => void (gone || setOpened({ id, take }));
    wholeTake(id).then(
      (found) => show(found ? (isWholeTake(found) ? found : 'damaged') : present ? 'damaged' : 'missing'),
      () => show('damaged'),
    );
    return () => void (gone = true);
  }, [id, present, judged]);
  // What was opened before is another take.
  if (opened?.id !== id) return <p>{t('app.loading')}</p>;
  const { take } = opened;
  if (take === 'damaged') return <DamagedTake id={id} />;
  if (take === 'missing' || present === false)
    return (
      <chakra.p mt="32px" fontSize="lead">
        {t('take.missing')} <Link to="/log">{t('log.title')}</Link>
      </chakra.p>
    );
  return (
    <TakeBoundary key={id} id={id}>
      {take.record.unjudged !== undefined && <NotJudged take={take} onJudged={() => setJudged((times) => times + 1)} />}
      <OpenTake key={`${id} ${judged}`} take={take} />
    </TakeBoundary>
  );
}

interface Opened {
  readonly id: string;
  readonly take: WholeTake | 'damaged' | 'missing';
}

function OpenTake({ take }: { readonly take: WholeTake }) {
  const { t } = useTranslation();
  const { record } = take;
  const frames = useMemo(() => unpackFrames(take.frames, record.frameCount), [take, record.frameCount]);
  const view = useMemo(() => takeView(record, frames), [record, frames]);
  const [placeS, setPlaceS] = useState(view.fromS);
  const rivals = useRivals(record);
  const best = bestTake(rivals);
  const { hear, sounding } = useHear(record.id);
  const kB = take.frames.length / 1000;
  const remarks = (record.remarks ?? []).map((remark) => {
    const place = beatPlace(record, remark.beat);
    return { ...remark, ...place, label: t('verdict.mark.beat', { beat: remark.beat }) };
  });
  return (
    <Box maxWidth="80rem" pb="32px">
      <TakeTitle record={record} />
      <LargeRibbon view={view} placeS={placeS} label={useRibbonText(record)} marks={remarks} />
      <Playback
        take={take}
        bestId={best?.takeId}
        fromS={view.fromS}
        toS={view.toS}
        placeS={placeS}
        onPlace={setPlaceS}
      />
      <Compare take={take} rivals={rivals} best={best} />
      <PairView record={record} frames={frames} />
      <Grid templateColumns={{ base: '1fr', lg: '1.15fr 1fr' }} gap="36px" mt="18px">
        <Box minWidth={0}>
          <VerdictText take={record} onHear={hear} sounding={sounding} />
          {remarks.map(({ beat, text, from, ...place }) => (
            <chakra.p key={`${beat} ${text} ${from}`} mt="10px" fontSize="lead" data-testid="remark">
              <chakra.button textDecoration="underline" cursor="pointer" minHeight="24px" onClick={() => hear(place)}>
                {from ? t('take.remarkBy', { name: from, beat }) : t('take.remark', { beat })}
              </chakra.button>{' '}
              {text}
            </chakra.p>
          ))}
          <chakra.h2 fontFamily="heading" fontSize="section" mt="26px" mb="6px">
            {t('take.traces')}
          </chakra.h2>
          <Suspense fallback={<Box height="300px" />}>
            <Traces
              frames={frames}
              targetHz={view.steps[0]!.targetHz}
              fromS={view.fromS}
              toS={view.toS}
              placeS={placeS}
            />
          </Suspense>
        </Box>
        <Box minWidth={0}>
          <AllMeasures record={record} onPlace={setPlaceS} />
          <chakra.p color="inkSoft" fontSize="small">
            {record.judgedBy !== JUDGE_RULES && record.unjudged === undefined && `${t('measures.olderRules')} `}
            {t('measures.uncertaintyHelp')}{' '}
            {t('take.bytes', {
              kB: formatNumber(kB, 0),
              perMinute: formatNumber((kB * 6000) / Math.max(1, record.frameCount), 0),
            })}
          </chakra.p>
        </Box>
      </Grid>
      <NoteToSelf id={record.id} first={record.note} />
      <chakra.h2 fontFamily="heading" fontSize="section" mt="22px" mb="8px">
        {t('take.export')}
      </chakra.h2>
      <ExportRow take={take} />
      <LastRow take={take} />
    </Box>
  );
}

/** What was played, when, on what, from which source. */
function TakeTitle({ record }: { readonly record: TakeRecord }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { parameters, source } = record;
  return (
    <Flex align="baseline" gap="18px" wrap="wrap" mt="10px">
      <chakra.h1 fontFamily="heading" fontSize="place" fontWeight={500}>
        {exerciseTitle(t, parameters, nameOf)}
      </chakra.h1>
      <chakra.span color="inkSoft">
        {formatDate(new Date(record.startedAt), 'momentOfYear')} ·{' '}
        {t('take.meta', {
          exercise: exerciseMeta(t, parameters),
          horn: t(`instruments.${record.setup.instrumentId}`),
          source: source.kind === 'file' ? source.name : t(`sources.${source.kind}`),
        })}{' '}
        · {t(`take.ruler.${record.setup.ruler.origin}`)}
        {setupText(record.setup) && ` · ${setupText(record.setup)}`}
        {record.cues?.map((cue) => ` · ${t('take.cue', { cue: tableText(t, `cues.${cue}`) })}`)}
        {record.cut && ` · ${t('take.cut')}`}
        {/* Older takes know how much was lost, but not where; of others the verdict tells. */}
        {!record.lost && record.lostMs > 20 && ` · ${t('stand.lost', { ms: record.lostMs })}`}
      </chakra.span>
    </Flex>
  );
}

/** The numbers of each tone that sounded. */
function AllMeasures({ record, onPlace }: { readonly record: TakeRecord; readonly onPlace: (placeS: number) => void }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  return (
    <>
      {record.measures.map((measures, i) =>
        measures.kind === 'silent' ? null : (
          <chakra.details key={measures.onsetS} open={record.measures.length === 1} mb="14px">
            <chakra.summary fontFamily="heading" fontSize="section" mb="6px" cursor="pointer" minHeight="32px">
              {record.measures.length > 1 &&
                t('verdict.toneOf', { number: i + 1, note: nameOf(record.score.steps[i]!.soundedMidi) })}
              {t('measures.title')}
            </chakra.summary>
            <MeasuresTable measures={measures} />
            <chakra.h3 fontWeight={600} mt="14px">
              {t('measures.events')}
            </chakra.h3>
            <Events measures={measures} onPlace={onPlace} />
          </chakra.details>
        ),
      )}
    </>
  );
}
