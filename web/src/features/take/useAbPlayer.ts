import { useEffect, useState } from 'react';
import type { AbPlayer } from './abPlayer';

type Sounds = ConstructorParameters<typeof AbPlayer>;

/**
 * Two sounds in a loop while they are wanted, one of them heard. What plays them comes when it is wanted first; until it is
 * there it can be called off like what sounds.
 *
 * @param wanted what is to be played; undefined while nothing is
 */
export function useAbPlayer(wanted: Sounds | undefined, heard: 'a' | 'b'): void {
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
    void begin();
    return () => {
      calledOff = true;
      fresh?.close();
      setPlayer(undefined);
    };
  }, [wanted]);
  useEffect(() => player?.hear(heard), [player, heard]);
}
