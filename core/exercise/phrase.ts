import { noteName, type NoteNameSystem, parseNoteName, type Spelling } from '@inner-hum/core/theory';

/** One note of a phrase in written pitch, or a rest. */
export interface PhraseNote {
  readonly midi: number | null;
  readonly beats: number;
}

const MOST_NOTES = 200;
const BEATS = { min: 0.25, max: 16 };
const REST = /^(r|-)$/i;

/** A text that is no phrase: says which word, from 1, is not understood and why. */
export class PhraseError extends RangeError {
  constructor(
    readonly word: number,
    readonly text: string,
    readonly reason: 'empty' | 'note' | 'beats' | 'tooLong',
  ) {
    super(reason === 'empty' ? 'the phrase has no note' : `word ${word} of the phrase, “${text}”: ${reason}`);
  }
}

/**
 * Notes of a text such as "G4 A4 B♭4:2 r C5:0.5": names with octave, a colon and beats where it is not one, r for a rest.
 * A name without an octave is in the octave of the one before it. Beats are quarters of a beat or multiples of them.
 * @throws PhraseError naming the word that is not understood
 */
export function parsePhrase(text: string, system: NoteNameSystem = 'english'): PhraseNote[] {
  const words = text.split(/[\s,|]+/).filter((word) => word !== '');
  if (words.length > MOST_NOTES) throw new PhraseError(MOST_NOTES + 1, words[MOST_NOTES]!, 'tooLong');
  let octave = 4;
  const notes = words.map((word, i): PhraseNote => {
    const [name = '', length = '1', ...more] = word.split(':');
    const beats = Number(length);
    if (more.length > 0 || !(beats >= BEATS.min && beats <= BEATS.max) || !Number.isInteger(4 * beats))
      throw new PhraseError(i + 1, word, 'beats');
    if (REST.test(name)) return { midi: null, beats };
    const midi = parseNoteName(name, system, octave);
    if (midi === undefined) throw new PhraseError(i + 1, word, 'note');
    octave = Math.floor(midi / 12) - 1;
    return { midi, beats };
  });
  if (!notes.some((note) => note.midi !== null)) throw new PhraseError(0, '', 'empty');
  return notes;
}

/** Whether a text is a phrase with a note in it. */
export function isPhrase(text: string): boolean {
  try {
    return parsePhrase(text).length > 0;
  } catch {
    return false;
  }
}

/** The text of a phrase, as {@link parsePhrase} reads it. */
export function phraseText(
  notes: readonly PhraseNote[],
  system: NoteNameSystem = 'english',
  spelling: Spelling = 'usual',
): string {
  return notes
    .map(({ midi, beats }) => {
      const name = midi === null ? 'r' : noteName(midi, system, spelling);
      return beats === 1 ? name : `${name}:${beats}`;
    })
    .join(' ');
}
