import type { Evidence } from '@inner-hum/core/judge';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { detailOf } from '../base/detailOf';
import { wholeTake } from '../db/takes';
import type { Player } from '../practice/playback';
import { store } from '../store';
import { noticed } from '../store/notices';

/** Heard before and after a place, seconds, and at most so much of it. */
const BEFORE_S = 1;
const AFTER_S = 0.3;
const MOST_S = 4;

export interface Hearing {
  /** a place of the take as it was played, from a second before it */
  readonly hear: (place: Evidence) => void;
  /** all of the take, evened */
  readonly hearEvened: () => void;
}

/** Plays from a kept take. What can't be played is told. */
export function useHear(takeId: string): Hearing {
  const players = useRef(new Map<'played' | 'evened', Player>());
  /** the take whose place may sound; none when it is shown no more: nothing sounds over the next take */
  const shown = useRef<string>(undefined);
  useEffect(() => {
    shown.current = takeId;
    const own = players.current;
    return () => {
      shown.current = undefined;
      for (const player of own.values()) player.close();
      own.clear();
    };
  }, [takeId]);
  const play = useCallback(
    async (kind: 'played' | 'evened', fromS: number, toS: number) => {
      for (const player of players.current.values()) player.pause();
      if (!players.current.has(kind)) {
        const { Player: SoundPlayer, soundOf } = await import('../practice/playback');
        const { evenedSound } = await import('../practice/evened');
        const whole = await wholeTake(takeId);
        const sound = whole && (kind === 'played' ? soundOf(whole) : await evenedSound(whole, 'kept'));
        if (shown.current !== takeId) return;
        if (!sound) return void store.dispatch(noticed({ key: 'take.noSound' }));
        // Pressed twice while it was made, it sounds once.
        if (!players.current.has(kind)) players.current.set(kind, new SoundPlayer(sound, () => undefined));
      }
      await players.current.get(kind)!.play(fromS, toS);
    },
    [takeId],
  );
  return useMemo(() => {
    const told = (playing: Promise<void>) =>
      playing.catch(
        (error: unknown) => void store.dispatch(noticed({ key: 'take.notHeard', values: { detail: detailOf(error) } })),
      );
    return {
      hear: ({ fromS, toS }) =>
        void told(play('played', Math.max(0, fromS - BEFORE_S), Math.min(toS + AFTER_S, fromS + MOST_S))),
      hearEvened: () => void told(play('evened', 0, Infinity)),
    };
  }, [play]);
}
