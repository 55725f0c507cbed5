import { spellMidi, type Spelling } from '@inner-hum/core/theory';
import { isOfTriplet, twelfthsOf } from './grid';
import { gapsAfter, notated, type Gap, type GapKind, type Score, type Step } from './score';

const BARS_IN_A_LINE = 4;
const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
const ACCIDENTALS: Readonly<Record<number, string>> = { [-1]: '_', 0: '', 1: '^' };

/** What stands over a part in words, in the reader's own language; a breath goes without. */
export interface PartWords {
  /** over the step at a place of the score: how it starts, what is done with it */
  readonly step: (index: number) => string | undefined;
  readonly gap: (kind: GapKind) => string | undefined;
}
const NO_WORDS: PartWords = { step: () => undefined, gap: () => undefined };

/** A stretch of a score on one side of the bar lines: a tone, or a rest where there is no step. */
interface Piece {
  readonly beat: number;
  readonly beats: number;
  readonly step: Step | undefined;
  readonly gap?: Gap | undefined;
  readonly first: boolean;
  readonly last: boolean;
}

/**
 * The written part of a score in ABC notation: a beat is a quarter, long tones are tied over the bar lines, with slurs,
 * rests, words, a breath mark where a breath follows a tone, and crosses for air without a tone. Dynamics are not in it:
 * they have a line of their own. Beats down to quarters of one, and triplets.
 * Source of the syntax: the ABC standard 2.1, abcnotation.com.
 */
export function scoreToAbc(played: Score, spelling: Spelling = 'usual', words: PartWords = NO_WORDS): string {
  const score = notated(played);
  const bar = score.beatsPerBar;
  const pieces = piecesOf(score);
  let text = '';
  let altered = new Map<string, number>();
  /** up to which piece a triplet goes */
  let tripletTo = -1;
  pieces.forEach((piece, i) => {
    if (piece.beat % bar === 0) altered = new Map();
    if (i > tripletTo && isOfTriplet(twelfthsOf(piece.beats))) {
      tripletTo = tripletEnd(pieces, i);
      text += `(3:2:${tripletTo - i + 1}`;
    }
    const written = { ...piece, beats: i <= tripletTo ? (3 * piece.beats) / 2 : piece.beats };
    text += piece.step
      ? tone(written, piece.step, score, spelling, altered, words)
      : gap(written, score, spelling, words);
    const end = piece.beat + piece.beats;
    if (end % bar === 0) text += (end / bar) % BARS_IN_A_LINE === 0 && i < pieces.length - 1 ? '|\n' : '|';
    // Within a beat short notes are beamed.
    else if (Number.isInteger(end)) text += ' ';
  });
  const head = ['X:1', `M:${bar}/4`, 'L:1/4', `Q:1/4=${score.tempoBpm}`, 'K:C clef=treble'];
  return [...head, text.trimEnd().replace(/\|?$/, '|]')].join('\n');
}

/** The last piece of a triplet that begins with one: the first that ends on a quarter of a beat again. */
function tripletEnd(pieces: readonly Piece[], from: number): number {
  let twelfths = 0;
  const end = pieces.findIndex((piece, i) => i >= from && !isOfTriplet((twelfths += twelfthsOf(piece.beats))));
  return end < 0 ? pieces.length - 1 : end;
}

function piecesOf(score: Score): Piece[] {
  const pieces: Piece[] = [];
  let beat = 0;
  const add = (from: number, to: number, step: Step | undefined, gap?: Gap) => {
    for (let at = from; at < to;) {
      const bar = (Math.floor(at / score.beatsPerBar) + 1) * score.beatsPerBar;
      const end = Math.min(to, bar, nextVowel(step, at));
      pieces.push({ beat: at, beats: end - at, step, gap, first: at === from, last: end === to });
      at = end;
    }
  };
  const rest = (until: number, gaps: readonly Gap[]) => {
    for (const one of gaps) {
      if (one.startBeat > beat) add(beat, one.startBeat, undefined);
      beat = one.startBeat + one.beats;
      add(one.startBeat, beat, undefined, one);
    }
    if (until > beat) add(beat, until, undefined);
  };
  const firstBeat = score.steps[0]!.startBeat;
  rest(firstBeat, score.gaps?.filter((one) => one.startBeat < firstBeat) ?? []);
  score.steps.forEach((step, i) => {
    beat = step.startBeat + step.beats;
    add(step.startBeat, beat, step);
    rest(score.steps[i + 1]?.startBeat ?? beat, gapsAfter(score, i));
  });
  const over = beat % score.beatsPerBar;
  if (over > 0) add(beat, beat + score.beatsPerBar - over, undefined);
  return pieces;
}

