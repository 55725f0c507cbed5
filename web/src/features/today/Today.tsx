import { LEVELS } from '@inner-hum/core/families';
import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { leftOutOn, targetsOf, type SessionBlock } from '@inner-hum/core/lesson';
import { useCallback, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { useDay } from '../../shared/page/useDay';
import { sessionQueue } from '../../practice/queue';
import { Button, Choice, Key } from '../../ui/controls';
import { PatternNote } from '../../shared/exercise/PatternNote';
import { useKeyDown } from '../../ui/useKeyDown';
import { PageTitle } from '../../ui/PageTitle';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { AskPlayer } from './AskPlayer';
import { AskWhyLeft } from './AskWhyLeft';
import { Consistency } from './Consistency';
import { Goals } from './Goals';
import { minutesSaid, SessionList } from './SessionList';
import { NotPlanned } from './NotPlanned';
import { TargetList } from './TargetList';
import { usePlan, useRecent } from '../../shared/plan/usePlan';
import { LevelMoved } from './LevelMoved';
import { LoadLine } from './LoadLine';
import { WeekTheme } from './WeekTheme';
import { WeekView } from './WeekView';
import { noonOf } from '../../base/days';
import type { RunningSession } from '../../db/settings/session';
import { startQueue } from '../../practice/flow';
import { usePageSound } from '../../practice/usePageSound';
import { formatDate } from '../../text/format';

const CHOICES = ['5', '10', '15', '20', '30', '45', '60', '90'] as const;

/** Today: what to do now and why, started at one key. */
export default function Today() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const minutes = useAppSelector((state) => state.settings.minutes);
  const recent = useRecent();
  const today = useDay();
  const [anyway, setAnyway] = useState(false);
  const plan = usePlan(recent, anyway);
  const { kept, blocks, keep, put, start } = useTodaysSession(plan?.blocks);
  useKeyDown('input, textarea, select, button, a, [role]', (event) => {
    if (event.key !== ' ') return;
    event.preventDefault();
    start();
  });
  const targets = useMemo(() => plan && targetsOf(plan.from), [plan]);
  const totalMin = minutesSaid(blocks ?? []);
  return (
    <Box maxWidth="80rem" pb="40px">
      <PageTitle title={t('today.title')}>
        <chakra.span color="inkSoft">{formatDate(noonOf(today), 'weekdayAndDay')}</chakra.span>
        <Box marginLeft={{ base: 0, md: 'auto' }} marginRight={{ base: 0, lg: 'calc(20rem + 36px)' }}>
          <Choice
            label={t('today.minutes')}
            value={String(minutes) as (typeof CHOICES)[number]}
            options={CHOICES}
            textOf={(choice) => t('today.minutesOf', { minutes: choice })}
            onChange={(choice) => dispatch(settingsChanged({ minutes: Number(choice), session: null }))}
          />
        </Box>
      </PageTitle>
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 20rem' }} gap="36px">
        <Box minWidth={0}>
          <AskPlayer />
          {plan && <WeekTheme plan={plan} blocks={blocks ?? []} />}
          {plan && !kept && <LoadLine load={plan.load} onAnyway={() => setAnyway(true)} />}
          <LevelMoved recent={recent} />
          {recent && <AskWhyLeft recent={recent} />}
          {kept?.change && (
            <chakra.p role="status" mt="6px">
              {t(`today.changed.${kept.change.decision as 'easier'}`)}
            </chakra.p>
          )}
          {blocks?.length === 0 && plan?.load.kind !== 'rest' && (
            <chakra.p fontSize="lead">{t('today.allDone')}</chakra.p>
          )}
          {blocks && blocks.length > 0 && (
            <>
              <TargetList blocks={blocks} targets={targets ?? []} day={today} onChange={keep} />
              <SessionList
                blocks={blocks}
                onChange={put}
                begin={
                  <Button tone="strong" onClick={start} data-testid="start-session" fontSize="lead" minHeight="54px">
                    {kept && kept.done > 0 ? t('today.goOn') : t('today.start')} <Key>{t('stand.startKey')}</Key>
                  </Button>
                }
              />
              <chakra.p color="inkSoft" fontSize="small" mt="8px">
                {t('today.total', { count: blocks.length, minutes: totalMin })}
              </chakra.p>
            </>
          )}
          <PlanChoices adjusted={kept !== null} />
          <NotPlanned />
        </Box>
        <chakra.aside display="flex" flexDirection="column" gap="22px">
          {recent && <Consistency recent={recent} />}
          {plan && <PatternNote notes={plan.from.notes} />}
          <Goals from={plan?.from} />
          {plan && <WeekView from={plan.from} />}
        </chakra.aside>
      </Grid>
    </Box>
  );
}

