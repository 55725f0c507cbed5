import { LOUDNESS_BANDS, type LoudnessBand } from '@inner-hum/core/measure';
import type { Cell } from '../history/cells';
import { estimate, type Estimate } from '../history/estimate';
import type { Observation, Quantity } from '../history/observation';

/** One written note of the map by one way of fingering it, over all set-ups that were asked for. */
export interface NoteOnMap {
  readonly midi: number;
  /** keys that were down, where those are not the regular ones */
  readonly fingering?: string;
  readonly bands: Readonly<Record<LoudnessBand, readonly Observation[]>>;
  readonly all: readonly Observation[];
  readonly got: number;
  readonly of: number;
  readonly newestMs: number;
}

/** The notes of a horn, each as it was last played, lowest first; overtones are on the lattice. */
export function hornMap(cells: Iterable<Cell>): NoteOnMap[] {
  return byFingering(cells).map(([first]) => first!);
}

/** What is known of notes by other fingerings than those of {@link hornMap}, such as from trials; lowest first. */
export function otherFingerings(cells: Iterable<Cell>): NoteOnMap[] {
  return byFingering(cells).flatMap(([, ...others]) => others);
}

/** Each note by each way of fingering it, the one first that was played last; trials count when there is nothing else. */
function byFingering(cells: Iterable<Cell>): NoteOnMap[][] {
  const notes = new Map<number, Map<string, Cell[]>>();
  for (const cell of cells) {
    if (cell.partial !== 1) continue;
    const ways = notes.get(cell.midi) ?? new Map<string, Cell[]>();
    notes.set(cell.midi, ways);
    const way = cell.fingering ?? '';
    ways.set(way, [...(ways.get(way) ?? []), cell]);
  }
  const playedMs = ({ all }: NoteOnMap) => all.findLast((one) => !one.trial)?.atMs ?? -Infinity;
  return [...notes]
    .sort(([a], [b]) => a - b)
    .map(([, ways]) =>
      [...ways.values()].map(noteOf).sort((a, b) => playedMs(b) - playedMs(a) || b.newestMs - a.newestMs),
    );
}

function noteOf(own: readonly Cell[]): NoteOnMap {
  const of = (band: LoudnessBand) => inTime(own.filter((cell) => cell.band === band));
  const bands = { soft: of('soft'), medium: of('medium'), loud: of('loud') };
  const all = inTime(own);
  const { midi, fingering } = own[0]!;
  return {
    midi,
    ...(fingering !== undefined && { fingering }),
    bands,
    all,
    got: own.reduce((sum, cell) => sum + cell.got, 0),
    of: own.reduce((sum, cell) => sum + cell.of, 0),
    newestMs: all.at(-1)?.atMs ?? 0,
  };
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
