import { DEMAND_CENTS } from '@inner-hum/core/measure';
import { A4_RANGE_HZ, INSTRUMENTS, NOTE_NAME_SYSTEMS } from '@inner-hum/core/theory';
import { useTranslation } from 'react-i18next';
import { LANGUAGE_IDS, LANGUAGES } from '../../base/languages';
import type { Settings } from '../../db/settings/settings';
import { useAppDispatch, useAppSelector } from '../../store';
import { hornChosen, languageChosen, settingsChanged } from '../../store/settings';
import { Choice } from '../../ui/controls';
import { NumberField } from '../../ui/NumberField';

const keysOf = <T extends string>(record: Record<T, unknown>) => Object.keys(record) as T[];

/** The horn, its tuning, the language and how notes are named, how strict the judge is. */
export function HornAndTuning() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const change = (part: Partial<Settings>) => dispatch(settingsChanged(part));
  return (
    <>
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
        textOf={(system) => t(`namesSystem.${system}`)}
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
    </>
  );
}