/** How broad the plan is, for whom, and a way back to the plan as it was made. */
function PlanChoices({ adjusted }: { readonly adjusted: boolean }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { style, level } = useAppSelector((state) => state.settings);
  return (
    <Flex align="flex-end" gap="12px" wrap="wrap" mt="18px">
      <Choice
        label={t('today.style')}
        value={style}
        options={['sweep', 'dwell']}
        textOf={(choice) => t(`today.styles.${choice}`)}
        onChange={(choice) => dispatch(settingsChanged({ style: choice, session: null }))}
      />
      <Choice
        label={t('today.level')}
        value={level ?? ''}
        options={level === null ? ['', ...LEVELS] : LEVELS}
        textOf={(choice) => (choice === '' ? t('season.ask.choose') : t(`today.levels.${choice}`))}
        onChange={(choice) => dispatch(settingsChanged({ level: choice === '' ? null : choice, session: null }))}
      />
      {adjusted && (
        <Button tone="quiet" onClick={() => dispatch(settingsChanged({ session: null }))}>
          {t('today.anew')}
        </Button>
      )}
    </Flex>
  );
}

/** The day's session: as it was adjusted or begun, else as planned; how it is changed and started. */
function useTodaysSession(planned: readonly SessionBlock[] | undefined) {
  const page = usePageSound();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { minutes, instrumentId, session, leftOut } = useAppSelector((state) => state.settings);
  const today = useDay();
  // An adjusted or begun session stays for its day; another horn or another length is another session.
  const kept =
    session && session.day === today && session.instrumentId === instrumentId && session.minutes === minutes
      ? session
      : null;
  const blocks = kept ? kept.blocks : planned;
  const keep = useCallback(
    (changed: readonly SessionBlock[]) => {
      const base: RunningSession = kept ?? { day: today, instrumentId, minutes, blocks: [], done: 0, change: null };
      dispatch(settingsChanged({ session: { ...base, blocks: changed } }));
    },
    [dispatch, kept, today, instrumentId, minutes],
  );
  const put = useCallback(
    (changed: readonly SessionBlock[]) => {
      const gone = leftBy(blocks ?? [], changed);
      if (gone) dispatch(settingsChanged({ leftOut: leftOutOn(leftOut, gone, today) }));
      keep(changed);
    },
    [dispatch, blocks, keep, leftOut, today],
  );
  const start = useCallback(() => {
    if (!blocks || blocks.length === 0) return;
    if (!kept) keep(blocks);
    void navigate('/stand');
    void startQueue(page, sessionQueue()); // never rejects: problems go to the store
  }, [blocks, kept, keep, navigate, page]);
  return { kept, blocks, keep, put, start };
}

/** The family that a change by hand took out altogether; what a teacher or a routine set is not asked about. */
function leftBy(before: readonly SessionBlock[], after: readonly SessionBlock[]): string | undefined {
  const of = (blocks: readonly SessionBlock[]) => new Set(blocks.map(({ exercise }) => exercise.family));
  const left = of(after);
  return before.find(({ exercise, reason }) => reason.kind !== 'routine' && !left.has(exercise.family))?.exercise
    .family;
}
