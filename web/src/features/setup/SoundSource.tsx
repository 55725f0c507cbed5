import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Settings } from '../../db/settings/settings';
import { HABIT_NAMES } from '../../db/settings/sound';
import { usePageSound } from '../../practice/usePageSound';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { Button, Choice, Tick } from '../../ui/controls';
import { NumberField } from '../../ui/NumberField';

/** Where the sound comes from, and what of it is kept. */
export function SoundSource() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const change = (part: Partial<Settings>) => dispatch(settingsChanged(part));
  return (
    <>
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
    </>
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
  const page = usePageSound();
  const { t } = useTranslation();
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState(page.file?.name);
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
          page.chooseFile(file);
          setName(file.name);
        }}
      />
    </Box>
  );
}
