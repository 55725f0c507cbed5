import { chakra, Flex } from '@chakra-ui/react';
import { parsePhrase, type ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseKey, familyById } from '@inner-hum/core/families';
import { QUANTITY_ROWS } from '@inner-hum/core/measure';
import { exerciseTag } from '@inner-hum/core/history';
import { feedersOf, passageProgress, passageRisks, type PassageDay, type PassageRisk } from '@inner-hum/core/lesson';
import { hornMap } from '@inner-hum/core/map';
import { sizeOf } from '@inner-hum/core/theory';
import { addDays } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { dayOf, noonOf } from '../../base/days';
import { database } from '../../db/database';
import { useOpenExercise } from '../../shared/exercise/useOpenExercise';
import { useCells } from '../../shared/stored/useCells';
import { useAppDispatch, useAppSelector } from '../../store';
import { entry } from '../../store/lists';
import { noticed } from '../../store/notices';
import { exerciseOf, listsChanged, rulerOf, scoreOf, settingsChanged } from '../../store/settings';
import { useHorn } from '../../store/useHorn';
import { exerciseTitle } from '../../text/exerciseText';
import { formatDate, formatNumber, formatSigned } from '../../text/format';
import { needText } from '../../text/needText';
import { useNoteName } from '../../text/useNoteName';
import { Button } from '../../ui/controls';
import { SectionTitle } from '../../ui/PageTitle';

/** How feeders and the passage stand in the week's practice. */
const TRIES = 3;
const REST_S = 8;
const WEEK = [0, 1, 2, 3, 4, 5, 6] as const;
const NAMED_NOTES = 4;
const GOAL_DAYS = 28;

/** What of the exercise on the Stand is risky by the player's own map; undefined while that is read, or where it says nothing. */
export function usePassageRisks(): readonly PassageRisk[] | undefined {
  const settings = useAppSelector((state) => state.settings);
  const { hornId } = useHorn();
  const cells = useCells();
  const score = useMemo(() => scoreOf(settings), [settings]);
  const { softestDb, loudestDb } = rulerOf(settings);
  // A route of overtones is on no map.
  const asked = 'phrase' in familyById(score.family).fields && score.steps.some((step) => step.partialNumber === 1);
  return useMemo(
    () => (cells && asked ? passageRisks(score, hornMap(cells), hornId, loudestDb - softestDb) : undefined),
    [cells, asked, score, hornId, softestDb, loudestDb],
  );
}

/** For the drawn part: which notes are risky, with the number under which it is said why; of two the worse. */
export function marksOf(risks: readonly PassageRisk[]): ReadonlyMap<number, number> {
  return new Map(
    [...risks.entries()].reverse().flatMap(([i, { steps }]) => steps.map((step) => [step, i + 1] as const)),
  );
}

