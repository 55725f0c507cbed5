import { useEffect, useState } from 'react';
import { SoundProblem } from '../input/audioInput';
import { useAppDispatch, useAppSelector } from '../store';
import { problemMet } from '../store/practice';
import { earService } from '../input/ear';
import { hearFreely } from '../practice/freePlay';
import { openInput } from '../practice/liveSound';

/** From under a bass's low B♭ to over a sopranino's high F, Hz. */
const ANY_HORN = { minHz: 48, maxHz: 2800 } as const;

/**
 * Listening without a score, on and off by one button; it ends with the page. Problems go to the store.
 *
 * @param anyHorn whether every horn's notes are heard, not the chosen one's alone
 */
export function useListening(anyHorn = false): { readonly on: boolean; readonly toggle: () => Promise<void> } {
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
      await hearFreely(await openInput(), settings, { range: anyHorn ? ANY_HORN : undefined });
      setOn(true);
    } catch (error) {
      dispatch(problemMet(error instanceof SoundProblem ? error.id : 'failed'));
    }
  };
  return { on, toggle };
}
