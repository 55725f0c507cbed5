import type { Evidence } from '@inner-hum/core/judge';
import { useCallback, useEffect, useRef } from 'react';
import { detailOf } from '../base/detailOf';
import { wholeTake } from '../db/takes';
import type { Player } from '../practice/playback';
import { store } from '../store';
import { noticed } from '../store/notices';

/** Heard before and after a place, seconds, and at most so much of it. */
const BEFORE_S = 1;
const AFTER_S = 0.3;
const MOST_S = 4;

/** Plays a place of a kept take, from a second before it. What can't be played is told. */
export function useHear(takeId: string): (place: Evidence) => void {
  const player = useRef<Player>(undefined);
  /** the take whose place may sound; none when it is shown no more: nothing sounds over the next take */
  const shown = useRef<string>(undefined);
  useEffect(() => {
    shown.current = takeId;
    return () => {
      shown.current = undefined;
      player.current?.close();
      player.current = undefined;
    };
  }, [takeId]);
  return useCallback(
    ({ fromS, toS }) => {
      const play = async () => {
        if (!player.current) {
          const { Player: SoundPlayer, soundOf } = await import('../practice/playback');
          const whole = await wholeTake(takeId);
          const sound = whole && soundOf(whole);
          if (shown.current !== takeId) return;
          if (!sound) return void store.dispatch(noticed({ key: 'take.noSound' }));
          player.current = new SoundPlayer(sound, () => undefined);
        }
        await player.current.play(Math.max(0, fromS - BEFORE_S), Math.min(toS + AFTER_S, fromS + MOST_S));
      };
      play().catch((error: unknown) =>
        store.dispatch(noticed({ key: 'app.wentWrong', values: { detail: detailOf(error) } })),
      );
    },
    [takeId],
  );
}
