import { BEAT_PARTS, isWritable, placeOf, type PhraseNote } from '@inner-hum/core/exercise';
import type { Instrument } from '@inner-hum/core/theory';

/** One part of a score file as a single line of notes. */
export interface ImportedPart {
  readonly name: string;
  /** printed pitch for notation, sounding pitch for MIDI */
  readonly notes: readonly PhraseNote[];
  /** sounding less printed, semitones; undefined when the file does not say */
  readonly transposeSemitones: number | undefined;
}

/** What came of a score file; `detail` says where it fails, for example "measure 3". */
export type ImportedParts =
  | { readonly kind: 'parts'; readonly parts: readonly ImportedPart[] }
  | {
      readonly kind: 'refused';
      readonly reason: 'notRead' | 'noNotes' | 'damaged' | 'tooLarge';
      readonly detail: string;
    };

/** Largest score file that is read, bytes: a page of notes is a few thousand. */
export const LARGEST_SCORE = 50e6;

/** A stretch of sound or silence before it is laid on the beat grid, in quarters. */
export interface TimedNote extends Pick<PhraseNote, 'slurred' | 'dynamic' | 'hairpin'> {
  readonly midi: number | null;
  readonly quarters: number;
}

/** More notes than this are no part that a player could want. */
export const MOST_NOTES = 100_000;
/** Longest single note or rest of a file, quarters. */
export const LONGEST_QUARTERS = 1e5;

/** Whether a number is a MIDI note. */
export function isNote(midi: number): boolean {
  return Number.isInteger(midi) && midi >= 0 && midi <= 127;
}

/** Nearer than this to a place of a triplet it is of one; else it is laid on the quarters of a beat. Twelfths. */
const NEAR_TRIPLET = 0.1;
const LONGEST_BEATS = 16;

/** Notes on the grid of quarter beats and triplets: rests joined, what is shorter than a grid place left out. */
export function onGrid(timed: readonly TimedNote[]): PhraseNote[] {
  const notes: PhraseNote[] = [];
  let place = 0;
  let taken = 0;
  for (const { midi, quarters, ...marks } of timed) {
    place += quarters;
    const to = onTwelfths(BEAT_PARTS * place);
    const beats = placeOf(to) - placeOf(taken);
    if (beats <= 0) continue;
    taken = to;
    const before = notes.at(-1);
    if (midi === null && before?.midi === null)
      notes[notes.length - 1] = { midi, beats: Math.min(LONGEST_BEATS, before.beats + beats) };
    else notes.push({ midi, beats: Math.min(LONGEST_BEATS, beats), ...(midi !== null && marks) });
  }
  while (notes[0]?.midi === null) notes.shift();
  while (notes.at(-1)?.midi === null) notes.pop();
  return notes;
}

/** The place that can be written nearest to one, twelfths of a beat. */
function onTwelfths(place: number): number {
  const near = Math.round(place);
  return isWritable(near) && Math.abs(place - near) < NEAR_TRIPLET ? near : 3 * Math.round(place / 3);
}

/**
 * A part in the written pitch of a horn. A part that says how it transposes keeps its sound, unless it is printed for a
 * horn in the same key: then it is read as printed, in whatever octave. Without that, `asPrinted` decides.
 */
export function forHorn(
  { notes, transposeSemitones }: ImportedPart,
  horn: Instrument,
  asPrinted: boolean,
): PhraseNote[] {
  const own = horn.soundingOffsetSemitones;
  const sameKey = transposeSemitones !== undefined && (transposeSemitones - own) % 12 === 0;
  const by = sameKey || (transposeSemitones === undefined && asPrinted) ? 0 : (transposeSemitones ?? 0) - own;
  // What would lie outside all instruments is a rest.
  return notes.map(({ midi, beats, ...marks }) =>
    midi !== null && isNote(midi + by) ? { midi: midi + by, beats, ...marks } : { midi: null, beats },
  );
}
