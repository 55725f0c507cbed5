import { chakra, Flex } from '@chakra-ui/react';
import { LEVELS, type Level } from '@inner-hum/core/families';
import { PRACTICE_IDS, type Practice } from '@inner-hum/core/lesson';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { dayOf } from '../../base/days';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { Button, Choice, Tick } from '../../ui/controls';

/** How far the player is and what is part of the own practice: asked once, nothing chosen before it is answered. */
export function AskPlayer() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const [level, setLevel] = useState<Level | ''>(settings.level ?? '');
  const [practices, setPractices] = useState<readonly Practice[]>(settings.practices);
  if (settings.askedOn !== '') return null;
  const done = () => {
    const askedOn = dayOf(new Date());
    dispatch(settingsChanged({ level: level === '' ? null : level, practices, askedOn, session: null }));
  };
  return (
    <chakra.section
      aria-label={t('season.ask.title')}
      data-testid="ask-player"
      borderWidth="1.5px"
      borderColor="ink"
      borderRadius="field"
      p="14px 18px"
      my="14px"
    >
      <chakra.h2 fontFamily="heading" fontSize="section" fontWeight={600} mb="8px">
        {t('season.ask.title')}
      </chakra.h2>
      <Choice
        label={t('season.ask.level')}
        value={level}
        options={['', ...LEVELS]}
        textOf={(choice) => (choice === '' ? t('season.ask.choose') : t(`today.levels.${choice}`))}
        onChange={setLevel}
      />
      <chakra.fieldset mt="12px">
        <chakra.legend fontWeight={600}>{t('season.ask.practices')}</chakra.legend>
        <Flex wrap="wrap" columnGap="22px" rowGap="2px" mt="4px">
          {PRACTICE_IDS.map((practice) => (
            <Tick
              key={practice}
              label={t(`practices.${practice}`)}
              checked={practices.includes(practice)}
              onChange={(on) =>
                setPractices(on ? [...practices, practice] : practices.filter((one) => one !== practice))
              }
            />
          ))}
        </Flex>
      </chakra.fieldset>
      <chakra.p color="inkSoft" fontSize="small" my="8px">
        {t('season.ask.why')}
      </chakra.p>
      <Button tone="strong" disabled={level === ''} onClick={done}>
        {t('season.ask.done')}
      </Button>
    </chakra.section>
  );
}
