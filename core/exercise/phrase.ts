import {
  DYNAMICS,
  noteName,
  overtoneOf,
  parseNoteName,
  type Dynamic,
  type NoteNameSystem,
  type Spelling,
} from '@inner-hum/core/theory';
import { isOfTriplet, isWritable, placeOf, twelfthsOf } from './grid';
import { VOWELS, type GapKind, type Vowel } from './score';

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
  /** sounds as an overtone of this written note, which is fingered */
  readonly fingeredMidi?: number;
  /** goes this far down and back by voicing alone, cents */
  readonly bendCents?: number;
  /** hummed or sung, not played */
  readonly hum?: boolean;
  readonly subtone?: boolean;
  /** vowels to think of, spread evenly over the note */
  readonly vowels?: readonly Vowel[];
  /** of a rest: what is done in it; a breath is taken where nothing is said */
  readonly gap?: Exclude<GapKind, 'breath'>;
}

type Marks = Omit<PhraseNote, 'midi' | 'beats' | 'slurred'>;

/** What may be asked of a rest, by what stands before it. */
const GAP_MARKS = ['silence', 'rest', 'air', 'hear', 'open'] as const satisfies readonly GapKind[];
const USUAL_BEND_CENTS = 50;
const BEND = { pattern: /^bend(?::(\d+))?$/, min: 10, max: 300 };

const MOST_NOTES = 200;
const BEATS = { min: 1 / 6, max: 16 };
/** Beats as they are typed: 2, 0.5, or a fraction, 1/3. */
const LENGTH = /^(\d+(?:\.\d+)?)(?:\/(\d+))?$/;
const REST = /^(r|-)$/i;
/** What stands in brackets before a note. */
const MARK = /^\[([^\]]*)\]$/;

/** A text that is no phrase: says which word, from 1, is not understood and why. */
export class PhraseError extends RangeError {
  constructor(
    readonly word: number,
    readonly text: string,
    readonly reason: 'empty' | 'note' | 'beats' | 'tooLong' | 'mark' | 'source',
  ) {
    super(reason === 'empty' ? 'the phrase has no note' : `word ${word} of the phrase, “${text}”: ${reason}`);
  }
}

/**
 * Notes of a text such as "G4 A4 B♭4:2 r C5:0.5": names with octave, a colon and beats where it is not one, r for a rest.
 * A name without an octave is in the octave of the one before it. Beats are quarters of a beat or multiples of
 * them, or of triplets, as fractions: ":1/3", ":2/3", ":1/6".
 * What is in parentheses is slurred; before a note may stand its dynamic, a hairpin to the next one, and how it starts:
 * "[p] [<] (G4 A4 [f] B4) [air] G4:2"; a rest ends a slur. Other marks of a note: what is fingered where it is an overtone, "[B♭3] F5"; a bend
 * in cents, "[bend:50]"; "[sub]" for a subtone, "[hum]", vowels, "[ee-oo]". Of a rest: "[silence] r" with the air kept,
 * "[rest] r" with the embouchure set, "[air] r" with air through the horn, "[hear] r" to hear the next note inwardly, "[open] r" to play what one likes.
 * @throws PhraseError naming the word that is not understood
 */
