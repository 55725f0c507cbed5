import { edgeText } from '../../text/edgeText';
import { formatNumber, formatSigned } from '../../text/format';
import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { highestNote } from '@inner-hum/core/exercise';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { type TrendPoint } from '@inner-hum/core/history';
import { exerciseFor, secondsOn } from '@inner-hum/core/lesson';
import { edgeOf, needs, ofNote, type NoteOnMap } from '@inner-hum/core/map';
import { regularFingering } from '@inner-hum/core/theory';
import { subDays } from 'date-fns';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { dayOf } from '../../base/days';
import { findDigests, findTakes, findTrend } from '../../db/search';
import { Button } from '../../ui/controls';
import { exerciseTitle } from '../../text/exerciseText';
import { Fingering } from '../../shared/exercise/Fingering';
import { needText } from '../../text/needText';
import { SectionTitle } from '../../ui/PageTitle';
import { TakeLine } from '../../shared/take/TakeLine';
import { TrendChartLater } from '../../ui/TrendChartLater';
import { NotFound } from '../../shared/page/NotFound';
import { useNoteName } from '../../text/useNoteName';
import { useKeyed } from '../../shared/stored/useKeyed';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useAppSelector } from '../../store';
import { LayerChoice } from './LayerChoice';
import { LAYERS, type LayerId } from '../../text/layers';
import { noteSentence } from './noteSentence';
import { HowFar } from './HowFar';
import { TargetsOfNote } from './TargetsOfNote';
import { useHornMap } from './useHornMap';
import { useHorn } from '../../store/useHorn';

const SHOWN_TAKES = 12;
const NO_NOTES: readonly NoteOnMap[] = [];
const NO_POINTS: readonly TrendPoint[] = [];

/** One note of the horn; what is none is no page. */
export function NotePage() {
  const midi = Number(useParams()['midi']);
  const horn = useHorn();
  const isOfHorn = Number.isInteger(midi) && midi >= horn.lowestWrittenMidi && midi <= highestNote(horn);
  return isOfHorn ? <OneNote midi={midi} /> : <NotFound />;
}

/** How it is now, how that came about, its takes, and what to practise. */
function OneNote({ midi }: { readonly midi: number }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const open = useOpenExercise();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const horn = useHorn();
  const { notes = NO_NOTES, others } = useHornMap();
  const note = notes.find((noteOnMap) => noteOnMap.midi === midi);
  const [layerId, setLayer] = useState<LayerId>('pitch');
  const layer = LAYERS.find((candidate) => candidate.id === layerId)!;
  const tags = [`note:${midi}`, `size:${instrumentId}`];
  const points =
    useKeyed(`${layer.quantity} ${tags.join()}`, () => findTrend(layer.quantity, { tags, since: '' }, { partial: 1 }))
      ?.points ?? NO_POINTS;
  const need = needs(notes, horn.hornId).find((candidate) => candidate.midi === midi);
  const keys = regularFingering(horn, midi);
  return (
    <Box>
      <Flex align="center" gap="28px" wrap="wrap" mb="8px">
        <chakra.h2 fontFamily="heading" fontSize="figure" fontWeight={500} lineHeight={1.1}>
          {nameOf(midi)}
        </chakra.h2>
        {keys && <Fingering instrumentId={horn.hornId} keys={keys} width="220px" />}
        {note && <span>{t('horn.spoke', { got: note.got, of: note.of })}</span>}
        <Link to="/horn">{t('horn.back')}</Link>
      </Flex>
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 380px' }} gap="32px">
        <Box minWidth={0}>
          <LayerChoice chosen={layerId} onChoose={setLayer} />
          {[note, ...others.filter((other) => other.midi === midi)].map((one, i) => (
            <chakra.p key={one?.fingering ?? i} my="8px">
              {noteSentence(t, nameOf, layer, midi, one)}
            </chakra.p>
          ))}
          {points.length > 0 ? (
            <TrendChartLater
              points={points}
              factor={layer.factor}
              unit={t(`measures.units.${layer.unit}`)}
              label={t('horn.history', { layer: t(`horn.layers.${layerId}`), note: nameOf(midi) })}
            />
          ) : (
            <p>{t('horn.noHistory')}</p>
          )}
          <SectionTitle mt="22px">{t('horn.takes')}</SectionTitle>
          <PlayingTime midi={midi} tags={tags} />
          <NoteTakes tags={tags} />
        </Box>
        <chakra.aside>
          {note && <PitchAgainstLevel note={note} />}
          {note && <EdgeOf note={note} />}
          <TargetsOfNote midi={midi} />
          <HowFar midi={midi} />
          {need && (
            <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="16px">
              <SectionTitle>{t('horn.next')}</SectionTitle>
              <p>{needText(t, nameOf, need)}</p>
              <Button tone="strong" mt="8px" onClick={() => open(exerciseFor(need, horn.hornId))}>
                {exerciseTitle(t, exerciseFor(need, horn.hornId), nameOf)}
              </Button>
            </Box>
          )}
        </chakra.aside>
      </Grid>
    </Box>
  );
}

