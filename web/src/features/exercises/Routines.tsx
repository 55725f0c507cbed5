import { chakra, Flex } from '@chakra-ui/react';
import {
  routineOf,
  USUAL_ROUTINES,
  usualRoutine,
  type Routine,
  type RoutineBlock,
  withSchools,
} from '@inner-hum/core/lesson';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { noonOf } from '../../base/days';
import { useDay } from '../../shared/page/useDay';
import { useAppDispatch, useAppSelector } from '../../store';
import { noticed } from '../../store/notices';
import { entry } from '../../store/lists';
import { listsChanged, settingsChanged } from '../../store/settings';
import { deleteEntries } from '../../store/undo';
import { useHorn } from '../../store/useHorn';
import { formatDate } from '../../text/format';
import { Button, Choice, Field, TextInput } from '../../ui/controls';
import { FileButton } from '../../ui/FileButton';
import { readRoutineFile } from '../../shared/exercise/link';
import { addRoutine } from './addRoutine';
import { RoutineRow } from './RoutineRow';

/** So many tries a block of a routine has that is made of single exercises, and the rest after them, seconds. */
const FIRST_TRIES = 2;
const FIRST_REST_S = 20;

/** Practices laid out once: own ones, usual ones, and those that a teacher set. */
export function Routines({ onOffer }: { readonly onOffer: (routine: Routine) => void }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const routines = useAppSelector((state) => state.settings.routines);
  return (
    <chakra.section borderTopWidth="2px" borderColor="ink" mt="26px" pt="10px">
      <chakra.h2 fontFamily="heading" fontSize="section" fontWeight={600} mb="6px">
        {t('routines.title')}
      </chakra.h2>
      <chakra.p color="inkSoft" mb="8px">
        {t('routines.intro')}
      </chakra.p>
      {routines.length === 0 && <p>{t('routines.none')}</p>}
      {routines.map((routine, i) => (
        <RoutineRow
          key={i}
          routine={routine}
          place={i}
          onChange={(changed) => dispatch(listsChanged([entry.changed('routines', routine, changed)]))}
          onDelete={(changed, name) =>
            deleteEntries([entry.changed('routines', routine, changed)], { key: 'exercise.removed', values: { name } })
          }
          onRemove={() =>
            deleteEntries([entry.removed('routines', routine)], {
              key: 'exercise.removed',
              values: { name: routine.name },
            })
          }
        />
      ))}
      <AddRoutine onOffer={onOffer} />
    </chakra.section>
  );
}

/** Ways to a routine: a usual one, the block, the day's session, a file; and who signs what is given away. */
function AddRoutine({ onOffer }: { readonly onOffer: (routine: Routine) => void }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { routines, block, session, schools, signedAs } = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const [usual, setUsual] = useState<(typeof USUAL_ROUTINES)[number]>('lowEnd');
  const made = (blocks: readonly RoutineBlock[], name: string) => addRoutine(t, { ...routineOf(name, []), blocks });
  const today = t('routines.blockName', { date: formatDate(noonOf(useDay()), 'dayOfYear') });
  const read = async (file: File) => {
    const found = readRoutineFile(await file.text());
    if (found) onOffer(found);
    else dispatch(noticed({ key: 'routines.bad' }));
  };
  return (
    <Flex gap="10px" wrap="wrap" align="flex-end" mt="10px">
      <Choice
        label={t('routines.usual')}
        value={usual}
        options={USUAL_ROUTINES}
        textOf={(id) => t(`routines.usuals.${id}`)}
        onChange={setUsual}
      />
      <Button
        onClick={() =>
          made(
            usualRoutine(usual, horn.hornId).map((part) => ({
              ...part,
              exercise: withSchools(part.exercise, schools),
            })),
            t(`routines.usuals.${usual}`),
          )
        }
      >
        {t('routines.add')}
      </Button>
      {block.length > 0 && (
        <Button
          onClick={() =>
            made(
              block.map((exercise) => ({ exercise, tries: FIRST_TRIES, restS: FIRST_REST_S, remark: '' })),
              today,
            )
          }
        >
          {t('routines.block')}
        </Button>
      )}
      {session && session.blocks.length > 0 && (
        <Button onClick={() => addRoutine(t, routineOf(today, session.blocks))}>{t('routines.session')}</Button>
      )}
      {routines.length > 0 && (
        <Field label={t('routines.signedAs')} width="220px">
          <TextInput
            value={signedAs}
            maxLength={80}
            onChange={(event) => dispatch(settingsChanged({ signedAs: event.target.value }))}
          />
        </Field>
      )}
      <FileButton accept=".json,application/json" testId="routine-file" onFile={(file) => void read(file)}>
        {t('routines.open')}
      </FileButton>
      <Link to="/students">{t('students.title')}</Link>
    </Flex>
  );
}