export function parsePhrase(text: string, system: NoteNameSystem = 'english'): PhraseNote[] {
  const words = text.split(/[\s,|]+/).filter((word) => word !== '');
  if (words.length > MOST_NOTES) throw new PhraseError(MOST_NOTES + 1, words[MOST_NOTES]!, 'tooLong');
  let octave = 4;
  let marks: Marks = {};
  /** within parentheses: before the first note of them, or after it */
  let slur: 'none' | 'begins' | 'on' = 'none';
  let atTwelfths = 0;
  const notes = words.flatMap((written, i): PhraseNote[] => {
    const mark = MARK.exec(written)?.[1];
    if (mark !== undefined) {
      marks = { ...marks, ...markOf(mark, system, new PhraseError(i + 1, written, 'mark')) };
      return [];
    }
    const word = written.replace(/^\(|\)$/g, '');
    if (written.startsWith('(')) slur = 'begins';
    const [name = '', length = '1', ...more] = word.split(':');
    const twelfths = more.length > 0 ? undefined : lengthOf(length);
    if (twelfths === undefined) throw new PhraseError(i + 1, word, 'beats');
    const beats = placeOf(atTwelfths + twelfths) - placeOf(atTwelfths);
    atTwelfths += twelfths;
    if (REST.test(name)) {
      const { air, gap = air ? 'air' : undefined, ...ofTheNext } = marks;
      marks = ofTheNext;
      // What sounds after a rest begins anew: the slur ends before it, and another may begin after it.
      slur = slur === 'none' || written.endsWith(')') ? 'none' : 'begins';
      return [{ midi: null, beats, ...(gap && { gap }) }];
    }
    const midi = parseNoteName(name, system, octave);
    if (midi === undefined) throw new PhraseError(i + 1, word, 'note');
    if (marks.gap) throw new PhraseError(i + 1, word, 'mark');
    if (marks.fingeredMidi !== undefined && !overtoneOf(marks.fingeredMidi, midi))
      throw new PhraseError(i + 1, word, 'source');
    octave = Math.floor(midi / 12) - 1;
    const note = { midi, beats, ...(slur === 'on' && { slurred: true }), ...marks };
    marks = {};
    slur = slur === 'none' || written.endsWith(')') ? 'none' : 'on';
    return [note];
  });
  if (!notes.some((note) => note.midi !== null)) throw new PhraseError(0, '', 'empty');
  return notes;
}

/** The twelfths of a beat of a length as it is typed; undefined where it can't be written. */
function lengthOf(text: string): number | undefined {
  const [, whole, parts = '1'] = LENGTH.exec(text) ?? [];
  const beats = Number(whole) / Number(parts);
  const twelfths = twelfthsOf(beats);
  const isIt =
    beats >= BEATS.min && beats <= BEATS.max && isWritable(twelfths) && Math.abs(placeOf(twelfths) - beats) < 1e-3;
  return isIt ? twelfths : undefined;
}

/** A length as it is typed: thirds and sixths of a beat as fractions. */
function lengthText(beats: number): string {
  const twelfths = twelfthsOf(beats);
  if (!isOfTriplet(twelfths)) return String(beats);
  return twelfths % 4 === 0 ? `${twelfths / 4}/3` : `${twelfths / 2}/6`;
}

/** @throws the error given when a mark is none */
function markOf(mark: string, system: NoteNameSystem, error: PhraseError): Marks {
  if (mark === 'air') return { air: true };
  if (mark === '<' || mark === '>') return { hairpin: mark };
  if (mark === 'sub') return { subtone: true };
  if (mark === 'hum') return { hum: true };
  const dynamic = DYNAMICS.find((one) => one === mark);
  if (dynamic) return { dynamic };
  const gap = GAP_MARKS.find((one) => one === mark);
  if (gap) return { gap };
  const bend = BEND.pattern.exec(mark);
  if (bend) {
    const bendCents = Number(bend[1] ?? USUAL_BEND_CENTS);
    if (bendCents < BEND.min || bendCents > BEND.max) throw error;
    return { bendCents };
  }
  const vowels = mark.split('-').map((name) => VOWELS.find((vowel) => vowel === name));
  if (vowels.length > 1 && vowels.every((vowel) => vowel !== undefined)) return { vowels };
  const fingeredMidi = parseNoteName(mark, system);
  if (fingeredMidi === undefined) throw error;
  return { fingeredMidi };
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
    .map((note, i) => {
      const { midi, beats, slurred } = note;
      const name = midi === null ? 'r' : noteName(midi, system, spelling);
      const marks = marksOf(note, system, spelling).map((mark) => `[${mark}]`);
      const goesOn = notes[i + 1]?.slurred === true;
      const word = `${goesOn && !slurred ? '(' : ''}${name}${beats === 1 ? '' : `:${lengthText(beats)}`}${slurred && !goesOn ? ')' : ''}`;
      return [...marks, word].join(' ');
    })
    .join(' ');
}

function marksOf(note: PhraseNote, system: NoteNameSystem, spelling: Spelling): string[] {
  const { dynamic, hairpin, air, fingeredMidi, bendCents, hum, subtone, vowels, gap } = note;
  return [
    dynamic,
    hairpin,
    air && 'air',
    gap,
    fingeredMidi !== undefined && noteName(fingeredMidi, system, spelling),
    bendCents && `bend:${bendCents}`,
    hum && 'hum',
    subtone && 'sub',
    vowels?.join('-'),
  ].flatMap((mark) => mark || []);
}
