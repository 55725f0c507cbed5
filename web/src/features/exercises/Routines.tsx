import { copied } from '../../base/plainOrigin';
import { chakra, Flex } from '@chakra-ui/react';
import {
  blockS,
  ROUTINE_LIMITS,
  routineBlocks,
  routineOf,
  USUAL_ROUTINES,
  usualRoutine,
  type Routine,
  type RoutineBlock,
} from '@inner-hum/core/plan';
import { addDays, startOfISOWeek } from 'date-fns';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { dayOf } from '../../base/days';
import { saveFile } from '../../base/saveFile';
import { withSchools } from '@inner-hum/core/plan';
import { useAppDispatch, useAppSelector } from '../../store';
import { noticed } from '../../store/notices';
import { entry } from '../../store/lists';
import { listsChanged, settingsChanged } from '../../store/settings';
import { deleteEntries, replaceSession } from '../../store/undo';
import { useHorn } from '../../store/useHorn';
import { exerciseTitle } from '../../text/exerciseText';
import { formatDate } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { Button, Choice, Field, TextInput, Tick } from '../../ui/controls';
import { FileButton } from '../../ui/FileButton';
import { Fold } from '../../ui/Fold';
import { NumberField } from '../../ui/NumberField';
import { linkToRoutine, readRoutineFile, routineFile } from '../../shared/exercise/link';
import { addRoutine } from './addRoutine';

/** So many tries a block of a routine has that is made of single exercises, and the rest after them, seconds. */
const FIRST_TRIES = 2;
const FIRST_REST_S = 20;

/** Practices laid out once: own ones, usual ones, and those that a teacher set. */
export function Routines({ onOffer }: { readonly onOffer: (routine: Routine) => void }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const { routines, block, session, schools, signedAs } = settings;
  const horn = useHorn();
  const [usual, setUsual] = useState<(typeof USUAL_ROUTINES)[number]>('lowEnd');
  const made = (blocks: readonly RoutineBlock[], name: string) => addRoutine(t, { ...routineOf(name, []), blocks });
  const today = t('routines.blockName', { date: formatDate(new Date(), 'dayOfYear') });
  const read = async (file: File) => {
    const found = readRoutineFile(await file.text());
    if (found) onOffer(found);
    else dispatch(noticed({ key: 'routines.bad' }));
  };
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
    </chakra.section>
  );
}

