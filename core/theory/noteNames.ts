/**
 * How notes are called: English C D E F G A B (B♭), German with H and B, fixed do; French and Italian call them do too,
 * and count their octaves one lower: middle C is do3.
 */
export const NOTE_NAME_SYSTEMS = ['english', 'german', 'fixedDo', 'french', 'italian'] as const;
export type NoteNameSystem = (typeof NOTE_NAME_SYSTEMS)[number];

/** `usual` spells as saxophonists name the keys: C♯ E♭ F♯ G♯ B♭. */
export type Spelling = 'usual' | 'sharps' | 'flats';

const USUAL_IS_FLAT = new Set([3, 10]);
const SHARP_STEP = [0, 0, 1, 1, 2, 3, 3, 4, 4, 5, 5, 6] as const;
const FLAT_STEP = [0, 1, 1, 2, 2, 3, 4, 4, 5, 5, 6, 6] as const;
const STEP_SEMITONES = [0, 2, 4, 5, 7, 9, 11] as const;
const ENGLISH = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
const FIXED_DO = ['Do', 'Re', 'Mi', 'Fa', 'Sol', 'La', 'Si'] as const;
const NATURALS = {
  english: ENGLISH,
  fixedDo: FIXED_DO,
  french: ['Do', 'Ré', 'Mi', 'Fa', 'Sol', 'La', 'Si'],
  italian: FIXED_DO,
} as const;
/** By how much the octave of middle C is called less than 4. */
const OCTAVE_LOWER: Readonly<Record<NoteNameSystem, number>> = {
  english: 0,
  german: 0,
  fixedDo: 0,
  french: 1,
  italian: 1,
};
const GERMAN = {
  natural: ['C', 'D', 'E', 'F', 'G', 'A', 'H'],
  sharp: ['Cis', 'Dis', 'Eis', 'Fis', 'Gis', 'Ais', 'His'],
  flat: ['Ces', 'Des', 'Es', 'Fes', 'Ges', 'As', 'B'],
} as const;

export interface SpelledNote {
  /** 0 = C … 6 = B */
  readonly step: number;
  /** −1 flat, 0 natural, +1 sharp */
  readonly alter: -1 | 0 | 1;
  /** scientific octave: C4 is middle C */
  readonly octave: number;
}

/**
 * Staff spelling of a MIDI note.
 * @throws RangeError when the number is not whole
 */
export function spellMidi(midi: number, spelling: Spelling = 'usual'): SpelledNote {
  if (!Number.isInteger(midi)) throw new RangeError(`MIDI note must be a whole number, got ${midi}`);
  const pitchClass = ((midi % 12) + 12) % 12;
  const flat = spelling === 'flats' || (spelling === 'usual' && USUAL_IS_FLAT.has(pitchClass));
  const step = (flat ? FLAT_STEP : SHARP_STEP)[pitchClass]!;
  const alter = (pitchClass - STEP_SEMITONES[step]!) as -1 | 0 | 1;
  return { step, alter, octave: Math.floor(midi / 12) - 1 };
}

/** Name without octave in a naming system: "B♭", "B" (German), "Si♭". */
export function pitchClassName(midi: number, system: NoteNameSystem, spelling: Spelling = 'usual'): string {
  const { step, alter } = spellMidi(midi, spelling);
  if (system === 'german') return GERMAN[alter === 0 ? 'natural' : alter > 0 ? 'sharp' : 'flat'][step]!;
  const sign = alter === 0 ? '' : alter > 0 ? '♯' : '♭';
  return NATURALS[system][step]! + sign;
}

/** Name with the octave as the system counts it: "B♭3", in French "Si♭2". */
export function noteName(midi: number, system: NoteNameSystem, spelling: Spelling = 'usual'): string {
  return pitchClassName(midi, system, spelling) + (spellMidi(midi, spelling).octave - OCTAVE_LOWER[system]);
}

/**
 * MIDI number of a note name in a naming system: "B♭3", "Bb3", "F#5", "Cis4", "Si♭3"; b and # stand for ♭ and ♯. Without
 * an octave it is in the scientific `octave`. Undefined when the name is not understood.
 */
export function parseNoteName(name: string, system: NoteNameSystem, octave = 4): number | undefined {
  const found = /^(\p{L}+?)([♯#♭b]?)(-?\d)?$/u.exec(name.trim());
  if (!found) return undefined;
  const [, word = '', sign = '', digits] = found;
  const scientific = digits === undefined ? octave : Number(digits) + OCTAVE_LOWER[system];
  const base = (scientific + 1) * 12;
  const alter = sign === '' ? 0 : '♯#'.includes(sign) ? 1 : -1;
  const same = (text: string) => text.toLowerCase() === word.toLowerCase();
  if (system === 'german' && sign === '') {
    for (const [list, by] of [
      [GERMAN.natural, 0],
      [GERMAN.sharp, 1],
      [GERMAN.flat, -1],
    ] as const) {
      const step = list.findIndex(same);
      if (step >= 0) return base + STEP_SEMITONES[step]! + by;
    }
    return undefined;
  }
  const names: readonly string[] = system === 'german' ? GERMAN.natural : NATURALS[system];
  const step = names.findIndex((text) => same(text) || same(text.replace('é', 'e')));
  return step < 0 ? undefined : base + STEP_SEMITONES[step]! + alter;
}
