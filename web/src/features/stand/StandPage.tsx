import { Box, chakra, Flex } from '@chakra-ui/react';
import { highestNote, TEMPO_RANGE_BPM } from '@inner-hum/core/exercise';
import { useEffect, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { isFree } from '@inner-hum/core/families';
import { Button, Key } from '../../ui/controls';
import { ProblemNote } from '../../shared/page/ProblemNote';
import { exerciseTitle } from '../../text/exerciseText';
import { useNoteName } from '../../text/useNoteName';
import { noticed } from '../../store/notices';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { exerciseChanged, exerciseOf, settingsChanged, usualFor } from '../../store/settings';
import {
  awayFrom,
  isBusy,
  isPausing,
  nextExercise,
  verdictLeft,
  stopAsked,
  standLeft,
  goOnAsked,
  type Phase,
} from '../../store/practice';
import { ExerciseControls } from '../../shared/exercise/ExerciseControls';
import { LiveRibbon } from './LiveRibbon';
import { BeforePlaying } from './BeforePlaying';
import { BlockBar } from './BlockBar';
import { CautionNote } from './CautionNote';
import { StandHead } from './StandHead';
import { StandPart } from './StandPart';
import { TargetBar } from './TargetBar';
import { TrialBar } from './TrialBar';
import { useHornStarts } from './useHornStarts';
import { useStandKeys, type StandActions } from './useStandKeys';
import { VerdictPanel } from './VerdictPanel';
import { startFlow, leave } from '../../practice/flow';
import { usePageSound } from '../../practice/usePageSound';
import { soundReference, playFreely } from '../../practice/freePlay';
import { hornNow } from '../../db/settings/horn';
import { Status } from './StandStatus';

/** Ends what is played, and does something as soon as it has ended. */
function whenResting(run: () => void): void {
  const leave = store.subscribe(() => {
    if (isBusy(store.getState().practice)) return;
    leave();
    run();
  });
  store.dispatch(stopAsked());
}

function useStandActions(): StandActions {
  const page = usePageSound();
  const dispatch = useAppDispatch();
  return useMemo(() => {
    const exerciseNow = () => exerciseOf(store.getState().settings);
    const resting = () => !isBusy(store.getState().practice);
    const start = () => {
      // Asked for in answer to a press; refused, the take goes on all the same.
      if (store.getState().settings.fullOnStart && !document.fullscreenElement)
        void document.documentElement.requestFullscreen().catch(() => undefined);
      void startFlow(page);
    };
    const waiting = () => isPausing(store.getState().practice);
    const actions: StandActions = {
      toggle: () => {
        if (waiting()) store.dispatch(goOnAsked());
        else if (resting()) start();
        else store.dispatch(stopAsked());
      },
      pause: () => store.dispatch(stopAsked()),
      leave: () => {
        leave();
        dispatch(noticed({ key: 'stand.left' }));
      },
      again: () => resting() && !waiting() && start(),
      next: () => {
        if (waiting()) return store.dispatch(goOnAsked());
        const { last, phase } = store.getState().practice;
        if (phase === 'verdict' && last && !isFree(last.parameters))
          dispatch(settingsChanged({ exercise: nextExercise(last) }));
        if (resting()) start();
      },
      home: () => {
        const { away, phase } = store.getState().practice;
        const { settings } = store.getState();
        const { exercise } = settings;
        // From the tone that sounds in free play: what was held is kept, then the low note is listened for at once.
        if (phase === 'free') return whenResting(actions.home);
        if (!resting()) return;
        if (waiting()) store.dispatch(stopAsked());
        if (away) {
          dispatch(settingsChanged({ exercise: away }));
          dispatch(awayFrom(null));
          dispatch(verdictLeft());
          return;
        }
        dispatch(awayFrom(exercise));
        dispatch(settingsChanged({ exercise: usualFor(settings, 'homeCheck') }));
        start();
      },
      full: () =>
        void (document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen()),
      hide: () => dispatch(exerciseChanged({ tunerHidden: !exerciseNow().tunerHidden })),
      click: () => dispatch(settingsChanged({ clickOn: !store.getState().settings.clickOn })),
      reference: () => void soundReference(page),
      // The key that starts it also stops it, while it opens too.
      free: () => {
        const { freely, phase } = store.getState().practice;
        if (resting()) void playFreely(page);
        else if (freely && phase !== 'judging') store.dispatch(stopAsked());
      },
      tempo: (by) => {
        const tempoBpm = exerciseNow().tempoBpm + by;
        const { min, max } = TEMPO_RANGE_BPM;
        if (resting() && tempoBpm >= min && tempoBpm <= max) dispatch(exerciseChanged({ tempoBpm }));
      },
      note: (by) => {
        const horn = hornNow(store.getState().settings);
        const exercise = exerciseNow();
        if (!resting() || !('writtenMidi' in exercise)) return;
        if (waiting()) store.dispatch(stopAsked());
        const writtenMidi = Number(exercise['writtenMidi']) + by;
        if (writtenMidi < horn.lowestWrittenMidi || writtenMidi > highestNote(horn)) return;
        dispatch(exerciseChanged({ writtenMidi }));
        dispatch(verdictLeft());
      },
    };
    return actions;
  }, [page, dispatch]);
}

/** The Stand: one swell at a time, from the count-in to the verdict, or free play. */
export default function StandPage() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { phase, last, away } = useAppSelector((state) => state.practice);
  const tunerHidden = useAppSelector((state) => state.settings.exercise.tunerHidden);
  const actions = useStandActions();
  useStandKeys(actions);
  useHornStarts(actions);
  useEffect(() => () => void store.dispatch(standLeft()), []);
  if (isBusy({ phase })) return <InPlay phase={phase} onStop={actions.toggle} />;
  const verdict = phase === 'verdict' && last ? last : null;
  return (
    <Flex direction="column" height="100%" minHeight={{ base: 'auto', lg: 'calc(100dvh - 84px)' }} gap="10px">
      <chakra.h1 srOnly>{t('stand.title')}</chakra.h1>
      {!verdict && <StandHead />}
      <BlockBar />
      <TrialBar onNext={actions.again} />
      <TargetBar />
      <ProblemNote onRetry={actions.toggle} />
      <Box
        flex={verdict ? '1 0 auto' : '1 1 0'}
        minHeight={{ base: '220px', md: '225px' }}
        position="relative"
        display={verdict ? 'flex' : 'block'}
      >
        {verdict ? <VerdictPanel takeId={verdict.id} actions={actions} /> : <LiveRibbon live={false} />}
      </Box>
      <Status />
      <Flex gap="12px" align="center" wrap="wrap" py="6px">
        {!verdict && (
          <Button tone="strong" onClick={actions.toggle} data-testid="start">
            {t('stand.start')} <Key>{t('stand.startKey')}</Key>
          </Button>
        )}
        <Button onClick={actions.reference}>
          {t('stand.reference')} <Key>N</Key>
        </Button>
        <Button onClick={actions.free}>
          {t('stand.free')} <Key>F</Key>
        </Button>
        <Button tone="quiet" onClick={actions.home}>
          {away ? t('stand.homeBack', { title: exerciseTitle(t, away, nameOf) }) : t('stand.homeCheck')} <Key>B</Key>
        </Button>
        <Button tone="quiet" onClick={actions.leave}>
          {t('stand.leave')} <Key>L</Key>
        </Button>
        {tunerHidden && <chakra.span color="inkSoft">{t('stand.tunerIsHidden')}</chakra.span>}
      </Flex>
      {!verdict && <BeforePlaying />}
      <CautionNote />
      {!verdict && <ExerciseControls withFamily />}
    </Flex>
  );
}

