import type { Level, PlayerNow } from '@inner-hum/core/families';
import { sourceKey, type Instrument } from '@inner-hum/core/theory';
import type { OwnCell } from './ownSources';

/** Written B♭3 to C♯4: the tubes that overtones are learnt on. */
const FIRST_TUBE_MIDI = 58;
const LAST_TUBE_MIDI = 61;
/** Most partials that are asked of a level. */
const MOST_PARTIALS: Readonly<Record<Level, number>> = { new: 3, home: 5, advanced: 8 };
/** An overtone is learnt when so many of at least so many tries were right. */
const LEARNT = { share: 0.65, tries: 4 } as const;

/**
 * The overtone that a player learns next: partial 2 on the four lowest tubes, then 3, then 4 …: the first that was not
 * right in most of its last tries, and the last of all where every one was.
 *
 * @param sources the player's own tries by `sourceKey`
 */
export function frontier(sources: ReadonlyMap<string, OwnCell>, level: Level, horn: Instrument): PlayerNow['frontier'] {
  const most = MOST_PARTIALS[level];
  for (let partial = 2; partial <= most; partial++)
    for (let tubeMidi = FIRST_TUBE_MIDI; tubeMidi <= LAST_TUBE_MIDI; tubeMidi++) {
      const tries = sources.get(sourceKey({ fingeredMidi: tubeMidi, partialNumber: partial }))?.tries;
      const learnt = tries && tries.of >= LEARNT.tries && tries.got / tries.of >= LEARNT.share;
      if (tubeMidi >= horn.lowestWrittenMidi && !learnt) return { tubeMidi, partial };
    }
  return { tubeMidi: FIRST_TUBE_MIDI, partial: most };
}
