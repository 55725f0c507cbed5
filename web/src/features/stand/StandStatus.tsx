import { chakra } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ownExerciseKey } from '@inner-hum/core/families';
import { useDay } from '../../shared/page/useDay';
import { useAppSelector } from '../../store';
import { exerciseOf } from '../../store/settings';
import type { Phase } from '../../store/practice';
import { usePageSound } from '../../practice/usePageSound';

/** Seconds that a phase has lasted, once it has lasted longer than one would wait without a word. */
function useLongWait(phase: string): number {
  const [waited, setWaited] = useState({ phase, seconds: 0 });
  useEffect(() => {
    if (phase !== 'opening' && phase !== 'judging') return undefined;
    const fromMs = performance.now();
    const timer = setInterval(
      () => setWaited({ phase, seconds: Math.round((performance.now() - fromMs) / 1000) }),
      1000,
    );
    return () => clearInterval(timer);
  }, [phase]);
  return waited.phase === phase && waited.seconds >= LONG_WAIT_S ? waited.seconds : 0;
}
const LONG_WAIT_S = 2;

/** Seconds that a first tone is waited for still. */
function useWaitLeft(phase: Phase): number {
  const page = usePageSound();
  const [left, setLeft] = useState(0);
  useEffect(() => {
    if (phase !== 'waiting') return undefined;
    const look = () => {
      const { input, timing } = page;
      if (input && timing?.waitsUntilS !== undefined)
        setLeft(Math.max(0, Math.ceil(timing.waitsUntilS - input.context.currentTime)));
    };
    look();
    const timer = setInterval(look, 250);
    return () => clearInterval(timer);
  }, [page, phase]);
  return left;
}

export function Status({ large = false }: { readonly large?: boolean }) {
  const { t } = useTranslation();
  const { phase, pause } = useAppSelector((state) => state.practice);
  const source = useAppSelector((state) => state.settings.source);
  const last = useAppSelector((state) => state.practice.last);
  const seconds = useLongWait(phase);
  const left = useWaitLeft(phase);
  const text = {
    idle: `${t('stand.begin')}${last === null && source === 'microphone' ? ` ${t('stand.beginOpen')}` : ''}`,
    opening: t(seconds > 0 ? 'stand.openingSlow' : 'stand.opening'),
    countIn: '',
    waiting: t('stand.waiting', { seconds: left }),
    running: '',
    judging: seconds > 0 ? t('stand.judgingSlow', { seconds }) : t('stand.judging'),
    verdict: '',
    free: t('stand.freeListening'),
  }[phase];
  const leftOn = useAppSelector(({ settings }) => settings.left[ownExerciseKey(exerciseOf(settings))]);
  const leftToday = leftOn === useDay();
  return (
    <chakra.p
      role="status"
      fontSize={large ? { base: 'section', md: 'stand' } : 'lead'}
      lineHeight={1.15}
      minHeight={large ? 0 : '1.5em'}
    >
      {pause?.before === 'player' ? t('stand.paused') : phase === 'idle' && leftToday ? t('stand.leftToday') : text}
    </chakra.p>
  );
}
