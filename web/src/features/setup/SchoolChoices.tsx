import { chakra, Grid } from '@chakra-ui/react';
import { useTranslation } from 'react-i18next';
import { Choice, Tick } from '../../ui/controls';
import { useAppDispatch, useAppSelector } from '../../store';
import { exerciseChanged, settingsChanged } from '../../store/settings';
import { SCHOOLS, SCHOOL_QUESTIONS } from '@inner-hum/core/lesson';
import { tableText } from '../../text/tableText';

/** The player's answers where schools differ. */
export function SchoolChoices() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { schools, headphones } = useAppSelector((state) => state.settings);
  return (
    <>
      <chakra.p color="inkSoft" fontSize="small">
        {t('schools.help')}
      </chakra.p>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="12px">
        {SCHOOL_QUESTIONS.map((question) => (
          <Choice
            key={question}
            label={t(`schools.${question}.question`)}
            value={schools[question] as string}
            options={SCHOOLS[question]}
            textOf={(answer) => tableText(t, `schools.${question}.${answer}`)}
            onChange={(answer) => {
              dispatch(settingsChanged({ schools: { ...schools, [question]: answer } }));
              if (question === 'tuner') dispatch(exerciseChanged({ tunerHidden: answer === 'hide' }));
            }}
          />
        ))}
      </Grid>
      <Tick
        label={t('schools.headphones')}
        help={t('schools.headphonesHelp')}
        checked={headphones}
        onChange={(on) => dispatch(settingsChanged({ headphones: on }))}
      />
    </>
  );
}
