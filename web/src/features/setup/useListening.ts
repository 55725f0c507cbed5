import { useEffect, useState } from 'react';
import { SoundProblem } from '../../input/audioInput';
import { useAppDispatch, useAppSelector } from '../../store';
import { problemMet } from '../../store/practice';
import { earService } from '../../input/ear';
import { hearFreely } from '../../practice/freePlay';
import { openInput } from '../../practice/liveSound';

/** Listening without a score, on and off by one button; it ends with the page. Problems go to the store. */
export function useListening(): { readonly on: boolean; readonly toggle: () => Promise<void> } {
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const [on, setOn] = useState(false);
  useEffect(() => {
    if (on) return () => void earService().stop();
    return undefined;
  }, [on]);
  const toggle = async () => {
    if (on) return setOn(false);
    dispatch(problemMet(null));
    try {
      await hearFreely(await openInput(), settings);
      setOn(true);
    } catch (error) {
      dispatch(problemMet(error instanceof SoundProblem ? error.id : 'failed'));
    }
  };
  return { on, toggle };
}
