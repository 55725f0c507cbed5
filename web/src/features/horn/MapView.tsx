import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { needs, seams } from '@inner-hum/core/map';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { Button, Choice } from '../../ui/controls';
import { PatternNote } from '../../shared/exercise/PatternNote';
import { useWidth } from '../../ui/useExtent';
import { useNoteName } from '../../text/useNoteName';
import { LayerChoice } from './LayerChoice';
import { LAYERS, type LayerId } from '../../text/layers';
import { LargeRow } from '../../shared/drawn/LargeRow';
import { isRow, MapDrawing } from './MapDrawing';
import type { RowOfMap } from './MapRow';
import { noteSentence } from './noteSentence';
import { OverBreak } from './OverBreak';
import { useHornMap } from './useHornMap';
import { useHorn } from '../../store/useHorn';
import { EvennessPanel } from './EvennessPanel';
import { WhatNext } from './WhatNext';

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
    <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 20rem' }} gap="30px">
      <Box minWidth={0} ref={box}>
        <LayerChoice chosen={layerId} onChoose={setLayer} />
        {narrow && <Pages pages={pages} shown={shown} onChoose={setPage} />}
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
        {setups.length > 1 && <Setups setups={setups} chosen={chosen} onChoose={choose} />}
        <PatternNote notes={notes} />
        <EvennessPanel notes={notes} />
        <OverBreak />
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

/** Which octave a phone shows. */
function Pages({
  pages,
  shown,
  onChoose,
}: {
  readonly pages: readonly (readonly number[])[];
  readonly shown: readonly number[];
  readonly onChoose: (page: number) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  return (
    <Flex role="radiogroup" aria-label={t('horn.pages')} gap="6px" mb="8px">
      {pages.map((midisOfPage, i) => (
        <Button
          key={midisOfPage[0]}
          role="radio"
          aria-checked={midisOfPage === shown}
          tone={midisOfPage === shown ? 'plain' : 'quiet'}
          px="8px"
          flex="1 1 0"
          onClick={() => onChoose(i)}
        >
          {nameOf(midisOfPage[0]!)}–{nameOf(midisOfPage.at(-1)!)}
        </Button>
      ))}
    </Flex>
  );
}

/** Which setup the map is of: all together, or one. */
function Setups({
  setups,
  chosen,
  onChoose,
}: Pick<ReturnType<typeof useHornMap>, 'setups' | 'chosen'> & { readonly onChoose: (key: string) => void }) {
  const { t } = useTranslation();
  return (
    <Box mb="14px">
      <Choice
        label={t('horn.setup')}
        value={chosen}
        options={['', ...setups.map((setup) => setup.key)]}
        textOf={(key) =>
          key === '' ? t('horn.allSetups') : setups.find((setup) => setup.key === key)?.text || t('gear.notSaid')
        }
        onChange={onChoose}
      />
    </Box>
  );
}
