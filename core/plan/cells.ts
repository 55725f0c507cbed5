import type { LoudnessBand } from '@inner-hum/core/measure';
import type { Digest, SetupNames } from './digest';
import type { Observation } from './observation';

/** How many of the newest observations a cell keeps. */
export const RECENT = 16;
/** And how many of free play besides, so that those never push out what was asked for. */
const RECENT_FREE = 6;

/** All that is known of a note (fingering and partial) in one third of the ruler on one set-up. */
export interface Cell {
  readonly key: string;
  readonly setup: SetupNames;
  readonly setupKey: string;
  readonly instrumentId: string;
  readonly midi: number;
  readonly fingeredMidi: number;
  readonly partial: number;
  readonly band: LoudnessBand;
  /** starts that spoke as themselves, of how many */
  readonly got: number;
  readonly of: number;
  /** newest observations, oldest first */
  readonly recent: readonly Observation[];
}

/** Which cell an observation on a set-up belongs to. */
function cellKey(setup: string, { fingeredMidi, partial, band }: Observation): string {
  return `${setup} ${fingeredMidi}/${partial} ${band}`;
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

function emptyCell(key: string, { setup, setupKey }: Digest, observation: Observation): Cell {
  const { midi, fingeredMidi, partial, band } = observation;
  const { instrumentId } = setup;
  return { key, setup, setupKey, instrumentId, midi, fingeredMidi, partial, band, got: 0, of: 0, recent: [] };
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
