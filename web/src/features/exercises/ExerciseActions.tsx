import { Flex } from '@chakra-ui/react';
import type { Step } from '@inner-hum/core/exercise';
import { fingeringOf } from '@inner-hum/core/families';
import { instrumentById } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { copied } from '../../base/plainOrigin';
import { saveFile } from '../../base/saveFile';
import { usedFingering } from '../../db/settings/horn';
import { linkTo } from '../../shared/exercise/link';
import { useAppDispatch, useAppSelector } from '../../store';
import { entry } from '../../store/lists';
import { noticed } from '../../store/notices';
import { exerciseOf, listsChanged, scoreOf } from '../../store/settings';
import { exerciseTitle } from '../../text/exerciseText';
import { useNoteName } from '../../text/useNoteName';
import { partWords } from '../../text/usePartWords';
import { Button } from '../../ui/controls';

/** What can be done with the chosen exercise: played, put into the block, shared, printed, saved. */
export function ExerciseActions() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const nameOf = useNoteName();
  const settings = useAppSelector((state) => state.settings);
  const now = exerciseOf(settings);
  const score = scoreOf(settings);
  const add = () => {
    dispatch(listsChanged([entry.added('block', now)]));
    dispatch(noticed({ key: 'exercise.added' }));
  };
  const share = async () => {
    const link = linkTo(now);
    dispatch(noticed((await copied(link)) ? { key: 'exercise.shared' } : { key: 'app.notCopied', values: { link } }));
  };
  /** Above the keys a reader needs the fingering that is tried. */
  const fingeringOver = (step: Step) =>
    step.soundedMidi > instrumentById(now.instrumentId).highestKeyedWrittenMidi
      ? fingeringOf(step, now, (midi) => usedFingering(settings, midi))
          ?.map((key) => t(`keys.${key}`))
          .join(' + ')
      : undefined;
  const save = async (kind: 'musicXml' | 'midi') => {
    const { writeMidi, writeMusicXml } = await import('@inner-hum/core/formats');
    const title = exerciseTitle(t, now, nameOf);
    if (kind === 'midi') saveFile(`${title}.mid`, 'audio/midi', new Uint8Array(writeMidi(score, title)));
    else
      saveFile(
        `${title}.musicxml`,
        'application/vnd.recordare.musicxml+xml',
        writeMusicXml(score, title, settings.spelling, fingeringOver, partWords(t, score, now, nameOf)),
      );
  };
  return (
    <Flex gap="12px" wrap="wrap" mt="14px">
      <Button tone="strong" onClick={() => void navigate('/stand')}>
        {t('exercise.play')}
      </Button>
      <Button onClick={add}>{t('exercise.add')}</Button>
      <Button tone="quiet" onClick={() => void share()}>
        {t('exercise.share')}
      </Button>
      <Button tone="quiet" onClick={() => window.print()}>
        {t('exercise.print')}
      </Button>
      {(['musicXml', 'midi'] as const).map((kind) => (
        <Button key={kind} tone="quiet" onClick={() => void save(kind)}>
          {t(`exercise.${kind}`)}
        </Button>
      ))}
    </Flex>
  );
}
