import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { fingeringTrials, hornMap, knownValue, ofNote, type Cell, type FingeringTrials } from '@inner-hum/core/plan';
import {
  ALTERNATE_FINGERINGS,
  canFinger,
  fingeringText,
  keysOf,
  regularFingering,
  TRY_FINGERINGS,
  type AlternateFingering,
  type KeyId,
} from '@inner-hum/core/theory';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { Fingering } from '../../shared/exercise/Fingering';
import { formatDate, formatNumber, formatSigned } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { entry } from '../../store/lists';
import { deleteEntries } from '../../store/undo';
import { setupText } from '../../text/setupText';
import { useNoteName } from '../../text/useNoteName';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useCells, useTagged } from '../../shared/stored/useCells';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged, without } from '../../store/settings';
import { usedFingering } from '../../db/settings/horn';
import { useHorn } from '../../store/useHorn';

const HIGHEST = 102;
const FIRST_SHOWN = 91;

/** Where a fingering comes from. */
type Origin = 'regular' | AlternateFingering['use'] | 'starter' | 'own';

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
  const regular = regularFingering(horn, midi);
  const given = (origin: Origin, all: readonly (readonly KeyId[])[]) =>
    all.filter((keys) => canFinger(horn, keys)).map((keys) => ({ origin, keys, text: fingeringText(keys) }));
  const shown = [
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
  return (
    <Grid templateColumns={{ base: '1fr', lg: '120px minmax(0, 1fr)' }} gap="28px">
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
            aria-current={value === midi}
            onClick={() => setMidi(value)}
            textAlign="left"
            minHeight="36px"
            flex="none"
            px="10px"
            cursor="pointer"
            borderLeftWidth="3px"
            borderColor={value === midi ? 'accent' : 'transparent'}
            fontWeight={value === midi ? 700 : 400}
            _hover={{ bg: 'channel' }}
          >
            {nameOf(value)}
            {trials.some((trial) => trial.midi === value && trial.best) && ` ${t('notebook.hasBest')}`}
          </chakra.button>
        ))}
      </chakra.nav>
      <Box>
        <Flex align="baseline" gap="18px">
          <SectionTitle fontSize="place">{nameOf(midi)}</SectionTitle>
          <Button tone="quiet" onClick={() => window.print()} _print={{ display: 'none' }}>
            {t('notebook.print')}
          </Button>
        </Flex>
        {shown.length === 0 && <p>{t('notebook.none')}</p>}
        {shown
          // The same fingering stands once, by its first origin.
          .filter((row, i) => shown.findIndex(({ text }) => text === row.text) === i)
          .map(({ keys, text, origin }) => (
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
  const known = hornMap(cells)
    .filter((note) => note.midi !== midi && Math.abs(note.midi - midi) <= 2)
    .flatMap((note) => knownValue(ofNote(note, 'centroidPartials')) ?? []);
  return known.length > 0 ? known.reduce((sum, value) => sum + value, 0) / known.length : undefined;
}

function FingeringRow({
  midi,
  keys,
  origin,
  neighbours,
  trials,
}: {
  readonly midi: number;
  readonly keys: readonly KeyId[];
  readonly origin: Origin;
  /** colour of the notes beside it, partials */
  readonly neighbours: number | undefined;
  readonly trials: readonly FingeringTrials[];
}) {
  const { t } = useTranslation();
  const open = useOpenExercise();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const { instrumentId, fingerings, usedFingerings } = settings;
  const horn = useHorn();
  const fingering = fingeringText(keys);
  const place = `${instrumentId} ${midi}`;
  const now = usedFingering(settings, midi);
  const isUsed = now ? fingeringText(now) === fingering : origin === 'regular';
  const use = () =>
    dispatch(
      settingsChanged({
        usedFingerings:
          origin === 'regular' ? without(usedFingerings, place) : { ...usedFingerings, [place]: fingering },
      }),
    );
  const forget = () => {
    const own = fingerings.filter(
      (other) => other.instrumentId === instrumentId && other.midi === midi && fingeringText(other.keys) === fingering,
    );
    if (isUsed) dispatch(settingsChanged({ usedFingerings: without(usedFingerings, place) }));
    deleteEntries(
      own.map((gone) => entry.removed('fingerings', gone)),
      { key: 'notebook.removed' },
    );
  };
  return (
    <Flex gap="20px" align="center" wrap="wrap" borderTopWidth="1px" borderColor="line" py="10px">
      <Fingering instrumentId={horn.hornId} keys={keys} width="240px" />
      <Box flex="1 1 260px">
        <chakra.p color="inkSoft">{t(`notebook.origins.${origin}`)}</chakra.p>
        {trials.length === 0 && origin !== 'regular' && <p>{t('notebook.untried')}</p>}
        {trials.map((trial) => (
          <chakra.p key={trial.setupKey}>
            {trial.best && <strong>{t('notebook.best')} </strong>}
            {t('notebook.trial', {
              got: trial.got,
              of: trial.of,
              cents: trial.pitchCents === undefined ? '–' : formatSigned(trial.pitchCents, 0),
              spread: trial.spreadCents === undefined ? '–' : formatNumber(trial.spreadCents, 1),
              ms: trial.responseS === undefined ? '–' : formatNumber(1000 * trial.responseS, 0),
            })}
            {trial.colourPartials !== undefined &&
              neighbours !== undefined &&
              ` ${t('notebook.colour', { partials: formatSigned(trial.colourPartials - neighbours, 1) })}`}{' '}
            <chakra.span color="inkSoft" fontSize="small">
              {[setupText(trial.setup), formatDate(trial.newestMs, 'dayOfYear')].filter(Boolean).join(' · ')}
            </chakra.span>
          </chakra.p>
        ))}
      </Box>
      <Flex gap="8px" _print={{ display: 'none' }}>
        <Button
          onClick={() =>
            open({ ...usualExercise(familyById('fingeringTrial'), horn.hornId), writtenMidi: midi, fingering })
          }
        >
          {t('notebook.trials')}
        </Button>
        {isUsed ? (
          <chakra.span alignSelf="center" fontWeight={600}>
            {t('notebook.used')}
          </chakra.span>
        ) : (
          <Button tone="quiet" onClick={use}>
            {t('notebook.use')}
          </Button>
        )}
        {origin === 'own' && (
          <Button tone="quiet" onClick={forget}>
            {t('exercise.remove')}
          </Button>
        )}
      </Flex>
    </Flex>
  );
}

/** A key diagram to press keys on, kept as an own fingering of the note. */
function NewFingering({ midi }: { readonly midi: number }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const dispatch = useAppDispatch();
  const { instrumentId, fingerings } = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const [keys, setKeys] = useState<readonly KeyId[]>(['octave']);
  const order = keysOf(horn).map((key) => key.id);
  const toggle = (key: KeyId) =>
    setKeys(order.filter((choice) => (choice === key ? !keys.includes(choice) : keys.includes(choice))));
  const text = fingeringText(keys);
  const known = fingerings.some(
    (fingering) =>
      fingering.instrumentId === instrumentId && fingering.midi === midi && fingeringText(fingering.keys) === text,
  );
  return (
    <chakra.section borderTopWidth="2px" borderColor="ink" mt="18px" pt="10px" _print={{ display: 'none' }}>
      <SectionTitle>{t('notebook.new', { note: nameOf(midi) })}</SectionTitle>
      <chakra.p color="inkSoft" mb="8px">
        {t('notebook.newHelp')}
      </chakra.p>
      <Flex gap="20px" align="center" wrap="wrap">
        <Fingering instrumentId={horn.hornId} keys={keys} onToggle={toggle} width="420px" />
        <Button
          disabled={keys.length === 0 || known}
          onClick={() =>
            dispatch(settingsChanged({ fingerings: [...fingerings, { instrumentId, midi, keys: [...keys] }] }))
          }
        >
          {known ? t('notebook.known') : t('notebook.keep')}
        </Button>
      </Flex>
    </chakra.section>
  );
}
