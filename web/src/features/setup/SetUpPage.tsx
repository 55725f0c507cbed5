import { Box, chakra, Grid } from '@chakra-ui/react';
import { DEMAND_CENTS } from '@inner-hum/core/measure';
import { A4_RANGE_HZ, INSTRUMENTS, NOTE_NAME_SYSTEMS } from '@inner-hum/core/theory';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useLocation } from 'react-router';
import { LANGUAGE_IDS, LANGUAGES } from '../../base/languages';
import { chooseFile, chosenFile } from '../../input/chosenFile';
import { Button, Choice, Tick } from '../../ui/controls';
import { NumberField } from '../../ui/NumberField';
import { ProblemNote } from '../../shared/ProblemNote';
import { useAppDispatch, useAppSelector } from '../../store';
import { hornChosen, languageChosen, settingsChanged } from '../../store/settings';
import { problemMet } from '../../store/practice';
import { GearList } from './GearList';
import { InstallPart } from './InstallPart';
import { LicenceList } from './LicenceList';
import { LevelCheck } from './LevelCheck';
import { LoopCheck } from './LoopCheck';
import { RulerCheck } from './RulerCheck';
import { SetAsideList } from './SetAsideList';
import { SchoolChoices } from './SchoolChoices';
import { TuneUpCheck } from './TuneUpCheck';
import { HABIT_NAMES } from '../../db/settings/sound';
import type { Settings } from '../../db/settings/settings';

const keysOf = <T extends string>(record: Record<T, unknown>) => Object.keys(record) as T[];

/** Set-up: the horn, the names, the demand, and where the sound comes from. Changes hold at once. */
export default function SetUpPage() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const { hash } = useLocation();
  useEffect(() => {
    if (hash) document.getElementById(hash.slice(1))?.scrollIntoView();
  }, [hash]);
  const change = (part: Partial<Settings>) => dispatch(settingsChanged(part));
  return (
    <Box maxWidth="76rem" pb="40px">
      <chakra.h1 fontFamily="heading" fontSize="place" fontWeight={500} mt="14px" mb="6px">
        {t('setUp.title')}
      </chakra.h1>
      <ProblemNote onRetry={() => dispatch(problemMet(null))} />
      <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} columnGap="56px" rowGap="30px" alignItems="start">
        <Column>
          <Part title={t('setUp.hornAndTuning')}>
            <Choice
              label={t('setUp.horn')}
              value={settings.instrumentId}
              options={INSTRUMENTS.map((instrument) => instrument.id)}
              textOf={(id) => t(`instruments.${id}`)}
              onChange={(id) => dispatch(hornChosen(id))}
            />
            <NumberField
              label={t('setUp.tuning')}
              value={settings.a4Hz}
              min={A4_RANGE_HZ.min}
              max={A4_RANGE_HZ.max}
              step={0.5}
              error={t('setUp.tuningBad')}
              onChange={(a4Hz) => change({ a4Hz })}
            />
            <Choice
              label={t('setUp.language')}
              value={settings.language}
              options={LANGUAGE_IDS}
              textOf={(language) => LANGUAGES[language].name}
              onChange={(language) => dispatch(languageChosen(language))}
            />
            <Choice
              label={t('setUp.names')}
              value={settings.noteNames}
              options={NOTE_NAME_SYSTEMS}
              textOf={(system) => t(`setUp.namesSystem.${system}`)}
              onChange={(noteNames) => change({ noteNames })}
            />
            <Choice
              label={t('setUp.spelling')}
              value={settings.spelling}
              options={['usual', 'sharps', 'flats'] as const}
              textOf={(spelling) => t(`setUp.spellings.${spelling}`)}
              onChange={(spelling) => change({ spelling })}
            />
            <Choice
              label={t('setUp.partials')}
              value={settings.partialNumbers}
              options={['partials', 'overtones']}
              textOf={(choice) => t(`setUp.partialNumbers.${choice}`)}
              onChange={(partialNumbers) => change({ partialNumbers })}
            />
            <Choice
              label={t('setUp.demand')}
              help={t('setUp.demandHelp')}
              value={settings.demand}
              options={keysOf(DEMAND_CENTS)}
              textOf={(demand) => t(`demands.${demand}`)}
              onChange={(demand) => change({ demand })}
            />
            <Choice
              label={t('setUp.theme')}
              value={settings.theme}
              options={['system', 'light', 'dark'] as const}
              textOf={(theme) => t(`setUp.themes.${theme}`)}
              onChange={(theme) => change({ theme })}
            />
          </Part>
          <Part title={t('gear.title')} id="gear">
            <GearList />
          </Part>
          <Part title={t('schools.title')} id="schools">
            <SchoolChoices />
          </Part>
        </Column>
        <Column>
          <Part title={t('setUp.sound')}>
            <Choice
              label={t('setUp.source')}
              value={settings.source}
              options={['microphone', 'file', 'standIn'] as const}
              textOf={(source) => t(`sources.${source}`)}
              onChange={(source) => change({ source })}
            />
            {settings.source === 'microphone' && (
              <Devices value={settings.deviceId} onChange={(deviceId) => change({ deviceId })} />
            )}
            {settings.source === 'file' && <SoundFile />}
            {settings.source === 'standIn' && (
              <Choice
                label={t('setUp.standIn')}
                help={t('setUp.standInHelp')}
                value={settings.habit}
                options={HABIT_NAMES}
                textOf={(habit) => t(`setUp.habits.${habit}`)}
                onChange={(habit) => change({ habit })}
              />
            )}
            <Tick
              label={t('setUp.freeCounts')}
              help={t('setUp.freeCountsHelp')}
              checked={settings.freeCounts}
              onChange={(freeCounts) => change({ freeCounts })}
            />
            <Tick
              label={t('setUp.keepSound')}
              help={t('setUp.keepSoundHelp')}
              checked={settings.keepSound}
              onChange={(keepSound) => change({ keepSound })}
            />
            <NumberField
              label={t('setUp.soundBudget')}
              value={settings.soundBudgetMb}
              min={0}
              max={20_000}
              step={50}
              onChange={(soundBudgetMb) => change({ soundBudgetMb })}
            />
            <chakra.p color="inkSoft" fontSize="small">
              {t('setUp.clickNote')}
            </chakra.p>
          </Part>
          <Part title={t('setUp.check')}>
            <LevelCheck />
          </Part>
          <Part title={t('setUp.tuneUp')} id="tune-up">
            <TuneUpCheck />
          </Part>
          <Part title={t('setUp.ruler')} id="ruler">
            <RulerCheck />
          </Part>
          <Part title={t('setUp.loop')} id="loop">
            <LoopCheck />
          </Part>
          <Part title={t('setUp.onDevice')}>
            <InstallPart />
          </Part>
        </Column>
      </Grid>
      <SetAsideList />
      <LicenceList />
    </Box>
  );
}

