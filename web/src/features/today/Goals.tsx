import { Box, chakra, Flex } from '@chakra-ui/react';
import { GOAL_KINDS, type GoalKind } from '@inner-hum/core/families';
import { ALTISSIMO_REACH_SEMITONES } from '@inner-hum/core/theory';
import { goalProgress, type Goal, type PlanFor } from '@inner-hum/core/lesson';
import { addDays, subDays } from 'date-fns';
import type { TFunction } from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useDay } from '../../shared/page/useDay';
import { Button, Choice, Field, TextInput, Tick } from '../../ui/controls';
import { entry } from '../../store/lists';
import { deleteEntries } from '../../store/undo';
import { Fold } from '../../ui/Fold';
import { useNoteName } from '../../text/useNoteName';
import { useAppDispatch, useAppSelector } from '../../store';
import { listsChanged, settingsChanged } from '../../store/settings';
import { dayOf, noonOf } from '../../base/days';
import { formatDate } from '../../text/format';
import { useHorn } from '../../store/useHorn';

const USUAL_DAYS = 28;
/** A passage becomes a goal where it is written. */
const KINDS = GOAL_KINDS.filter((kind) => kind !== 'passage');
const USUAL_QUIET = { from: '21:30', to: '08:00' } as const;

/** What is worked towards, each with its day, and the hours in which bell notes must not be loud. */
export function Goals({ from }: { readonly from: PlanFor | undefined }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const dispatch = useAppDispatch();
  const { goals, instrumentId } = useAppSelector((state) => state.settings);
  const own = goals.filter((goal) => goal.instrumentId === instrumentId);
  /** Another goal asks for another session. */
  const change = (goalChange: () => void) => {
    goalChange();
    dispatch(settingsChanged({ session: null }));
  };
  return (
    <Fold title={t('goals.title')}>
      {own.length === 0 && <p>{t('goals.none')}</p>}
      {own.map((goal) => (
        <Flex key={`${goal.kind} ${goal.midi} ${goal.by}`} align="center" gap="8px">
          <Box flex="1">
            {goalText(t, nameOf, goal)}, {t('goals.by', { date: formatDate(noonOf(goal.by), 'day') })}
            {from && (
              <Milestones
                goal={goal}
                from={from}
                onSmaller={(smaller) =>
                  change(() => dispatch(listsChanged([entry.removed('goals', goal), entry.added('goals', smaller)])))
                }
              />
            )}
          </Box>
          <Button
            tone="quiet"
            alignSelf="flex-start"
            onClick={() => change(() => deleteEntries([entry.removed('goals', goal)], { key: 'goals.removed' }))}
          >
            {t('exercise.remove')}
          </Button>
        </Flex>
      ))}
      <NewGoal onPut={(goal) => change(() => dispatch(listsChanged([entry.added('goals', goal)])))} />
      <QuietHours />
    </Fold>
  );
}

/** What a goal is; of a passage its tempo too, since it may be wanted slower. */
function goalText(t: TFunction, nameOf: (midi: number) => string, { kind, midi, exercise }: Goal): string {
  const text = t(`goals.kinds.${kind}`, { note: nameOf(midi) });
  return exercise ? `${text}, ♩ = ${exercise.tempoBpm}` : text;
}

/** The form of another goal: what, of which note, by when. */
function NewGoal({ onPut }: { readonly onPut: (goal: Goal) => void }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  const horn = useHorn();
  const since = useDay();
  const [kind, setKind] = useState<GoalKind>('softLowEntry');
  const [midi, setMidi] = useState(horn.lowestWrittenMidi);
  const [partial, setPartial] = useState('3');
  const [by, setBy] = useState(dayOf(addDays(noonOf(since), USUAL_DAYS)));
  const notes = Array.from(
    { length: horn.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES - horn.lowestWrittenMidi + 1 },
    (_, i) => String(horn.lowestWrittenMidi + i),
  );
  const made: Goal = { kind, midi, by, instrumentId, since, ...(kind === 'partial' && { partial: Number(partial) }) };
  return (
    <details>
      <summary>{t('goals.add')}</summary>
      <Flex direction="column" gap="8px" mt="6px">
        <Choice
          label={t('goals.kind')}
          value={kind}
          options={KINDS}
          textOf={(choice) => t(`goals.kinds.${choice}`, { note: '' })}
          onChange={setKind}
        />
        <Choice
          label={t('goals.note')}
          value={String(midi)}
          options={notes}
          textOf={(text) => nameOf(Number(text))}
          onChange={(text) => setMidi(Number(text))}
        />
        {kind === 'partial' && (
          <Choice
            label={t('goalSteps.by')}
            value={partial}
            options={['2', '3', '4', '5', '6', '7', '8']}
            textOf={(text) => text}
            onChange={setPartial}
          />
        )}
        <Field label={t('goals.day')}>
          <TextInput type="date" value={by} min={since} onChange={(event) => setBy(event.target.value)} />
        </Field>
        <Button disabled={by === ''} onClick={() => onPut(made)}>
          {t('goals.put')}
        </Button>
        <chakra.p color="inkSoft" fontSize="small">
          {t('goals.passageWhere')} <Link to="/exercises">{t('app.places.exercises')}</Link>
        </chakra.p>
      </Flex>
    </details>
  );
}

/** The hours in which neighbours sleep. */
function QuietHours() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const quietHours = useAppSelector((state) => state.settings.quietHours);
  return (
    <>
      <Tick
        label={t('goals.quiet')}
        checked={quietHours !== null}
        onChange={(on) => dispatch(settingsChanged({ quietHours: on ? USUAL_QUIET : null, session: null }))}
      />
      {quietHours && (
        <Flex gap="10px">
          {(['from', 'to'] as const).map((end) => (
            <Field key={end} label={t(`goals.${end}`)} flex="1">
              <TextInput
                type="time"
                value={quietHours[end]}
                onChange={(event) =>
                  event.target.value &&
                  dispatch(settingsChanged({ quietHours: { ...quietHours, [end]: event.target.value }, session: null }))
                }
              />
            </Field>
          ))}
        </Flex>
      )}
    </>
  );
}

/** How far a goal has come; where its day can hardly be met, that is said, with the next smaller one. */
function Milestones({
  goal,
  from,
  onSmaller,
}: {
  readonly goal: Goal;
  readonly from: PlanFor;
  readonly onSmaller: (goal: Goal) => void;
}) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const since = goal.since ?? dayOf(subDays(noonOf(goal.by), USUAL_DAYS));
  const { reached, behind, smaller } = goalProgress(goal, since, from);
  const next = (['s1', 's2', 's3', 's4'] as const)[reached];
  return (
    <Box color="inkSoft" fontSize="small" data-testid="milestones">
      <p>{next ? t('goalSteps.so', { reached, next: t(`goalSteps.${goal.kind}.${next}`) }) : t('goalSteps.all')}</p>
      {behind && next && <p role="status">{t('goalSteps.behind')}</p>}
      {smaller && next && (
        <Button onClick={() => onSmaller(smaller)}>
          {t('goalSteps.smaller', { goal: goalText(t, nameOf, smaller) })}
        </Button>
      )}
    </Box>
  );
}