function NoteTakes({ tags }: { readonly tags: readonly string[] }) {
  const { t } = useTranslation();
  const found = useKeyed(tags.join(), () => findTakes({ tags, since: '' }, SHOWN_TAKES));
  if (found?.takes.length === 0) return <p>{t('horn.noTakes')}</p>;
  return found?.takes.map((take) => <TakeLine key={take.id} take={take} />);
}

/** For how long the note was played, and lately. */
function PlayingTime({ midi, tags }: { readonly midi: number; readonly tags: readonly string[] }) {
  const { t } = useTranslation();
  const since = (days: number) => dayOf(subDays(new Date(), days));
  const digests = useKeyed(`time ${tags.join()}`, () => findDigests({ tags, since: since(LONG_DAYS) }));
  if (!digests || digests.length === 0) return null;
  const minutes = (of: typeof digests) => formatNumber(secondsOn(midi, of) / 60, 0);
  const lately = minutes(digests.filter(({ day }) => day >= since(SHORT_DAYS)));
  return <p>{t('horn.minutes', { minutes: minutes(digests), lately })}</p>;
}
const LONG_DAYS = 84;
const SHORT_DAYS = 14;

const SIZE = { width: 340, height: 170, left: 44, spanCents: 30 } as const;

/** The pitch of the note soft, medium and loud, with whiskers, joined by a line. */
function PitchAgainstLevel({ note }: { readonly note: NoteOnMap }) {
  const { t } = useTranslation();
  const points = LOUDNESS_BANDS.flatMap((band, i) => {
    const known = ofNote(note, 'pitchCentreCents', band);
    return known.kind === 'known' ? [{ band, i, ...known }] : [];
  });
  const x = (i: number) => SIZE.left + 40 + i * 110;
  const y = (cents: number) => {
    const inside = Math.max(-SIZE.spanCents, Math.min(SIZE.spanCents, cents));
    return SIZE.height / 2 - (inside / SIZE.spanCents) * (SIZE.height / 2 - 12);
  };
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px">
      <SectionTitle>{t('horn.againstLevel')}</SectionTitle>
      <chakra.svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height + 22}`}
        width="100%"
        color="ink"
        role="img"
        aria-label={t('horn.againstLevelOf', {
          points: points.map(({ band, value }) => `${t(`horn.bands.${band}`)} ${formatSigned(value, 0)}`).join(', '),
        })}
      >
        {[-20, 0, 20].map((cents) => (
          <g key={cents} opacity={0.6}>
            <line
              x1={SIZE.left}
              x2={SIZE.width}
              y1={y(cents)}
              y2={y(cents)}
              stroke="currentColor"
              strokeWidth={cents === 0 ? 1.5 : 0.5}
            />
            <text x={SIZE.left - 6} y={y(cents) + 4} fontSize={12} textAnchor="end" fill="currentColor">
              {cents > 0 ? `+${cents}` : String(cents).replace('-', '−')}
            </text>
          </g>
        ))}
        <polyline
          points={points.map((point) => `${x(point.i)},${y(point.value)}`).join(' ')}
          fill="none"
          stroke="currentColor"
          strokeWidth={2}
        />
        {points.map(({ band, i, value, uncertainty }) => (
          <g key={band}>
            <line
              x1={x(i)}
              x2={x(i)}
              y1={y(value - uncertainty)}
              y2={y(value + uncertainty)}
              stroke="currentColor"
              opacity={0.6}
            />
            <circle cx={x(i)} cy={y(value)} r={3 + 2 * i} fill="currentColor" />
          </g>
        ))}
        {LOUDNESS_BANDS.map((band, i) => (
          <text key={band} x={x(i)} y={SIZE.height + 16} fontSize={13} textAnchor="middle" fill="currentColor">
            {t(`horn.bands.${band}`)}
          </text>
        ))}
      </chakra.svg>
    </Box>
  );
}

/** The level at which the note breaks when it gets soft, in a sentence. */
function EdgeOf({ note }: { readonly note: NoteOnMap }) {
  const { t } = useTranslation();
  const text = edgeText(t, edgeOf(note));
  if (!text) return null;
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="16px">
      <SectionTitle>{t('horn.layers.edge')}</SectionTitle>
      <p>{text}</p>
    </Box>
  );
}
