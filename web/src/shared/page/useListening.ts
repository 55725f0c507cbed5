import { useEffect, useRef, useState } from 'react';
import type { Recording } from '../../input/recording';
import { useAppDispatch, useAppSelector } from '../../store';
import { problemMet } from '../../store/practice';
import { hearFreely } from '../../practice/freePlay';
import type { SoundHold } from '../../practice/pageSound';
import { usePageSound } from '../../practice/usePageSound';
import { problemOf } from '../../practice/problemOf';

/** From under a bass's low B♭ to over a sopranino's high F, Hz. */
const ANY_HORN = { minHz: 48, maxHz: 2800 } as const;

export interface Listening {
  /** what is listened to; undefined while nothing is */
  readonly recording: Recording | undefined;
  readonly on: boolean;
  readonly toggle: () => Promise<void>;
}

/**
 * Listening without a score, on and off by one button; it ends with the page. Problems go to the store.
 *
 * @param anyHorn whether every horn's notes are heard, not the chosen one's alone
 */
export function useListening(anyHorn = false): Listening {
  const page = usePageSound();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const [recording, setRecording] = useState<Recording>();
  const hold = useRef<SoundHold>(undefined);
  const left = useRef(false);
  useEffect(() => () => void (left.current = true), []);
  useEffect(() => {
    if (!recording) return undefined;
    return () => {
      void recording.stop().catch(() => undefined); // an ear that has ended needs no stop
      hold.current?.release();
    };
  }, [recording]);
  const toggle = async () => {
    if (recording) return setRecording(undefined);
    dispatch(problemMet(null));
    const fresh = page.hold();
    try {
      const heard = await hearFreely(page, await fresh.open(), settings, { range: anyHorn ? ANY_HORN : undefined });
      if (left.current) {
        await heard.recording.stop();
        return fresh.release();
      }
      hold.current = fresh;
      setRecording(heard.recording);
    } catch (error) {
      fresh.release();
      if (!left.current) dispatch(problemMet(problemOf(error)));
    }
  };
  return { recording, on: recording !== undefined, toggle };
}
