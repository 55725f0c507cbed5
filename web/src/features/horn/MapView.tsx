import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { usualExercise, familyById } from '@inner-hum/core/families';
import {
  evenness,
  evennessGains,
  EVENNESS_PARTS,
  exerciseFor,
  exerciseForSeam,
  needs,
  seams,
  type Need,
  type Seam,
} from '@inner-hum/core/plan';
import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { Button, Choice } from '../../ui/controls';
import { exerciseTitle } from '../../text/exerciseText';
import { formatNumber, formatSigned } from '../../text/format';
import { needText } from '../../text/needText';
import { PatternNote } from '../../shared/exercise/PatternNote';
import { SectionTitle } from '../../ui/PageTitle';
import { useWidth } from '../../ui/useExtent';
import { useNoteName } from '../../text/useNoteName';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { LayerChoice } from './LayerChoice';
import { LAYERS, type LayerId } from '../../text/layers';
import { isRow, LargeRow, MapDrawing, type RowOfMap } from './MapDrawing';
import { noteSentence } from './noteSentence';
import { useHornMap } from './useHornMap';
import { useHorn } from '../../store/useHorn';

/** The map of the horn in one layer at a time, its seams and evenness, and what they lead to. */
export function MapView() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const navigate = useNavigate();
  const horn = useHorn();
  const { notes, others, setups, chosen, choose } = useHornMap();
  const [layerId, setLayer] = useState<LayerId>('pitch');
  const [pointed, setNote] = useState<RowOfMap>();
  const [page, setPage] = useState(0);
  const [box, width] = useWidth();
  const layer = LAYERS.find((candidate) => candidate.id === layerId)!;
  const byMidi = useMemo(() => new Map((notes ?? []).map((noteOnMap) => [noteOnMap.midi, noteOnMap])), [notes]);
  const parted = useMemo(() => seams(notes ?? []), [notes]);
  const top = Math.max(horn.highestKeyedWrittenMidi, ...byMidi.keys());
  const midis = Array.from({ length: top - horn.lowestWrittenMidi + 1 }, (_, i) => horn.lowestWrittenMidi + i);
  if (!notes) return <p>{t('app.loading')}</p>;
  const need = needs(notes, horn.hornId)[0];
  const row = pointed ?? { midi: need?.midi ?? horn.lowestWrittenMidi };
  const note =
    row.fingering === undefined
      ? byMidi.get(row.midi)
      : others.find(({ midi, fingering = '' }) => isRow(row)({ midi, fingering }));
  // A phone shows an octave at a time, in rows for a thumb.
  const narrow = width > 0 && width < NARROW;
  const pages = narrow ? pagesOf(midis) : [midis];
  const shown = pages[Math.min(page, pages.length - 1)]!;
  return (
    <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 340px' }} gap="30px">
      <Box minWidth={0} ref={box}>
        <LayerChoice chosen={layerId} onChoose={setLayer} />
        {narrow && (
          <Flex role="radiogroup" aria-label={t('horn.pages')} gap="6px" mb="8px">
            {pages.map((midisOfPage, i) => (
              <Button
                key={midisOfPage[0]}
                role="radio"
                aria-checked={midisOfPage === shown}
                tone={midisOfPage === shown ? 'plain' : 'quiet'}
                px="8px"
                flex="1 1 0"
                onClick={() => setPage(i)}
              >
                {nameOf(midisOfPage[0]!)}–{nameOf(midisOfPage.at(-1)!)}
              </Button>
            ))}
          </Flex>
        )}
        {width > 0 && (
          <>
            <Box position="sticky" top={0} bg="paper" zIndex={1} pb="4px" borderBottomWidth="1px" borderColor="line">
              <LargeRow layer={layer} midi={row.midi} note={note} width={width} />
              <chakra.p
                aria-live="polite"
                fontSize="lead"
                fontWeight={600}
                minHeight="1.5em"
                data-testid="note-sentence"
              >
                {noteSentence(t, nameOf, layer, row.midi, note)}
              </chakra.p>
            </Box>
            <MapDrawing
              layer={layer}
              midis={shown}
              notes={byMidi}
              others={others}
              seams={parted}
              chosen={row}
              width={width}
              thumb={narrow}
              onChoose={setNote}
              onOpen={(midi) => void navigate(`/horn/note/${midi}`)}
            />
          </>
        )}
        <chakra.p color="inkSoft" fontSize="small">
          {t('horn.legend')} <Link to="/guide#map">{t('guide.read')}</Link>
        </chakra.p>
      </Box>
      <chakra.aside>
        {setups.length > 1 && (
          <Box mb="14px">
            <Choice
              label={t('horn.setup')}
              value={chosen}
              options={['', ...setups.map((setup) => setup.key)]}
              textOf={(key) =>
                key === '' ? t('horn.allSetups') : setups.find((setup) => setup.key === key)?.text || t('gear.notSaid')
              }
              onChange={choose}
            />
          </Box>
        )}
        <PatternNote notes={notes} />
        <EvennessPanel notes={notes} />
        <WhatNext seam={parted[0]} need={need} empty={notes.length === 0} />
      </chakra.aside>
    </Grid>
  );
}