/** While something is played: what is being played, large enough for two metres, and one way to stop it. */
function InPlay({ phase, onStop }: { readonly phase: Phase; readonly onStop: () => void }) {
  const { t } = useTranslation();
  const written = phase === 'countIn' || phase === 'running';
  return (
    <Flex direction="column" height="calc(100dvh - 24px)" gap="8px">
      <chakra.h1 srOnly>{t('stand.title')}</chakra.h1>
      <StandHead />
      <Box flex="1 1 0" minHeight={0} data-testid="ribbon">
        <LiveRibbon live={phase !== 'opening' && phase !== 'judging'} />
      </Box>
      <ProblemNote onRetry={onStop} />
      {/* What to mind is said before the tone. */}
      {(phase === 'countIn' || phase === 'waiting') && <CautionNote />}
      <Flex align="center" gap="20px" minHeight={{ base: '84px', md: '120px' }} flex="none">
        <Box flex="1 1 0" minWidth={0}>
          {written && <StandPart running={phase === 'running'} />}
          <Status large />
        </Box>
        <Button
          tone="strong"
          onClick={onStop}
          data-testid="start"
          fontSize={{ base: 'title', md: 'stand' }}
          lineHeight={1.1}
          minHeight={{ base: '64px', md: '88px' }}
          px="28px"
        >
          {t('stand.stop')}
        </Button>
      </Flex>
    </Flex>
  );
}
