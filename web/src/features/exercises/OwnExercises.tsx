import { chakra, Flex } from '@chakra-ui/react';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { useState, type FormEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Field, TextInput } from '../../ui/controls';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { FileButton } from '../../ui/FileButton';
import { entry } from '../../store/lists';
import { deleteEntries } from '../../store/undo';
import { saveFile } from '../../base/saveFile';
import { noticed } from '../../store/notices';
import { listsChanged } from '../../store/settings';
import { exerciseFile, readExerciseFile } from '../../shared/exercise/link';

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
  const put = (called: string, parameters: ExerciseParameters) =>
    dispatch(
      listsChanged([
        ...store
          .getState()
          .settings.own.filter((other) => other.name === called)
          .map((other) => entry.removed('own', other)),
        entry.added('own', { name: called, exercise: parameters }),
      ]),
    );
  const read = async (file: File) => {
    const found = readExerciseFile(await file.text());
    if (found) put(found.name, found.exercise);
    dispatch(noticed(found ? { key: 'exercise.fileRead', values: { name: found.name } } : { key: 'exercise.fileBad' }));
  };
  const keep = (event: FormEvent) => {
    event.preventDefault();
    setMissing(name.trim() === '');
    if (name.trim() === '') return;
    put(name.trim(), exercise);
    setName('');
  };
  return (
    <chakra.section borderTopWidth="2px" borderColor="ink" mt="26px" pt="10px">
      <chakra.h2 fontFamily="heading" fontSize="section" fontWeight={600} mb="6px">
        {t('exercise.own')}
      </chakra.h2>
      {own.map((kept) => (
        <Flex key={kept.name} align="center" gap="8px" wrap="wrap">
          <chakra.span flex="1 1 12rem">{kept.name}</chakra.span>
          <Button tone="quiet" onClick={() => onUse(kept.exercise)}>
            {t('exercise.use')}
          </Button>
          <Button tone="quiet" onClick={() => put(t('exercise.copyOf', { name: kept.name }), kept.exercise)}>
            {t('exercise.duplicate')}
          </Button>
          <Button
            tone="quiet"
            onClick={() => saveFile(`${kept.name}.json`, 'application/json', exerciseFile(kept.name, kept.exercise))}
          >
            {t('exercise.saveFile')}
          </Button>
          <Button
            tone="quiet"
            onClick={() =>
              deleteEntries([entry.removed('own', kept)], { key: 'exercise.removed', values: { name: kept.name } })
            }
          >
            {t('exercise.remove')}
          </Button>
        </Flex>
      ))}
      <form onSubmit={keep}>
        <Flex gap="10px" align="flex-end" wrap="wrap" mt="6px">
          <Field label={t('exercise.keepName')} error={missing ? t('exercise.keepNameBad') : undefined} width="260px">
            <TextInput value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
          </Field>
          <Button type="submit">{t('exercise.keep')}</Button>
          <FileButton accept=".json,application/json" testId="exercise-file" onFile={(file) => void read(file)}>
            {t('exercise.readFile')}
          </FileButton>
        </Flex>
      </form>
    </chakra.section>
  );
}
