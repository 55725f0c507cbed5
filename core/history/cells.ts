import type { LoudnessBand } from '@inner-hum/core/measure';
import type { Digest, SetupNames } from './digest';
import type { Observation } from './observation';

/** How many of the newest observations a cell keeps. */
export const RECENT = 16;
/** And how many of free play besides, so that those never push out what was asked for. */
const RECENT_FREE = 6;

/** All that is known of a note (its fingering, its partial and the keys for it) in one third of the ruler on one set-up. */
export interface Cell {
  readonly key: string;
  readonly setup: SetupNames;
  readonly setupKey: string;
  readonly instrumentId: string;
  readonly midi: number;
  readonly fingeredMidi: number;
  readonly partial: number;
  /** keys that were down, where those were not the regular ones */
  readonly fingering?: string;
  readonly band: LoudnessBand;
  /** starts that spoke as themselves, of how many */
  readonly got: number;
  readonly of: number;
  /** newest observations, oldest first */
  readonly recent: readonly Observation[];
}

/** Which cell an observation on a set-up belongs to. */
function cellKey(setup: string, { fingeredMidi, partial, band, fingering }: Observation): string {
  return `${setup} ${fingeredMidi}/${partial} ${band}${fingering === undefined ? '' : ` ${fingering}`}`;
}

/** The cells that a take changes, as they are after it. `cellOf` gives what is known so far. */
export function cellsAfter(digest: Digest, cellOf: (key: string) => Cell | undefined): Cell[] {
  const changed = new Map<string, Cell>();
  for (const observation of digest.seen) {
    const key = cellKey(digest.setupKey, observation);
    changed.set(
      key,
      withObservation(changed.get(key) ?? cellOf(key) ?? emptyCell(key, digest, observation), observation),
    );
  }
  return [...changed.values()];
}

/** All cells from all takes, in whatever order: the same as adding the takes one by one. */
export function cellsFrom(digests: Iterable<Digest>): Map<string, Cell> {
  const cells = new Map<string, Cell>();
  for (const digest of digests)
    for (const cell of cellsAfter(digest, (key) => cells.get(key))) cells.set(cell.key, cell);
  return cells;
}

/** A kind of observation: those that were asked for, and those of free play. A cell keeps so many of each. */
export type KindSeen = 'asked' | 'free';
const KEPT: Readonly<Record<KindSeen, number>> = { asked: RECENT, free: RECENT_FREE };
const kindOf = ({ free }: Observation): KindSeen => (free ? 'free' : 'asked');

/** A cell without one of its takes, and of which kinds it may have room now for so many older observations. */
export interface CellWithout {
  readonly cell: Cell;
  readonly room: Readonly<Record<KindSeen, number>>;
}

/** The cells that a take changed, as they are without it. What of them is missing is not told of. */
export function cellsWithout(digest: Digest, cellOf: (key: string) => Cell | undefined): CellWithout[] {
  const byKey = new Map<string, Observation[]>();
  for (const observation of digest.seen) {
    const key = cellKey(digest.setupKey, observation);
    byKey.set(key, [...(byKey.get(key) ?? []), observation]);
  }
  return [...byKey].flatMap(([key, gone]): CellWithout[] => {
    const cell = cellOf(key);
    if (!cell) return [];
    const recent = [...cell.recent];
    const room = { asked: 0, free: 0 };
    const count = (kind: KindSeen) => cell.recent.filter((one) => kindOf(one) === kind).length;
    for (const one of gone) {
      const text = JSON.stringify(one);
      const at = recent.findIndex((other) => other.atMs === one.atMs && JSON.stringify(other) === text);
      if (at < 0) continue;
      recent.splice(at, 1);
      // One that kept no older one out leaves no room.
      if (count(kindOf(one)) === KEPT[kindOf(one)]) room[kindOf(one)]++;
    }
    const tried = gone.filter((one) => one.tried);
    const got = cell.got - tried.filter((one) => one.spoke).length;
    return [{ cell: { ...cell, got, of: cell.of - tried.length, recent }, room }];
  });
}

/**
 * The observations of a cell that a take holds and that are older than those of their kind that the cell keeps, the newest
 * first.
 */
export function olderIn(digest: Digest, { key, recent }: Cell, kind: KindSeen): Observation[] {
  const oldestMs = recent.find((one) => kindOf(one) === kind)?.atMs ?? Infinity;
  return digest.seen
    .filter((one) => kindOf(one) === kind && one.atMs < oldestMs && cellKey(digest.setupKey, one) === key)
    .toReversed();
}

/** A cell that holds older observations as well. */
export function withOlder(cell: Cell, older: readonly Observation[]): Cell {
  return { ...cell, recent: [...cell.recent, ...older].sort((a, b) => a.atMs - b.atMs) };
}

function emptyCell(key: string, { setup, setupKey }: Digest, observation: Observation): Cell {
  const { midi, fingeredMidi, partial, band, fingering } = observation;
  const { instrumentId } = setup;
  const about = { midi, fingeredMidi, partial, ...(fingering !== undefined && { fingering }), band };
  return { key, setup, setupKey, instrumentId, ...about, got: 0, of: 0, recent: [] };
}

function withObservation(cell: Cell, observation: Observation): Cell {
  const after = cell.recent.findLastIndex((other) => other.atMs <= observation.atMs) + 1;
  return {
    ...cell,
    got: cell.got + (observation.tried && observation.spoke ? 1 : 0),
    of: cell.of + (observation.tried ? 1 : 0),
    recent: newest(cell.recent.toSpliced(after, 0, observation)),
  };
}

function newest(observations: readonly Observation[]): Observation[] {
  const kept = new Set([
    ...observations.filter(({ free }) => !free).slice(-RECENT),
    ...observations.filter(({ free }) => free).slice(-RECENT_FREE),
  ]);
  return observations.filter((observation) => kept.has(observation));
}
