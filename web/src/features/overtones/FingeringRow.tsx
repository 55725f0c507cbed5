import { Box, chakra, Flex } from '@chakra-ui/react';
import { familyById, usualExercise } from '@inner-hum/core/families';
import type { FingeringTrials } from '@inner-hum/core/map';
import { fingeringText, type AlternateFingering, type KeyId } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { Fingering } from '../../shared/exercise/Fingering';
import { formatDate, formatNumber, formatSigned } from '../../text/format';
import { entry } from '../../store/lists';
import { deleteEntries } from '../../store/undo';
import { setupText } from '../../text/setupText';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged, without } from '../../store/settings';
import { usedFingering } from '../../db/settings/horn';
import { useHorn } from '../../store/useHorn';

/** Where a fingering comes from. */
export type Origin = 'regular' | AlternateFingering['use'] | 'starter' | 'own';

export function FingeringRow({
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
          <Told key={trial.setupKey} trial={trial} neighbours={neighbours} />
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

/** What trials of a fingering told in one setup. */
function Told({ trial, neighbours }: { readonly trial: FingeringTrials; readonly neighbours: number | undefined }) {
  const { t } = useTranslation();
  return (
    <chakra.p>
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
  );
}
