import type { OwnSource } from '@inner-hum/core/exercise';
import { sourceKey } from '@inner-hum/core/theory';
import type { Cell } from '../history/cells';
import { estimate, knownValue } from '../history/estimate';

/** So many of the newest tries tell what a player gets on a source. */
const LAST_TRIES = 12;

/** What a player got on a source of the lattice in the last tries, with the newest. */
export interface OwnCell extends OwnSource {
  /** of the last tries, how many were right */
  readonly tries: { readonly got: number; readonly of: number };
  /** whether the newer half of them went better than the older */
  readonly growing: boolean;
  readonly newestMs: number;
}

/** Success in the last tries and measured offset of every overtone that was tried, by the name of its source. */
export function ownSources(cells: Iterable<Cell>): Map<string, OwnCell> {
  const sources = new Map<string, Cell[]>();
  for (const cell of cells) {
    if (cell.partial === 1) continue;
    const key = sourceKey({ fingeredMidi: cell.fingeredMidi, partialNumber: cell.partial });
    sources.set(key, [...(sources.get(key) ?? []), cell]);
  }
  const found = new Map<string, OwnCell>();
  for (const [key, own] of sources) {
    const recent = own.flatMap((cell) => cell.recent).sort((a, b) => a.atMs - b.atMs);
    const offset = knownValue(estimate(recent, 'pitchCentreCents'));
    const tries = recent.filter(({ tried }) => tried).slice(-LAST_TRIES);
    const right = (part: typeof tries) => part.filter(({ spoke }) => spoke).length;
    const half = Math.floor(tries.length / 2);
    found.set(key, {
      tries: { got: right(tries), of: tries.length },
      growing: half > 0 && right(tries.slice(-half)) > right(tries.slice(0, half)),
      ...(offset !== undefined && { offsetCents: offset }),
      newestMs: Math.max(...recent.map((observation) => observation.atMs)),
    });
  }
  return found;
}
