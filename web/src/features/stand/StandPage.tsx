import { Box, chakra, Flex } from '@chakra-ui/react';
import { familyById, highestNote, TEMPO_RANGE_BPM, usualExercise } from '@inner-hum/core/exercise';
import { instrumentById } from '@inner-hum/core/theory';
import { useEffect, useMemo, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { runner } from '../../audio/takeRunner';
import { Button, Key } from '../../shared/controls';
import { MiniRibbon } from '../../shared/MiniRibbon';
import { ProblemNote } from '../../shared/ProblemNote';
import { exerciseTitle } from '../../shared/exerciseText';
import { useNoteName } from '../../shared/useNoteName';
import { VerdictText } from '../../shared/VerdictText';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { exerciseChanged, exerciseOf, settingsChanged } from '../../store/settings';
import { awayFrom, phaseChanged } from '../../store/stand';
import { ExerciseControls } from '../../shared/ExerciseControls';
import { LiveRibbon } from './LiveRibbon';
import { BlockBar } from './BlockBar';
import { CautionNote } from './CautionNote';
import { StandHead } from './StandHead';
import { useStandKeys, type StandActions } from './useStandKeys';

function useStandActions(): StandActions {
  const dispatch = useAppDispatch();
  return useMemo(() => {
    const exerciseNow = () => exerciseOf(store.getState().settings);
    const phaseNow = () => store.getState().stand.phase;
    const resting = () => ['idle', 'verdict'].includes(phaseNow());
    const start = () => void runner.startFlow();
    const waiting = () => {
      const { block, goingOn, phase } = store.getState().stand;
      return phase === 'verdict' && (goingOn || block !== null);
    };
    return {
      toggle: () => {
        if (waiting()) runner.goOn();
        else if (resting()) start();
        else runner.stop();
      },
      pause: () => runner.stop(),
      again: () => resting() && !waiting() && start(),
      next: () => {
        if (waiting()) return runner.goOn();
        const { last, phase } = store.getState().stand;
        if (phase === 'verdict' && last) dispatch(exerciseChanged(last.verdict.next.parameters));
        if (resting()) start();
      },
      home: () => {
        const { away } = store.getState().stand;
        const { exercise, instrumentId } = store.getState().settings;
        if (!resting()) return;
        if (waiting()) runner.stop();
        if (away) {
          dispatch(settingsChanged({ exercise: away }));
          dispatch(awayFrom(null));
          dispatch(phaseChanged('idle'));
          return;
        }
        dispatch(awayFrom(exercise));
        dispatch(settingsChanged({ exercise: usualExercise(familyById('homeCheck'), instrumentId) }));
        start();
      },
      full: () =>
        void (document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen()),
      hide: () => dispatch(exerciseChanged({ tunerHidden: !exerciseNow().tunerHidden })),
      click: () => dispatch(settingsChanged({ clickOn: !store.getState().settings.clickOn })),
      reference: () => void runner.reference(),
      free: () => (phaseNow() === 'free' ? runner.stop() : resting() && void runner.listen()),
      tempo: (by) => {
        const tempoBpm = exerciseNow().tempoBpm + by;
        const { min, max } = TEMPO_RANGE_BPM;
        if (resting() && tempoBpm >= min && tempoBpm <= max) dispatch(exerciseChanged({ tempoBpm }));
      },
      note: (by) => {
        const horn = instrumentById(store.getState().settings.instrumentId);
        const exercise = exerciseNow();
        if (!resting() || !('writtenMidi' in exercise)) return;
        if (waiting()) runner.stop();
        const writtenMidi = Number(exercise['writtenMidi']) + by;
        if (writtenMidi < horn.lowestWrittenMidi || writtenMidi > highestNote(horn)) return;
        dispatch(exerciseChanged({ writtenMidi }));
        dispatch(phaseChanged('idle'));
      },
    };
  }, [dispatch]);
}

/** The Stand: one swell at a time, from the count-in to the verdict, or free play. */
export default function StandPage() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { phase, last, away } = useAppSelector((state) => state.stand);
  const tunerHidden = useAppSelector((state) => state.settings.exercise.tunerHidden);
  const actions = useStandActions();
  useStandKeys(actions);
  useEffect(() => () => runner.stop(), []);
  const verdict = phase === 'verdict' && last ? last : null;
  const playing = ['countIn', 'waiting', 'running', 'judging', 'free', 'opening'].includes(phase);
  return (
    <Flex direction="column" height="100%" minHeight={{ base: 'auto', md: 'calc(100dvh - 84px)' }} gap="10px">
      <chakra.h1 srOnly>{t('stand.title')}</chakra.h1>
      <StandHead />
      <BlockBar />
      <ProblemNote onRetry={actions.toggle} />
      <Box flex="1 1 0" minHeight={{ base: '220px', md: '225px' }} position="relative">
        {verdict ? (
          <VerdictPanel takeId={verdict.id} actions={actions} />
        ) : (
          <LiveRibbon live={['countIn', 'waiting', 'running', 'free'].includes(phase)} />
        )}
      </Box>
      <Status />
      <Flex gap="12px" align="center" wrap="wrap" py="6px">
        {!verdict && (
          <Button
            tone="strong"
            onClick={actions.toggle}
            disabled={phase === 'judging' || phase === 'opening'}
            data-testid="start"
          >
            {playing ? t('stand.stop') : t('stand.start')} <Key>{t('stand.startKey')}</Key>
          </Button>
        )}
        {!playing && (
          <>
            <Button onClick={actions.reference}>
              {t('stand.reference')} <Key>N</Key>
            </Button>
            <Button onClick={actions.free}>
              {t('stand.free')} <Key>F</Key>
            </Button>
          </>
        )}
        {!playing && (
          <Button tone="quiet" onClick={actions.home}>
            {away ? t('stand.homeBack', { title: exerciseTitle(t, away, nameOf) }) : t('stand.homeCheck')} <Key>B</Key>
          </Button>
        )}
        {tunerHidden && <chakra.span color="inkSoft">{t('stand.tunerIsHidden')}</chakra.span>}
      </Flex>
      {!playing && <CautionNote />}
      {!playing && !verdict && <ExerciseControls withFamily />}
    </Flex>
  );
}

