import { isFree } from '@inner-hum/core/families';
import { useEffect } from 'react';
import { untilPlayed } from '../../practice/hornStarts';
import { usePageSound } from '../../practice/usePageSound';
import { useAppSelector } from '../../store';
import { nextExercise } from '../../store/practice';
import { exerciseOf } from '../../store/settings';
import type { StandActions } from './useStandKeys';

/** Where the player wants it so, the note played again after a verdict starts what comes next, or the same again. */
export function useHornStarts({ next, again }: Pick<StandActions, 'next' | 'again'>): void {
  const page = usePageSound();
  const wanted = useAppSelector(({ settings }) => settings.hornGoesOn && settings.source === 'microphone');
  const last = useAppSelector(({ practice }) => (practice.phase === 'verdict' ? practice.last : null));
  const now = useAppSelector(({ settings }) => exerciseOf(settings));
  const following = useAppSelector(({ practice }) => practice.block?.next);
  useEffect(() => {
    // After free play nothing comes next.
    if (!wanted || !last || isFree(last.parameters)) return undefined;
    const stop = new AbortController();
    const ways = [following ?? nextExercise(last), now];
    void untilPlayed(page, ways, stop.signal).then((at) => {
      if (at === undefined || stop.signal.aborted) return;
      if (at === 0) next();
      else again();
    });
    return () => stop.abort();
  }, [page, wanted, last, now, following, next, again]);
}