function RoutineRow({
  routine,
  place,
  onChange,
  onRemove,
  onDelete,
}: {
  readonly routine: Routine;
  /** among the routines, from 0 */
  readonly place: number;
  readonly onChange: (routine: Routine) => void;
  readonly onRemove: () => void;
  /** the routine without one of its blocks, and what that was */
  readonly onDelete: (routine: Routine, name: string) => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { instrumentId, minutes, signedAs } = useAppSelector((state) => state.settings);
  const signed = { ...routine, from: routine.from || signedAs };
  const horn = useHorn();
  const blocks = routineBlocks(routine, horn.hornId);
  const lasts = Math.max(1, Math.round(blocks.reduce((sum, part) => sum + blockS(part), 0) / 60));
  const start = () => {
    const session = { day: dayOf(new Date()), instrumentId, minutes, blocks, done: 0, change: null };
    replaceSession(session, { key: 'routines.started', values: { name: routine.name } });
    void navigate('/today');
  };
  const share = async () => {
    const link = linkToRoutine(signed);
    dispatch(noticed((await copied(link)) ? { key: 'routines.linked' } : { key: 'app.notCopied', values: { link } }));
  };
  return (
    <chakra.div borderTopWidth="1px" borderColor="line" py="8px" data-testid="routine">
      <Flex align="center" gap="8px" wrap="wrap">
        <chakra.span flex="1 1 12rem">
          <strong>{routine.name}</strong>{' '}
          <chakra.span color="inkSoft">
            {[t('routines.minutes', { minutes: lasts }), routine.from && t('routines.from', { name: routine.from })]
              .filter(Boolean)
              .join(' · ')}
          </chakra.span>
        </chakra.span>
        <Button onClick={start}>{t('routines.start')}</Button>
        <Button tone="quiet" onClick={() => saveFile(`${routine.name}.json`, 'application/json', routineFile(signed))}>
          {t('routines.file')}
        </Button>
        <Button tone="quiet" onClick={() => void navigate(`/exercises/sheet/${place}`)}>
          {t('exercise.print')}
        </Button>
        <Button tone="quiet" onClick={() => void share()}>
          {t('routines.link')}
        </Button>
        <Button tone="quiet" onClick={onRemove}>
          {t('exercise.remove')}
        </Button>
      </Flex>
      {routine.remark && <p>{routine.remark}</p>}
      {routine.remarks?.map(({ takeId, beat, text }) => (
        <p key={`${takeId} ${beat} ${text}`}>
          <Link to={`/take/${takeId}`}>{t('routines.remarkOn', { beat })}</Link> {text}
        </p>
      ))}
      <Fold title={t('routines.edit')}>
        <RoutineEditor routine={routine} onChange={onChange} onDelete={onDelete} />
      </Fold>
    </chakra.div>
  );
}

function RoutineEditor({
  routine,
  onChange,
  onDelete,
}: {
  readonly routine: Routine;
  readonly onChange: (routine: Routine) => void;
  readonly onDelete: (routine: Routine, name: string) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const monday = startOfISOWeek(new Date());
  const { name, days, must, remark, blocks } = routine;
  const change = (part: Partial<Routine>) => onChange({ ...routine, ...part });
  const putBlock = (i: number, part: Partial<RoutineBlock>) =>
    change({ blocks: blocks.with(i, { ...blocks[i]!, ...part }) });
  return (
    <Flex direction="column" gap="10px" py="8px">
      <Flex gap="10px" wrap="wrap">
        <Field label={t('exercise.keepName')} width="260px">
          <TextInput
            key={name}
            defaultValue={name}
            maxLength={80}
            onBlur={(event) => event.target.value.trim() !== '' && change({ name: event.target.value.trim() })}
          />
        </Field>
        <Field label={t('routines.remark')} width="340px">
          <TextInput
            key={remark}
            defaultValue={remark}
            maxLength={ROUTINE_LIMITS.text}
            onBlur={(event) => change({ remark: event.target.value })}
          />
        </Field>
      </Flex>
      <Flex role="group" aria-label={t('routines.days')} gap="14px" wrap="wrap">
        {Array.from({ length: 7 }, (_, day) => (
          <Tick
            key={day}
            label={formatDate(addDays(monday, day), 'weekdayShort')}
            checked={days.includes(day)}
            onChange={(on) => change({ days: on ? [...days, day].sort() : days.filter((other) => other !== day) })}
          />
        ))}
      </Flex>
      <Tick label={t('routines.must')} checked={must} onChange={(on) => change({ must: on })} />
      <chakra.ol listStyleType="decimal" pl="1.6em" display="flex" flexDirection="column" gap="8px">
        {blocks.map((part, i) => (
          <li key={`${i} ${JSON.stringify(part.exercise)}`}>
            <chakra.p>{exerciseTitle(t, part.exercise, nameOf)}</chakra.p>
            <Flex gap="10px" wrap="wrap" align="flex-end">
              <NumberField
                label={t('routines.tries')}
                value={part.tries}
                min={1}
                max={ROUTINE_LIMITS.tries}
                onChange={(tries) => putBlock(i, { tries: Math.round(tries) })}
              />
              <NumberField
                label={t('routines.rest')}
                value={part.restS}
                min={0}
                max={ROUTINE_LIMITS.restS}
                step={5}
                onChange={(restS) => putBlock(i, { restS: Math.round(restS) })}
              />
              <Field label={t('routines.remark')} width="260px">
                <TextInput
                  key={part.remark}
                  defaultValue={part.remark}
                  maxLength={ROUTINE_LIMITS.text}
                  onBlur={(event) => putBlock(i, { remark: event.target.value })}
                />
              </Field>
              {i > 0 && (
                <Button
                  tone="quiet"
                  onClick={() => change({ blocks: blocks.toSpliced(i - 1, 2, part, blocks[i - 1]!) })}
                >
                  {t('routines.up')}
                </Button>
              )}
              <Button
                tone="quiet"
                onClick={() =>
                  onDelete({ ...routine, blocks: blocks.toSpliced(i, 1) }, exerciseTitle(t, part.exercise, nameOf))
                }
              >
                {t('exercise.remove')}
              </Button>
            </Flex>
          </li>
        ))}
      </chakra.ol>
    </Flex>
  );
}