function Status() {
  const { t } = useTranslation();
  const { phase } = useAppSelector((state) => state.stand);
  const source = useAppSelector((state) => state.settings.source);
  const last = useAppSelector((state) => state.stand.last);
  const text = {
    idle: `${t('stand.begin')}${last === null && source === 'microphone' ? ` ${t('stand.beginOpen')}` : ''}`,
    opening: t('stand.opening'),
    countIn: '',
    waiting: t('stand.waiting'),
    running: '',
    judging: t('stand.judging'),
    verdict: last && last.lostMs > 20 ? t('stand.lost', { ms: last.lostMs }) : '',
    free: t('stand.freeListening'),
  }[phase];
  return (
    <chakra.p role="status" fontSize="1.15rem" minHeight="1.5em">
      {text}
    </chakra.p>
  );
}

function VerdictPanel({ takeId, actions }: { readonly takeId: string; readonly actions: StandActions }) {
  const { t } = useTranslation();
  const take = useAppSelector((state) => state.stand.last)!;
  const goingOn = useAppSelector((state) => state.stand.goingOn);
  const panel = useRef<HTMLElement>(null);
  useEffect(() => panel.current?.focus(), [takeId]);
  const leave = take.verdict.decision === 'leave';
  return (
    <chakra.section ref={panel} tabIndex={-1} outline="none" data-testid="verdict">
      <MiniRibbon take={take} height="132px" />
      <Box mt="14px" maxWidth="62rem">
        <VerdictText take={take} large />
      </Box>
      {goingOn && (
        <chakra.p role="status" mt="12px" fontSize="1.1rem">
          {t('stand.goingOn')}
        </chakra.p>
      )}
      <Flex gap="12px" mt="18px" wrap="wrap" align="center">
        {!leave && take.verdict.next.change !== 'none' && (
          <Button tone="strong" onClick={actions.next}>
            {t('verdict.next')} <Key>→</Key>
          </Button>
        )}
        <Button tone={leave || take.verdict.next.change !== 'none' ? 'plain' : 'strong'} onClick={actions.again}>
          {t('verdict.again')} <Key>R</Key>
        </Button>
        <Link to={`/take/${takeId}`}>{t('verdict.openTake')}</Link>
      </Flex>
    </chakra.section>
  );
}