function Column({ children }: { readonly children: ReactNode }) {
  return (
    <chakra.div display="flex" flexDirection="column" gap="30px" minWidth={0}>
      {children}
    </chakra.div>
  );
}

function Part({ title, id, children }: { readonly title: string; readonly id?: string; readonly children: ReactNode }) {
  return (
    <chakra.section id={id} borderTopWidth="2px" borderColor="ink" pt="12px">
      <chakra.h2 fontFamily="heading" fontSize="section" fontWeight={600} mb="10px">
        {title}
      </chakra.h2>
      <chakra.div display="flex" flexDirection="column" gap="12px">
        {children}
      </chakra.div>
    </chakra.section>
  );
}

/** Microphones by name; the browser tells their names only once one has been allowed. */
function Devices({ value, onChange }: { readonly value: string; readonly onChange: (deviceId: string) => void }) {
  const { t } = useTranslation();
  const [devices, setDevices] = useState<readonly MediaDeviceInfo[]>([]);
  useEffect(() => {
    const { mediaDevices: media } = navigator as Partial<Navigator>;
    if (!media) return;
    const list = () =>
      void media
        .enumerateDevices()
        .then((all) =>
          setDevices(
            all.filter((mediaDeviceInfo) => mediaDeviceInfo.kind === 'audioinput' && mediaDeviceInfo.deviceId),
          ),
        );
    list();
    media.addEventListener('devicechange', list);
    return () => media.removeEventListener('devicechange', list);
  }, []);
  const ids = ['', ...new Set([...devices.map((device) => device.deviceId), ...(value ? [value] : [])])];
  return (
    <Choice
      label={t('setUp.device')}
      value={value}
      options={ids}
      textOf={(id) =>
        id === ''
          ? t('setUp.defaultDevice')
          : (devices.find((device) => device.deviceId === id)?.label ?? id.slice(0, 8))
      }
      onChange={onChange}
    />
  );
}

function SoundFile() {
  const { t } = useTranslation();
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState(chosenFile()?.name);
  return (
    <Box>
      <Button onClick={() => input.current?.click()}>{t('setUp.chooseFile')}</Button>
      <chakra.span ml="12px">{name ?? t('setUp.noFile')}</chakra.span>
      <input
        ref={input}
        type="file"
        accept="audio/*,.wav,.flac,.mp3,.ogg"
        hidden
        data-testid="source-file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (!file) return;
          chooseFile(file);
          setName(file.name);
        }}
      />
    </Box>
  );
}
