import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { familyById, LEVELS, usualExercise } from '@inner-hum/core/families';
import { INSTRUMENTS, NOTE_NAME_SYSTEMS } from '@inner-hum/core/theory';
import { lazy, Suspense } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Button, Choice } from '../../ui/controls';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useAppDispatch, useAppSelector } from '../../store';
import { hornChosen, languageChosen, settingsChanged } from '../../store/settings';
import { LANGUAGE_IDS, LANGUAGES } from '../../base/languages';
import { dayOf } from '../../base/days';

const HearOneNote = lazy(() => import('./HearOneNote'));

/** The first minutes: horn, names, sound, and the first swell. */
export function Welcome() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const open = useOpenExercise();
  const settings = useAppSelector((state) => state.settings);
  const welcomed = () => dispatch(settingsChanged({ welcomedOn: dayOf(new Date()) }));
  const begin = () => {
    welcomed();
    open(usualExercise(familyById('swell'), settings.instrumentId));
  };
  return (
    <Box maxWidth="62rem" mt="24px" pb="40px">
      <chakra.h1 fontFamily="heading" fontSize="place" fontWeight={500} lineHeight={1.15}>
        {t('welcome.title')}
      </chakra.h1>
      <chakra.p fontSize="lead" my="12px">
        {t('welcome.intro')}
      </chakra.p>
      <Grid templateColumns={{ base: '1fr', lg: '26rem minmax(0, 1fr)' }} gap="32px" my="18px" alignItems="start">
        <Flex direction="column" gap="16px">
          <Choice
            label={t('setUp.language')}
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
            textOf={(level) => (level === '' ? t('season.ask.choose') : t(`today.levels.${level}`))}
            onChange={(level) => dispatch(settingsChanged({ level: level === '' ? null : level }))}
          />
          <Choice
            label={t('welcome.names')}
            value={settings.noteNames}
            options={NOTE_NAME_SYSTEMS}
            textOf={(system) => t(`setUp.namesSystem.${system}`)}
            onChange={(noteNames) => dispatch(settingsChanged({ noteNames }))}
          />
          <Choice
            label={t('welcome.sound')}
            help={t(settings.source === 'standIn' ? 'welcome.standInHelp' : 'welcome.microphoneHelp')}
            value={settings.source === 'file' ? 'microphone' : settings.source}
            options={['microphone', 'standIn']}
            textOf={(source) => t(`sources.${source}`)}
            onChange={(source) => dispatch(settingsChanged({ source }))}
          />
        </Flex>
        <Box order={{ base: -1, lg: 0 }}>
          {settings.source === 'microphone' && (
            <Suspense fallback={null}>
              <HearOneNote />
            </Suspense>
          )}
        </Box>
      </Grid>
      <Flex gap="14px" align="center" wrap="wrap">
        <Button tone="strong" onClick={begin} fontSize="lead">
          {t('welcome.begin')}
        </Button>
        <Link to="/set-up#ruler" onClick={welcomed}>
          {t('welcome.ruler')}
        </Link>
        <Button tone="quiet" onClick={welcomed}>
          {t('welcome.skip')}
        </Button>
      </Flex>
    </Box>
  );
}
