import {
  DYNAMICS,
  noteName,
  parseNoteName,
  type Dynamic,
  type NoteNameSystem,
  type Spelling,
} from '@inner-hum/core/theory';

/** One note of a phrase in written pitch, or a rest. */
export interface PhraseNote {
  readonly midi: number | null;
  readonly beats: number;
  /** bound to the note before it */
  readonly slurred?: boolean;
  /** started with air alone, not with the tongue */
  readonly air?: boolean;
  /** written at its start */
  readonly dynamic?: Dynamic;
  /** begins here and goes to the next dynamic that is written */
  readonly hairpin?: '<' | '>';
}

const MOST_NOTES = 200;
const BEATS = { min: 0.25, max: 16 };
const REST = /^(r|-)$/i;
/** What stands in brackets before a note. */
const MARK = /^\[([^\]]*)\]$/;

/** A text that is no phrase: says which word, from 1, is not understood and why. */
export class PhraseError extends RangeError {
  constructor(
    readonly word: number,
    readonly text: string,
    readonly reason: 'empty' | 'note' | 'beats' | 'tooLong' | 'mark',
  ) {
    super(reason === 'empty' ? 'the phrase has no note' : `word ${word} of the phrase, “${text}”: ${reason}`);
  }
}

/**
 * Notes of a text such as "G4 A4 B♭4:2 r C5:0.5": names with octave, a colon and beats where it is not one, r for a rest.
 * A name without an octave is in the octave of the one before it. Beats are quarters of a beat or multiples of them.
 * What is in parentheses is slurred; before a note may stand its dynamic, a hairpin to the next one, and how it starts:
 * "[p] [<] (G4 A4 [f] B4) [air] G4:2".
 * @throws PhraseError naming the word that is not understood
 */
export function parsePhrase(text: string, system: NoteNameSystem = 'english'): PhraseNote[] {
  const words = text.split(/[\s,|]+/).filter((word) => word !== '');
  if (words.length > MOST_NOTES) throw new PhraseError(MOST_NOTES + 1, words[MOST_NOTES]!, 'tooLong');
  let octave = 4;
  let marks: Pick<PhraseNote, 'air' | 'dynamic' | 'hairpin'> = {};
  /** within parentheses: before the first note of them, or after it */
  let slur: 'none' | 'begins' | 'on' = 'none';
  const notes = words.flatMap((written, i): PhraseNote[] => {
    const mark = MARK.exec(written)?.[1];
    if (mark !== undefined) {
      marks = { ...marks, ...markOf(mark, i + 1, written) };
      return [];
    }
    const word = written.replace(/^\(|\)$/g, '');
    if (written.startsWith('(')) slur = 'begins';
    const [name = '', length = '1', ...more] = word.split(':');
    const beats = Number(length);
    if (more.length > 0 || !(beats >= BEATS.min && beats <= BEATS.max) || !Number.isInteger(4 * beats))
      throw new PhraseError(i + 1, word, 'beats');
    if (REST.test(name)) return [{ midi: null, beats }];
    const midi = parseNoteName(name, system, octave);
    if (midi === undefined) throw new PhraseError(i + 1, word, 'note');
    octave = Math.floor(midi / 12) - 1;
    const note = { midi, beats, ...(slur === 'on' && { slurred: true }), ...marks };
    marks = {};
    slur = slur === 'none' || written.endsWith(')') ? 'none' : 'on';
    return [note];
  });
  if (!notes.some((note) => note.midi !== null)) throw new PhraseError(0, '', 'empty');
  return notes;
}

function markOf(mark: string, place: number, word: string): Pick<PhraseNote, 'air' | 'dynamic' | 'hairpin'> {
  if (mark === 'air') return { air: true };
  if (mark === '<' || mark === '>') return { hairpin: mark };
  const dynamic = DYNAMICS.find((one) => one === mark);
  if (!dynamic) throw new PhraseError(place, word, 'mark');
  return { dynamic };
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
    .map(({ midi, beats, slurred, air, dynamic, hairpin }, i) => {
      const name = midi === null ? 'r' : noteName(midi, system, spelling);
      const marks = [dynamic, hairpin, air && 'air'].flatMap((mark) => (mark ? [`[${mark}]`] : []));
      const goesOn = notes[i + 1]?.slurred === true;
      const word = `${goesOn && !slurred ? '(' : ''}${name}${beats === 1 ? '' : `:${beats}`}${slurred && !goesOn ? ')' : ''}`;
      return [...marks, word].join(' ');
    })
    .join(' ');
}
