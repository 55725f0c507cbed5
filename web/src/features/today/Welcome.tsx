import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { familyById, LEVELS, usualExercise } from '@inner-hum/core/families';
import { INSTRUMENTS, NOTE_NAME_SYSTEMS } from '@inner-hum/core/theory';
import { lazy, Suspense, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Button, Choice } from '../../ui/controls';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useAppDispatch, useAppSelector } from '../../store';
import { hornChosen, languageChosen, settingsChanged } from '../../store/settings';
import { LANGUAGE_IDS, LANGUAGES } from '../../base/languages';
import { dayOf } from '../../base/days';
import { withAllWords } from '../../text/i18n';
import { useNoteName } from '../../text/useNoteName';
import { FirstRibbon } from './FirstRibbon';

const HearOneNote = lazy(() => withAllWords(import('./HearOneNote')));
/** Written G4: no register key, spoken by every horn and every player. */
const ASKED_MIDI = 67;

/** The first minute: a ribbon that lives, one note to be understood by, the first swell; lists for who has no horn at hand. */
export function Welcome() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const open = useOpenExercise();
  const nameOf = useNoteName();
  const settings = useAppSelector((state) => state.settings);
  const [hearing, setHearing] = useState(false);
  const welcomed = () => dispatch(settingsChanged({ welcomedOn: dayOf(new Date()) }));
  const begin = () => {
    welcomed();
    open(usualExercise(familyById('swell'), settings.instrumentId));
  };
  const microphone = settings.source !== 'standIn';
  return (
    <Box maxWidth="76rem" mt="14px" pb="40px">
      <chakra.h1 fontFamily="heading" fontSize="place" fontWeight={500} lineHeight={1.15}>
        {t('welcome.title')}
      </chakra.h1>
      <FirstRibbon />
      <Flex gap="14px" align="flex-start" wrap="wrap" mt="18px">
        {microphone && !hearing && (
          <Button tone="strong" onClick={() => setHearing(true)} fontSize="lead">
            {t('welcome.hearNote', { note: nameOf(ASKED_MIDI) })}
          </Button>
        )}
        {microphone && hearing && (
          <Suspense fallback={<Box minHeight="44px" />}>
            <HearOneNote askedMidi={ASKED_MIDI} onTaken={begin} />
          </Suspense>
        )}
        <Button tone={microphone ? 'plain' : 'strong'} onClick={begin} fontSize="lead">
          {t('welcome.begin')}
        </Button>
        <Button tone="quiet" onClick={welcomed}>
          {t('welcome.skip')}
        </Button>
      </Flex>
      <chakra.p color="inkSoft" mt="10px" maxWidth="46rem">
        {t('welcome.intro')}
      </chakra.p>
      <ByHand onLeave={welcomed} />
    </Box>
  );
}

/** What a note would tell, chosen from lists: for who has no horn at hand. */
function ByHand({ onLeave }: { readonly onLeave: () => void }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const microphone = settings.source !== 'standIn';
  return (
    <chakra.details mt="14px">
      <chakra.summary cursor="pointer" minHeight="44px" py="10px" fontWeight={600}>
        {t('welcome.byHand')}
      </chakra.summary>
      <Grid templateColumns={{ base: '1fr', md: 'repeat(2, minmax(0, 1fr))' }} gap="16px" maxWidth="46rem" mt="6px">
        <Choice
          label={t('welcome.language')}
          value={settings.language}
          options={LANGUAGE_IDS}
          textOf={(language) => LANGUAGES[language].name}
          onChange={(language) => dispatch(languageChosen(language))}
        />
        <Choice
          label={t('welcome.horn')}
          value={settings.instrumentId}
          options={INSTRUMENTS.map((instrument) => instrument.id)}
          textOf={(id) => t(`instruments.${id}`)}
          onChange={(id) => dispatch(hornChosen(id))}
        />
        <Choice
          label={t('welcome.level')}
          value={settings.level ?? ''}
          options={['', ...LEVELS]}
          textOf={(level) => (level === '' ? t('welcome.choose') : t(`today.levels.${level}`))}
          onChange={(level) => dispatch(settingsChanged({ level: level === '' ? null : level }))}
        />
        <Choice
          label={t('welcome.names')}
          value={settings.noteNames}
          options={NOTE_NAME_SYSTEMS}
          textOf={(system) => t(`namesSystem.${system}`)}
          onChange={(noteNames) => dispatch(settingsChanged({ noteNames }))}
        />
        <Choice
          label={t('welcome.sound')}
          help={t(microphone ? 'welcome.microphoneHelp' : 'welcome.standInHelp')}
          value={microphone ? 'microphone' : 'standIn'}
          options={['microphone', 'standIn']}
          textOf={(source) => t(`sources.${source}`)}
          onChange={(source) => dispatch(settingsChanged({ source }))}
        />
        <Box alignSelf="end" py="10px">
          <Link to="/set-up#ruler" onClick={onLeave}>
            {t('welcome.ruler')}
          </Link>
        </Box>
      </Grid>
    </chakra.details>
  );
}
