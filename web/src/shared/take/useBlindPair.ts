import { useCallback, useEffect, useRef, useState } from 'react';
import { detailOf } from '../../base/detailOf';
import { wholeTake } from '../../db/takes';
import { asLoudAs, Player, soundOf } from '../../practice/playback';
import { usePageSound } from '../../practice/usePageSound';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';

/**
 * Two takes to be told apart by ear: in an order drawn once, A first, the second as loud as the first. Nothing on the page
 * may tell the order before the choice.
 */
export function useBlindPair(takes: readonly [string, string]) {
  const dispatch = useAppDispatch();
  const { speaker } = usePageSound();
  const [order] = useState(() => (Math.random() < 0.5 ? takes : ([takes[1], takes[0]] as const)));
  const player = useRef<Player>(undefined);
  /** which press is the newest: what was asked for before it, or before the page was left, does not sound any more */
  const newest = useRef(0);
  const stop = useCallback(() => {
    newest.current++;
    player.current?.close();
  }, []);
  useEffect(() => stop, [stop]);
  const hear = async (letter: 0 | 1) => {
    stop();
    const press = newest.current;
    try {
      const [own, other] = await Promise.all([wholeTake(order[letter]), wholeTake(order[1 - letter]!)]);
      if (press !== newest.current) return;
      const [sound, beside] = [own && soundOf(own), other && soundOf(other)];
      if (!sound || !beside) return void dispatch(noticed({ key: 'take.noSound' }));
      player.current = new Player(
        speaker,
        letter === 0 ? sound : asLoudAs(sound, beside, 0, Infinity),
        () => undefined,
      );
      await player.current.play(0);
    } catch (error) {
      dispatch(noticed({ key: 'take.notHeard', values: { detail: detailOf(error) } }));
    }
  };
  return { order, hear, stop };
}