/** Narrower than this, in pixels, the map is paged. */
const NARROW = 560;
const PAGE_NOTES = 12;

/** An octave a page, from the lowest note up; a rest of a few notes belongs to the last. */
function pagesOf(midis: readonly number[]): readonly (readonly number[])[] {
  const count = Math.max(1, Math.round(midis.length / PAGE_NOTES));
  const each = Math.ceil(midis.length / count);
  return Array.from({ length: count }, (_, i) => midis.slice(i * each, (i + 1) * each));
}

const MOST_GAINS = 3;

/** Evenness with every part of its formula openable, and what would raise it. */
function EvennessPanel({ notes }: { readonly notes: Parameters<typeof evenness>[0] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const of = evenness(notes);
  const gains = of.kind === 'known' ? evennessGains(notes, MOST_GAINS) : [];
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="12px">
      <SectionTitle>{t('horn.evenness')}</SectionTitle>
      {of.kind === 'unknown' ? (
        <p>{t('horn.evennessUnknown', { notes: of.notes })}</p>
      ) : (
        <details>
          <chakra.summary cursor="pointer" minHeight="44px">
            <chakra.span fontFamily="heading" fontSize="place">
              {formatNumber(of.value, 0)}
            </chakra.span>{' '}
            {t('horn.evennessOf', { count: of.parts.length })}
          </chakra.summary>
          <chakra.ul pl="1.2em">
            {of.parts.map(({ part, notes: count, spread, worth }) => {
              const { halfAt, shown } = EVENNESS_PARTS[part];
              return (
                <li key={part}>
                  {t(`horn.parts.${part}`, {
                    spread: formatNumber(spread * shown.factor, shown.digits),
                    half: halfAt * shown.factor,
                    count,
                    worth: formatNumber(worth, 0),
                  })}
                </li>
              );
            })}
          </chakra.ul>
          <chakra.p color="inkSoft" fontSize="small">
            {t('horn.formula')}
          </chakra.p>
        </details>
      )}
      {gains.length > 0 && (
        <chakra.p data-testid="raises">
          {t('horn.raises', {
            gains: gains
              .map(({ part, midi, points }) =>
                t(`horn.gains.${part}`, { note: nameOf(midi), gain: formatNumber(points, 0) }),
              )
              .join(', '),
          })}
        </chakra.p>
      )}
    </Box>
  );
}

/** The worst seam, the weakest note and the survey: each leads to the exercise that works on it. */
function WhatNext({
  seam,
  need,
  empty,
}: {
  readonly seam: Seam | undefined;
  readonly need: Need | undefined;
  readonly empty: boolean;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const open = useOpenExercise();
  const { hornId } = useHorn();
  const survey = usualExercise(familyById('survey'), hornId);
  return (
    <Box borderTopWidth="2px" borderColor="ink" pt="10px" mt="16px">
      <SectionTitle>{t('horn.next')}</SectionTitle>
      {empty && <chakra.p mb="8px">{t('horn.empty')}</chakra.p>}
      {seam && (
        <Suggestion
          text={t(`horn.seams.${seam.quantity}`, {
            lower: nameOf(seam.lower),
            upper: nameOf(seam.upper),
            step: formatSigned(seam.step * QUANTITY_ROWS[seam.quantity].factor, QUANTITY_ROWS[seam.quantity].digits),
            z: formatNumber(seam.z, 1),
          })}
          action={exerciseTitle(t, exerciseForSeam(seam, hornId), nameOf)}
          onOpen={() => open(exerciseForSeam(seam, hornId))}
        />
      )}
      {need && !empty && (
        <Suggestion
          text={needText(t, nameOf, need)}
          action={exerciseTitle(t, exerciseFor(need, hornId), nameOf)}
          onOpen={() => open(exerciseFor(need, hornId))}
        />
      )}
      <Flex gap="8px" wrap="wrap" mt="10px">
        {(['nine', 'low', 'middle', 'palm'] as const).map((part) => (
          <Button
            key={part}
            tone={empty && part === 'nine' ? 'strong' : 'plain'}
            onClick={() => open({ ...survey, part })}
          >
            {t(`horn.survey.${part}`)}
          </Button>
        ))}
      </Flex>
    </Box>
  );
}

function Suggestion({
  text,
  action,
  onOpen,
}: {
  readonly text: string;
  readonly action: string;
  readonly onOpen: () => void;
}) {
  return (
    <Box mb="10px">
      <p>{text}</p>
      <Button mt="4px" onClick={onOpen}>
        {action}
      </Button>
    </Box>
  );
}
