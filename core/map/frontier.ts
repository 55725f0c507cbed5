import type { Level, PlayerNow } from '@inner-hum/core/families';
import { lattice, sourceKey, type Instrument } from '@inner-hum/core/theory';
import type { OwnCell } from './ownSources';

/** Written B♭3 to C♯4: the tubes that overtones are learnt on. */
const TUBES_MIDI = [58, 59, 60, 61] as const;
/** Most partials that are asked of a level. */
const MOST_PARTIALS: Readonly<Record<Level, number>> = { new: 3, home: 5, advanced: 8 };
/** An overtone is learnt on a tube when so large a share of at least so many of its last tries was right. */
const LEARNT = { share: 8 / 12, tries: 6 } as const;
/** A partial is learnt when it is on so many tubes: the rest come by themselves. */
const TUBES = 2;
/** The partial that must be learnt before anything altissimo is asked for. */
const BEFORE_ALTISSIMO = 4;

/** Most partials that are asked of a level. */
export const mostPartials = (level: Level): number => MOST_PARTIALS[level];

/** On which tubes a partial is learnt, by its last twelve tries. */
function learntTubes(sources: ReadonlyMap<string, OwnCell>, partial: number): number[] {
  return TUBES_MIDI.filter((fingeredMidi) => {
    const tries = sources.get(sourceKey({ fingeredMidi, partialNumber: partial }))?.tries;
    return tries !== undefined && tries.of >= LEARNT.tries && tries.got >= LEARNT.share * tries.of;
  });
}

/** The highest partial that is learnt on two tubes, with all under it; 1 for none. */
export function learntUpTo(sources: ReadonlyMap<string, OwnCell>): number {
  let partial = 1;
  while (learntTubes(sources, partial + 1).length >= TUBES) partial++;
  return partial;
}

/** Whether the overtones are there that altissimo grows from: partial 4 right in 8 of its last 12 tries on two tubes. */
export function altissimoReady(sources: ReadonlyMap<string, OwnCell>): boolean {
  return learntTubes(sources, BEFORE_ALTISSIMO).length >= TUBES;
}

/** The octave-key fingering whose twelfth speaks least of those that are not learnt; undefined where none was tried enough. */
export function stubbornTwelfth(sources: ReadonlyMap<string, OwnCell>, horn: Instrument): number | undefined {
  const tried = lattice(horn).flatMap(({ octaveKey, fingeredMidi, partialNumber }) => {
    const tries = octaveKey ? sources.get(sourceKey({ fingeredMidi, partialNumber }))?.tries : undefined;
    const fails = tries && tries.of >= LEARNT.tries && tries.got < LEARNT.share * tries.of;
    return fails ? [{ fingeredMidi, share: tries.got / tries.of }] : [];
  });
  return tried.sort((a, b) => a.share - b.share)[0]?.fingeredMidi;
}

/**
 * The overtone that a player learns next: partial 2 until it is learnt on two tubes, then 3, then 4 …, each on the lowest
 * tube where it is not yet; the last partial of the level where all are.
 *
 * @param sources the player's own tries by `sourceKey`
 * @param elsewhere the highest partial that is learnt on another horn: it is tried here first, what lies under it is taken as learnt
 */
export function frontier(
  sources: ReadonlyMap<string, OwnCell>,
  level: Level,
  horn: Instrument,
  elsewhere = 1,
): PlayerNow['frontier'] {
  const most = MOST_PARTIALS[level];
  const tubes = TUBES_MIDI.filter((tubeMidi) => tubeMidi >= horn.lowestWrittenMidi);
  for (let partial = Math.max(2, Math.min(elsewhere, most)); partial <= most; partial++) {
    const learnt = learntTubes(sources, partial);
    if (learnt.length < TUBES) return { tubeMidi: tubes.find((tube) => !learnt.includes(tube))!, partial };
  }
  return { tubeMidi: tubes[0]!, partial: most };
}
