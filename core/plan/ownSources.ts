import type { OwnSource } from '@inner-hum/core/exercise';
import { sourceKey } from '@inner-hum/core/theory';
import type { Cell } from './cells';
import { estimate, knownValue } from './estimate';

/** What a player got on each source of the lattice, with the newest try. */
export interface OwnCell extends OwnSource {
  readonly newestMs: number;
}

/** Own success and measured offset of every overtone that was tried, by the name of its source. */
export function ownSources(cells: Iterable<Cell>): Map<string, OwnCell> {
  const sources = new Map<string, Cell[]>();
  for (const cell of cells) {
    if (cell.partial === 1) continue;
    const key = sourceKey({ fingeredMidi: cell.fingeredMidi, partialNumber: cell.partial });
    sources.set(key, [...(sources.get(key) ?? []), cell]);
  }
  const found = new Map<string, OwnCell>();
  for (const [key, own] of sources) {
    const recent = own.flatMap((cell) => cell.recent);
    const offset = knownValue(estimate(recent, 'pitchCentreCents'));
    found.set(key, {
      tries: { got: own.reduce((sum, cell) => sum + cell.got, 0), of: own.reduce((sum, cell) => sum + cell.of, 0) },
      ...(offset !== undefined && { offsetCents: offset }),
      newestMs: Math.max(...recent.map((observation) => observation.atMs)),
    });
  }
  return found;
}
