import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { fingeringTrials, type FingeringTrials } from '@inner-hum/core/plan';
import { canFinger, keysOf, TRY_FINGERINGS, type KeyId } from '@inner-hum/core/theory';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { Fingering } from '../../shared/Fingering';
import { formatDate, formatNumber, formatSigned } from '../../text/format';
import { SectionTitle } from '../../ui/PageTitle';
import { deleteFromSettings } from '../../store/undo';
import { setupText } from '../../text/setupText';
import { useNoteName } from '../../text/useNoteName';
import { useOpenExercise } from '../../shared/useOpenExercise';
import { useTagged } from '../../shared/useCells';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { useHorn } from '../../store/useHorn';

const LOWEST = 90;
const HIGHEST = 102;
const MIDIS = Array.from({ length: HIGHEST - LOWEST + 1 }, (_, i) => LOWEST + i);

/** Fingerings of the notes above the keys: own ones, a starter set to try, and what trials told of each. */
export function Notebook() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { instrumentId, fingerings } = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const [midi, setMidi] = useState(LOWEST + 1);
  const digests = useTagged('family:fingeringTrial');
  const trials = useMemo(
    () => fingeringTrials((digests ?? []).filter((digest) => digest.setup.instrumentId === instrumentId)),
    [digests, instrumentId],
  );
  const own = fingerings.filter((fingering) => fingering.instrumentId === instrumentId && fingering.midi === midi);
  const starters = TRY_FINGERINGS.filter(
    ({ midi: given, sizes, keys }) => given === midi && sizes.includes(instrumentId) && canFinger(horn, keys),
  ).map((tryFingering) => ({
    keys: tryFingering.keys,
    starter: true,
  }));
  const shown = [...own.map((fingering) => ({ keys: fingering.keys, starter: false })), ...starters];
  return (
    <Grid templateColumns={{ base: '1fr', lg: '120px minmax(0, 1fr)' }} gap="28px">
      <chakra.nav aria-label={t('notebook.notes')} display="flex" flexDirection="column" _print={{ display: 'none' }}>
        {[...MIDIS].reverse().map((value) => (
          <chakra.button
            key={value}
            aria-current={value === midi}
            onClick={() => setMidi(value)}
            textAlign="left"
            minHeight="36px"
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
        {shown.map(({ keys, starter }) => (
          <FingeringRow
            key={`${starter} ${keys.join(' ')}`}
            midi={midi}
            keys={keys}
            starter={starter}
            trials={trials.filter((trial) => trial.midi === midi && trial.fingering === keys.join(' '))}
          />
        ))}
        <NewFingering key={midi} midi={midi} />
      </Box>
    </Grid>
  );
}

function FingeringRow({
  midi,
  keys,
  starter,
  trials,
}: {
  readonly midi: number;
  readonly keys: readonly KeyId[];
  readonly starter: boolean;
  readonly trials: readonly FingeringTrials[];
}) {
  const { t } = useTranslation();
  const open = useOpenExercise();
  const { instrumentId, fingerings } = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const fingering = keys.join(' ');
  const forget = () =>
    deleteFromSettings(
      {
        fingerings: fingerings.filter(
          (ownFingering) =>
            !(
              ownFingering.instrumentId === instrumentId &&
              ownFingering.midi === midi &&
              ownFingering.keys.join(' ') === fingering
            ),
        ),
      },
      { key: 'notebook.removed' },
    );
  return (
    <Flex gap="20px" align="center" wrap="wrap" borderTopWidth="1px" borderColor="line" py="10px">
      <Fingering instrumentId={horn.hornId} keys={keys} width="240px" />
      <Box flex="1 1 260px">
        {trials.length === 0 && <p>{t(starter ? 'notebook.try' : 'notebook.untried')}</p>}
        {trials.map((trial) => (
          <chakra.p key={trial.setupKey}>
            {trial.best && <strong>{t('notebook.best')} </strong>}
            {t('notebook.trial', {
              got: trial.got,
              of: trial.of,
              cents: trial.pitchCents === undefined ? '–' : formatSigned(trial.pitchCents, 0),
              spread: trial.spreadCents === undefined ? '–' : formatNumber(trial.spreadCents, 1),
              ms: trial.responseS === undefined ? '–' : formatNumber(1000 * trial.responseS, 0),
            })}{' '}
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
        {!starter && (
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
  const text = keys.join(' ');
  const known = fingerings.some(
    (fingering) =>
      fingering.instrumentId === instrumentId && fingering.midi === midi && fingering.keys.join(' ') === text,
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