/** Beat of the next vowel that is to be thought of after a beat of a step; never where there are none. */
function nextVowel(step: Step | undefined, beat: number): number {
  if (!step?.vowels) return Infinity;
  const each = step.beats / step.vowels.length;
  return step.startBeat + each * (Math.floor((beat - step.startBeat) / each + 1e-9) + 1);
}

/** The vowel that begins with a piece. */
function vowelOver({ beat }: Pick<Piece, 'beat'>, { startBeat, beats, vowels }: Step): string {
  if (!vowels) return '';
  const place = ((beat - startBeat) * vowels.length) / beats;
  return Number.isInteger(place) ? over(vowels[place]!) : '';
}

function tone(
  { beat, beats, first, last }: Piece,
  step: Step,
  score: Score,
  spelling: Spelling,
  altered: Map<string, number>,
  words: PartWords,
) {
  const index = score.steps.indexOf(step);
  const next = score.steps[index + 1];
  const slurred = next?.attack === 'slurred' && next.startBeat === step.startBeat + step.beats;
  const opensSlur = first && slurred && step.attack !== 'slurred';
  const closesSlur = last && !slurred && step.attack === 'slurred';
  const breathes = last && next !== undefined && gapsAfter(score, index)[0]?.kind === 'breath';
  return [
    vowelOver({ beat }, step),
    first && step.vibrato ? over(`vib. ${step.vibrato.waves}:1`) : '',
    first ? over(words.step(index)) : '',
    // Held for as long as it stays good.
    last && step.openEnd ? '!fermata!' : '',
    breathes ? '!breath!' : '',
    opensSlur ? '(' : '',
    noteheads(step, spelling, first ? altered : undefined),
    lengthOf(beats),
    last ? '' : '-',
    closesSlur ? ')' : '',
  ].join('');
}

/** A rest with what is done in it; air through the horn as crosses on the note that is fingered meanwhile. */
function gap({ beat, beats, gap: asked, first }: Piece, { steps, gaps }: Score, spelling: Spelling, words: PartWords) {
  // A plain breath has its mark over the tone before it.
  const said = asked && first && gaps?.includes(asked) ? over(words.gap(asked.kind)) : '';
  if (asked?.kind !== 'air') return `${said}z${lengthOf(beats)}`;
  const fingered = (steps.find(({ startBeat }) => startBeat > beat) ?? steps.at(-1)!).fingeredMidi;
  return `${said}[!style=x!${pitch(fingered, spelling, undefined)}]${lengthOf(beats)}`;
}

/** Words over what follows. */
function over(words: string | undefined): string {
  return words ? `"^${words.replaceAll('"', '')}"` : '';
}

/** The sounding note; of an overtone with the fingered one under it as a diamond. */
function noteheads(step: Step, spelling: Spelling, altered: Map<string, number> | undefined): string {
  const fingered = step.octaveKey ? step.fingeredMidi + 12 : step.fingeredMidi;
  // A tied note keeps the accidental of the one it is tied to.
  const sounding = pitch(step.soundedMidi, spelling, altered);
  if (step.partialNumber === 1) return sounding;
  return `[!style=harmonic!${pitch(fingered, spelling, altered)}${sounding}]`;
}

function pitch(midi: number, spelling: Spelling, altered: Map<string, number> | undefined): string {
  const { step, alter, octave } = spellMidi(midi, spelling);
  const letter = LETTERS[step]!;
  const name = octave >= 5 ? letter.toLowerCase() + "'".repeat(octave - 5) : letter + ','.repeat(4 - octave);
  if (!altered) return name;
  const place = `${letter}${octave}`;
  const natural = alter === 0 && (altered.get(place) ?? 0) !== 0 ? '=' : '';
  altered.set(place, alter);
  return `${ACCIDENTALS[alter] ?? ''}${natural}${name}`;
}

function lengthOf(beats: number): string {
  const quarters = Math.round(4 * beats);
  const parts = quarters % 4 === 0 ? 1 : quarters % 2 === 0 ? 2 : 4;
  const count = (quarters * parts) / 4;
  return `${count === 1 ? '' : count}${parts === 1 ? '' : `/${parts}`}`;
}
