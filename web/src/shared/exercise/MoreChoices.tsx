import { chakra } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { isOpenEnded } from '@inner-hum/core/exercise';
import { CUES } from '@inner-hum/core/lesson';
import { HOLD_SOUNDS } from '../../db/settings/session';
import { useAppDispatch, useAppSelector } from '../../store';
import { scoreOf, settingsChanged } from '../../store/settings';
import { Choice, Tick } from '../../ui/controls';
import { tableText } from '../../text/tableText';

/** What is set more seldom. */
export function MoreChoices() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  return (
    <chakra.details>
      <chakra.summary cursor="pointer" minHeight="32px" color="inkSoft">
        {t('exercise.more')}
      </chakra.summary>
      <chakra.div display="flex" flexWrap="wrap" gap="14px" mt="4px">
        <chakra.span width="150px">
          <Choice
            label={t('stand.silentBars')}
            value={String(settings.silentBarEvery)}
            options={['0', '4', '2']}
            textOf={(every) => tableText(t, `stand.silentBar.${every}`)}
            onChange={(every) => dispatch(settingsChanged({ silentBarEvery: Number(every) as 0 | 2 | 4 }))}
          />
        </chakra.span>
        <chakra.span width="230px">
          <Choice
            label={t('cues.label')}
            value={settings.cue}
            options={['', ...CUES]}
            textOf={(cue) => (cue === '' ? t('cues.none') : tableText(t, `cues.${cue}`))}
            onChange={(cue) => dispatch(settingsChanged({ cue }))}
          />
        </chakra.span>
        {isOpenEnded(scoreOf(settings)) && (
          <chakra.span width="260px">
            <Choice
              label={t('stand.holdSound.label')}
              value={settings.holdSound}
              options={HOLD_SOUNDS}
              textOf={(sound) => t(`stand.holdSound.${sound}`)}
              onChange={(holdSound) => dispatch(settingsChanged({ holdSound }))}
            />
          </chakra.span>
        )}
        <chakra.span width="190px">
          <Choice
            label={t('stand.startOn')}
            value={settings.startOn}
            options={['beat', 'sound'] as const}
            textOf={(start) => t(start === 'beat' ? 'stand.startOnBeat' : 'stand.startOnSound')}
            onChange={(startOn) => dispatch(settingsChanged({ startOn }))}
          />
        </chakra.span>
      </chakra.div>
      <chakra.div display="flex" flexWrap="wrap" columnGap="26px">
        {settings.source === 'microphone' && (
          <Tick
            label={t('stand.hornGoesOn')}
            checked={settings.hornGoesOn}
            onChange={(hornGoesOn) => dispatch(settingsChanged({ hornGoesOn }))}
          />
        )}
        <Tick
          label={t('stand.endSound')}
          checked={settings.endSound}
          onChange={(endSound) => dispatch(settingsChanged({ endSound }))}
        />
        <Tick
          label={t('stand.fullOnStart')}
          checked={settings.fullOnStart}
          onChange={(fullOnStart) => dispatch(settingsChanged({ fullOnStart }))}
        />
      </chakra.div>
    </chakra.details>
  );
}