/** Why notes of the passage are risky, short exercises that feed it, and whether it has become better. */
export function PassageRisks({ risks }: { readonly risks: readonly PassageRisk[] }) {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const dispatch = useAppDispatch();
  const open = useOpenExercise();
  const settings = useAppSelector((state) => state.settings);
  const empty = useCells()?.length === 0;
  const exercise = exerciseOf(settings);
  const feeders = feedersOf(risks);
  const why = (risk: PassageRisk) => {
    if (risk.kind === 'need') return needText(t, nameOf, risk.need);
    if (risk.kind === 'edge')
      return t(risk.leftDb >= 0 ? 'passage.edge' : 'passage.beyond', {
        note: nameOf(risk.midi),
        db: formatNumber(Math.abs(risk.leftDb), 0),
      });
    const { quantity, lower, upper, step, z } = risk.seam;
    const { factor, digits } = QUANTITY_ROWS[quantity];
    return t(`horn.seams.${quantity}`, {
      ...{ lower: nameOf(lower), upper: nameOf(upper), z: formatNumber(z, 1) },
      step: formatSigned(step * factor, digits),
    });
  };
  const put = () => {
    const after = [...feeders, exercise];
    dispatch(listsChanged(after.map((exercise) => entry.added('block', exercise))));
    dispatch(noticed({ key: 'passage.put' }));
  };
  const asRoutine = () => {
    const blocks = [...feeders, exercise].map((one) => ({ exercise: one, tries: TRIES, restS: REST_S, remark: '' }));
    const notes = parsePhrase(String(exercise['phrase'])).flatMap(({ midi }) => (midi === null ? [] : [nameOf(midi)]));
    const name = t('passage.routine', { notes: notes.slice(0, NAMED_NOTES).join(' ') });
    return { name, from: '', days: WEEK, must: true, remark: '', blocks };
  };
  const routine = asRoutine();
  const intoWeek = () => {
    dispatch(listsChanged([entry.added('routines', routine)]));
    dispatch(noticed({ key: 'passage.inWeek', values: { name: routine.name } }));
  };
  const inWeek = settings.routines.some(({ name }) => name === routine.name);
  return (
    <chakra.section mt="22px" data-testid="passage-risks">
      <SectionTitle>{t('passage.title')}</SectionTitle>
      {risks.length === 0 && <p>{t(empty ? 'passage.noMap' : 'passage.none')}</p>}
      <chakra.ol listStyleType="decimal" pl="1.4em">
        {risks.map((risk) => (
          <li key={`${risk.kind} ${risk.steps.join(' ')}`}>
            {t('passage.at', { count: risk.steps.length, notes: risk.steps.map((i) => i + 1).join(', ') })} {why(risk)}
          </li>
        ))}
      </chakra.ol>
      {feeders.length > 0 && (
        <Flex gap="10px" wrap="wrap" mt="10px">
          {feeders.map((feeder, i) => (
            <Button key={i} tone="quiet" onClick={() => open(feeder)}>
              {exerciseTitle(t, feeder, nameOf)}
            </Button>
          ))}
          <Button onClick={put}>{t('passage.toBlock')}</Button>
          {inWeek ? (
            <chakra.span alignSelf="center">{t('passage.isInWeek', { name: routine.name })}</chakra.span>
          ) : (
            <Button onClick={intoWeek}>{t('passage.toWeek')}</Button>
          )}
        </Flex>
      )}
      <AsGoal exercise={exercise} />
      <Progress exercise={exercise} />
    </chakra.section>
  );
}

/** The passage as something to work towards, by a day. */
function AsGoal({ exercise }: { readonly exercise: ExerciseParameters }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { goals, instrumentId } = useAppSelector((state) => state.settings);
  const first = parsePhrase(String(exercise['phrase'])).find(({ midi }) => midi !== null)?.midi;
  const own = goals.find(
    (goal) =>
      goal.instrumentId === instrumentId && goal.exercise && exerciseKey(goal.exercise) === exerciseKey(exercise),
  );
  if (own) {
    const date = formatDate(noonOf(own.by), 'day');
    return <chakra.p mt="10px">{t('passage.isGoal', { date })}</chakra.p>;
  }
  if (first === null || first === undefined) return null;
  const goal = { kind: 'passage', instrumentId, midi: first, exercise } as const;
  const put = () => {
    const now = new Date();
    const days = { since: dayOf(now), by: dayOf(addDays(now, GOAL_DAYS)) };
    dispatch(listsChanged([entry.added('goals', { ...goal, ...days })]));
    dispatch(settingsChanged({ session: null }));
  };
  return (
    <Button mt="10px" onClick={put}>
      {t('passage.makeGoal')}
    </Button>
  );
}

/** Whether the passage goes better than on its first day; how that will be told, before there are two days of it. */
function Progress({ exercise }: { readonly exercise: ExerciseParameters }) {
  const { t } = useTranslation();
  const tag = exerciseTag(exercise);
  const digests = useLiveQuery(() => database.digests.where('tags').equals(tag).toArray(), [tag]);
  if (!digests) return null;
  // Another size of horn is another passage.
  const told = passageProgress(digests.filter(({ setup }) => setup.instrumentId === sizeOf(exercise.instrumentId)));
  const dayText = ({ day, takes, value, uncertainty }: PassageDay) =>
    t('passage.day', {
      date: formatDate(noonOf(day), 'dayOfYear'),
      count: takes,
      value: formatNumber(100 * value, 0),
      error: formatNumber(100 * uncertainty, 0),
    });
  return (
    <chakra.p mt="10px" data-testid="passage-progress">
      {told
        ? `${dayText(told.first)} ${dayText(told.last)} ${t(`passage.answer.${told.answer}`)}`
        : t(digests.length === 0 ? 'passage.notYet' : 'passage.oneDay')}
    </chakra.p>
  );
}
