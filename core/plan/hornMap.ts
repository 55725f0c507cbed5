import { LOUDNESS_BANDS, type LoudnessBand } from '@inner-hum/core/measure';
import type { Cell } from './cells';
import { estimate, type Estimate } from './estimate';
import type { Observation, Quantity } from './observation';

/** One written note of the map, over all set-ups that were asked for. */
export interface NoteOnMap {
  readonly midi: number;
  readonly bands: Readonly<Record<LoudnessBand, readonly Observation[]>>;
  readonly all: readonly Observation[];
  readonly got: number;
  readonly of: number;
  readonly newestMs: number;
}

/** The notes of a horn by their regular fingerings, lowest first; overtones are on the lattice. */
export function hornMap(cells: Iterable<Cell>): NoteOnMap[] {
  const notes = new Map<number, Cell[]>();
  for (const cell of cells) if (cell.partial === 1) notes.set(cell.midi, [...(notes.get(cell.midi) ?? []), cell]);
  return [...notes]
    .sort(([a], [b]) => a - b)
    .map(([midi, own]) => {
      const of = (band: LoudnessBand) => inTime(own.filter((cell) => cell.band === band));
      const bands = { soft: of('soft'), medium: of('medium'), loud: of('loud') };
      const all = inTime(own);
      return {
        midi,
        bands,
        all,
        got: own.reduce((sum, cell) => sum + cell.got, 0),
        of: own.reduce((sum, cell) => sum + cell.of, 0),
        newestMs: all.at(-1)?.atMs ?? 0,
      };
    });
}

/** A quantity of a note: over all loudnesses, or in one band. */
export function ofNote(note: NoteOnMap, quantity: Quantity, band?: LoudnessBand): Estimate {
  return estimate(band ? note.bands[band] : note.all, quantity);
}

/** The same quantity in each band of two notes that have it in both, first less second: the mean, with its error. */
export function difference(
  a: NoteOnMap,
  b: NoteOnMap,
  quantity: Quantity,
): { readonly value: number; readonly uncertainty: number } | undefined {
  let [sum, weights] = [0, 0];
  for (const band of LOUDNESS_BANDS) {
    const [one, other] = [ofNote(a, quantity, band), ofNote(b, quantity, band)];
    if (one.kind === 'unknown' || other.kind === 'unknown') continue;
    const weight = 1 / (one.uncertainty ** 2 + other.uncertainty ** 2);
    sum += weight * (one.value - other.value);
    weights += weight;
  }
  return weights > 0 ? { value: sum / weights, uncertainty: 1 / Math.sqrt(weights) } : undefined;
}

function inTime(cells: readonly Cell[]): Observation[] {
  return cells.flatMap((cell) => cell.recent).sort((a, b) => a.atMs - b.atMs);
}
