import { useEffect, useState } from 'react';
import { detailOf } from '../../base/detailOf';
import { store } from '../../store';
import { noticed } from '../../store/notices';
import type { AbPlayer } from './abPlayer';

type Sounds = ConstructorParameters<typeof AbPlayer>;

/**
 * Two sounds in a loop while they are wanted, one of them heard. What plays them comes when it is wanted first; until it is
 * there it can be called off like what sounds.
 *
 * @param wanted what is to be played; undefined while nothing is
 * @param callOff called when it can't be played, which is told: nothing is wanted any more; the same function each time
 */
export function useAbPlayer(wanted: Sounds | undefined, heard: 'a' | 'b', callOff: (none: undefined) => void): void {
  const [player, setPlayer] = useState<AbPlayer>();
  useEffect(() => {
    if (!wanted) return;
    let calledOff = false;
    let fresh: AbPlayer | undefined;
    const begin = async () => {
      const { AbPlayer: TwoSounds } = await import('./abPlayer');
      if (calledOff) return;
      fresh = new TwoSounds(...wanted);
      setPlayer(fresh);
      await fresh.start();
    };
    begin().catch((error: unknown) => {
      // What is closed while its sound wakes fails in that; nobody waits for it any more.
      if (calledOff) return;
      callOff(undefined);
      store.dispatch(noticed({ key: 'app.wentWrong', values: { detail: detailOf(error) } }));
    });
    return () => {
      calledOff = true;
      fresh?.close();
      setPlayer(undefined);
    };
  }, [wanted, callOff]);
  useEffect(() => player?.hear(heard), [player, heard]);
}
