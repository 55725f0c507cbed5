import { chakra, Flex } from '@chakra-ui/react';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { useState, type FormEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Field, TextInput } from '../../shared/controls';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';

/** Exercises kept under the player's own names. */
export function OwnExercises({
  exercise,
  onUse,
}: {
  readonly exercise: ExerciseParameters;
  readonly onUse: (exercise: ExerciseParameters) => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const own = useAppSelector((state) => state.settings.own);
  const [name, setName] = useState('');
  const [missing, setMissing] = useState(false);
  const keep = (event: FormEvent) => {
    event.preventDefault();
    setMissing(name.trim() === '');
    if (name.trim() === '') return;
    const others = own.filter((one) => one.name !== name.trim());
    dispatch(settingsChanged({ own: [...others, { name: name.trim(), exercise }] }));
    setName('');
  };
  return (
    <chakra.section borderTopWidth="2px" borderColor="ink" mt="26px" pt="10px">
      <chakra.h2 fontFamily="heading" fontSize="1.35rem" fontWeight={600} mb="6px">
        {t('exercise.own')}
      </chakra.h2>
      {own.map((one) => (
        <Flex key={one.name} align="center" gap="8px">
          <chakra.span flex="1 1 auto">{one.name}</chakra.span>
          <Button tone="quiet" onClick={() => onUse(one.exercise)}>
            {t('exercise.use')}
          </Button>
          <Button tone="quiet" onClick={() => dispatch(settingsChanged({ own: own.filter((other) => other !== one) }))}>
            {t('exercise.remove')}
          </Button>
        </Flex>
      ))}
      <form onSubmit={keep}>
        <Flex gap="10px" align="flex-end" mt="6px">
          <Field label={t('exercise.keepName')} error={missing ? t('exercise.keepNameBad') : undefined} width="260px">
            <TextInput value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
          </Field>
          <Button type="submit">{t('exercise.keep')}</Button>
        </Flex>
      </form>
    </chakra.section>
  );
}
