import { Flex } from '@chakra-ui/react';
import { framesCsv, measuresCsv, writeBackupZip, writeWav } from '@inner-hum/core/formats';
import { toInt16, unpackFrames, type WholeTake } from '@inner-hum/core/take';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { saveFile } from '../../base/saveFile';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { evenedSound, hasVibrato } from '../../practice/evened';
import { soundOf } from '../../practice/playback';
import { noticed } from '../../store/notices';
import { detailOf } from '../../base/detailOf';

/** The ways out of one take as files. */
export function ExportRow({ take }: { readonly take: WholeTake }) {
  const { t } = useTranslation();
  const names = useAppSelector((state) => state.settings.noteNames);
  const dispatch = useAppDispatch();
  const pinned = useAppSelector((state) => state.settings.pinned);
  const { record } = take;
  const isPinned = pinned.includes(record.id);
  const pin = () =>
    dispatch(
      settingsChanged({ pinned: isPinned ? pinned.filter((text) => text !== record.id) : [...pinned, record.id] }),
    );
  const base = `inner-hum-${record.startedAt.slice(0, 16).replace(/[:T]/g, '-')}`;
  const audible = take.sound !== undefined || record.source.kind === 'standIn';
  const saveSound = () => {
    const sound = soundOf(take)!;
    saveFile(`${base}.wav`, 'audio/wav', writeWav(sound.sampleRateHz, take.sound?.samples ?? toInt16(sound.samples)));
  };
  const [evening, setEvening] = useState(false);
  const saveEvened = async () => {
    setEvening(true);
    try {
      const sound = (await evenedSound(take, hasVibrato(record) ? 'kept' : 'evened'))!;
      saveFile(`${base}-evened.wav`, 'audio/wav', writeWav(sound.sampleRateHz, toInt16(sound.samples)));
    } catch (error) {
      dispatch(noticed({ key: 'take.notHeard', values: { detail: detailOf(error) } }));
    } finally {
      setEvening(false);
    }
  };
  return (
    <Flex gap="10px" wrap="wrap">
      <Button
        onClick={() =>
          saveFile(`${base}-frames.csv`, 'text/csv', framesCsv(unpackFrames(take.frames, record.frameCount)))
        }
      >
        {t('take.exportFrames')}
      </Button>
      <Button onClick={() => saveFile(`${base}-measures.csv`, 'text/csv', measuresCsv([record], names))}>
        {t('take.exportMeasures')}
      </Button>
      <Button disabled={!audible} onClick={saveSound}>
        {t('take.exportWav')}
      </Button>
      <Button disabled={!audible || evening} onClick={() => void saveEvened()}>
        {t('take.exportEvened')}
      </Button>
      <Button
        onClick={() =>
          saveFile(`${base}.zip`, 'application/zip', new Uint8Array(writeBackupZip([take], new Date().toISOString())))
        }
      >
        {t('take.exportTake')}
      </Button>
      {take.sound && (
        <Button aria-pressed={isPinned} onClick={pin}>
          {t(isPinned ? 'take.unpin' : 'take.pin')}
        </Button>
      )}
    </Flex>
  );
}
