import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { knownValue, type Cell } from '@inner-hum/core/history';
import { fingeringTrials, ofNote } from '@inner-hum/core/map';
import {
  ALTERNATE_FINGERINGS,
  canFinger,
  fingeringText,
  regularFingering,
  TRY_FINGERINGS,
  type KeyId,
} from '@inner-hum/core/theory';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';
import { useNoteName } from '../../text/useNoteName';
import { mapOf, useCells, useTagged } from '../../shared/stored/useCells';
import { useAppSelector } from '../../store';
import type { Settings } from '../../db/settings/settings';
import type { FingeringTrials } from '@inner-hum/core/map';
import type { Horn, InstrumentId } from '@inner-hum/core/theory';
import { useHorn } from '../../store/useHorn';
import { type Origin, FingeringRow } from './FingeringRow';
import { NewFingering } from './NewFingering';

const HIGHEST = 102;
const FIRST_SHOWN = 91;

/** Fingerings of every note: the regular one, others that players use, own ones, and what trials told of each. */
export function Notebook() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { instrumentId, fingerings } = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const [midi, setMidi] = useState(FIRST_SHOWN);
  const digests = useTagged('family:fingeringTrial');
  const trials = useMemo(
    () => fingeringTrials((digests ?? []).filter((digest) => digest.setup.instrumentId === instrumentId)),
    [digests, instrumentId],
  );
  const cells = useCells();
  const neighbours = useMemo(() => colourBeside(cells ?? [], midi), [cells, midi]);
  const midis = Array.from({ length: HIGHEST - horn.lowestWrittenMidi + 1 }, (_, i) => HIGHEST - i);
  const shown = fingeringsOf(horn, midi, instrumentId, fingerings);
  return (
    <Grid templateColumns={{ base: '1fr', lg: '120px minmax(0, 1fr)' }} gap="28px">
      <Notes midis={midis} chosen={midi} found={trials} onChoose={setMidi} />
      <Box>
        <Flex align="baseline" gap="18px">
          <SectionTitle fontSize="place">{nameOf(midi)}</SectionTitle>
          <Button tone="quiet" onClick={() => window.print()} _print={{ display: 'none' }}>
            {t('notebook.print')}
          </Button>
        </Flex>
        {shown.length === 0 && <p>{t('notebook.none')}</p>}
        {shown.map(({ keys, text, origin }) => (
          <FingeringRow
            key={text}
            midi={midi}
            keys={keys}
            origin={origin}
            neighbours={neighbours}
            trials={trials.filter((trial) => trial.midi === midi && trial.fingering === text)}
          />
        ))}
        <NewFingering key={midi} midi={midi} />
      </Box>
    </Grid>
  );
}

/** Mean colour of the notes a semitone and a tone beside one on the map, partials; undefined when none is known. */
function colourBeside(cells: readonly Cell[], midi: number): number | undefined {
  const known = mapOf(cells)
    .filter((note) => note.midi !== midi && Math.abs(note.midi - midi) <= 2)
    .flatMap((note) => knownValue(ofNote(note, 'centroidPartials')) ?? []);
  return known.length > 0 ? known.reduce((sum, value) => sum + value, 0) / known.length : undefined;
}

/** The notes of the notebook; a star where a fingering was found. */
function Notes({
  midis,
  chosen,
  found,
  onChoose,
}: {
  readonly midis: readonly number[];
  readonly chosen: number;
  readonly found: readonly FingeringTrials[];
  readonly onChoose: (midi: number) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  return (
    <chakra.nav
      aria-label={t('notebook.notes')}
      display="flex"
      flexDirection={{ base: 'row', lg: 'column' }}
      overflow="auto"
      maxHeight={{ lg: '36rem' }}
      _print={{ display: 'none' }}
    >
      {midis.map((value) => (
        <chakra.button
          key={value}
          aria-current={value === chosen}
          onClick={() => onChoose(value)}
          textAlign="left"
          minHeight="36px"
          flex="none"
          px="10px"
          cursor="pointer"
          borderLeftWidth="3px"
          borderColor={value === chosen ? 'accent' : 'transparent'}
          fontWeight={value === chosen ? 700 : 400}
          _hover={{ bg: 'channel' }}
        >
          {nameOf(value)}
          {found.some((trial) => trial.midi === value && trial.best) && ` ${t('notebook.hasBest')}`}
        </chakra.button>
      ))}
    </chakra.nav>
  );
}

/** Fingerings of a note that a horn can finger: the regular one, own ones, others that players use, ones to try. Each once, by its first origin. */
function fingeringsOf(
  horn: Horn,
  midi: number,
  instrumentId: InstrumentId,
  fingerings: Settings['fingerings'],
): readonly { readonly origin: Origin; readonly keys: readonly KeyId[]; readonly text: string }[] {
  const regular = regularFingering(horn, midi);
  const given = (origin: Origin, all: readonly (readonly KeyId[])[]) =>
    all.filter((keys) => canFinger(horn, keys)).map((keys) => ({ origin, keys, text: fingeringText(keys) }));
  const all = [
    ...given('regular', regular ? [regular] : []),
    ...given(
      'own',
      fingerings
        .filter((fingering) => fingering.instrumentId === instrumentId && fingering.midi === midi)
        .map(({ keys }) => keys),
    ),
    ...ALTERNATE_FINGERINGS.filter((row) => row.midi === midi).flatMap(({ use, keys }) => given(use, [keys])),
    ...given(
      'starter',
      TRY_FINGERINGS.filter((row) => row.midi === midi && row.sizes.includes(instrumentId)).map(({ keys }) => keys),
    ),
  ];
  return all.filter((row, i) => all.findIndex(({ text }) => text === row.text) === i);
}
