import { dynamicPosition, spellMidi, type Spelling } from '@inner-hum/core/theory';
import { notated, type DynamicPoint, type Score, type Step } from './score';

const BARS_IN_A_LINE = 4;
const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
const ACCIDENTALS: Readonly<Record<number, string>> = { [-1]: '_', 0: '', 1: '^' };

/** A stretch of a score on one side of the bar lines: a tone, or a rest where there is no step. */
interface Piece {
  readonly beat: number;
  readonly beats: number;
  readonly step: Step | undefined;
  readonly first: boolean;
  readonly last: boolean;
}

/**
 * The written part of a score in ABC notation: a beat is a quarter, long tones are tied over the bar lines, with
 * dynamics, hairpins, slurs, rests and a breath mark where a rest follows a tone. Beats down to quarters of one.
 * Source of the syntax: the ABC standard 2.1, abcnotation.com.
 */
export function scoreToAbc(played: Score, spelling: Spelling = 'usual'): string {
  const score = notated(played);
  const bar = score.beatsPerBar;
  const pieces = piecesOf(score);
  const marks = hairpins(score, pieces);
  let text = '';
  let altered = new Map<string, number>();
  pieces.forEach((piece, i) => {
    if (piece.beat % bar === 0) altered = new Map();
    text += marks[i]!;
    text += piece.step ? tone(piece, piece.step, score, spelling, altered) : `z${lengthOf(piece.beats)}`;
    const end = piece.beat + piece.beats;
    if (end % bar === 0) text += (end / bar) % BARS_IN_A_LINE === 0 && i < pieces.length - 1 ? '|\n' : '|';
    else text += ' ';
  });
  const head = ['X:1', `M:${bar}/4`, 'L:1/4', `Q:1/4=${score.tempoBpm}`, 'K:C clef=treble'];
  return [...head, text.trimEnd().replace(/\|?$/, '|]')].join('\n');
}

function piecesOf(score: Score): Piece[] {
  const pieces: Piece[] = [];
  let beat = 0;
  const add = (from: number, to: number, step: Step | undefined) => {
    for (let at = from; at < to;) {
      const bar = (Math.floor(at / score.beatsPerBar) + 1) * score.beatsPerBar;
      const end = Math.min(to, bar, nextVowel(step, at));
      pieces.push({ beat: at, beats: end - at, step, first: at === from, last: end === to });
      at = end;
    }
  };
  for (const step of score.steps) {
    if (step.startBeat > beat) add(beat, step.startBeat, undefined);
    beat = step.startBeat + step.beats;
    add(step.startBeat, beat, step);
  }
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

/** The vowel that begins with a piece, written under it. */
function vowelUnder({ beat }: Pick<Piece, 'beat'>, { startBeat, beats, vowels }: Step): string {
  if (!vowels) return '';
  const place = ((beat - startBeat) * vowels.length) / beats;
  return Number.isInteger(place) ? `"_${vowels[place]!}"` : '';
}

function tone(
  { beat, beats, first, last }: Piece,
  step: Step,
  score: Score,
  spelling: Spelling,
  altered: Map<string, number>,
) {
  const index = score.steps.indexOf(step);
  const next = score.steps[index + 1];
  const slurred = next?.attack === 'slurred' && next.startBeat === step.startBeat + step.beats;
  const opensSlur = first && slurred && step.attack !== 'slurred';
  const closesSlur = last && !slurred && step.attack === 'slurred';
  const breathes = last && next !== undefined && !slurred;
  return [
    first ? dynamicAtStart(step, score.steps[index - 1]) : '',
    vowelUnder({ beat }, step),
    first && step.vibrato ? `"^vib. ${step.vibrato.waves}:1"` : '',
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

/** The sounding note; of an overtone with the fingered one under it as a diamond. */
function noteheads(step: Step, spelling: Spelling, altered: Map<string, number> | undefined): string {
  const fingered = step.octaveKey ? step.fingeredMidi + 12 : step.fingeredMidi;
  // A tied note keeps the accidental of the one it is tied to.
  const sounding = pitch(step.soundedMidi, spelling, altered);
  if (step.partialNumber === 1) return sounding;
  return `[!style=harmonic!${pitch(fingered, spelling, altered)}${sounding}]`;
}

function dynamicAtStart({ dynamics }: Step, before: Step | undefined): string {
  const from = dynamics[0]!.dynamic;
  return before?.dynamics.at(-1)!.dynamic === from ? '' : `!${from}!`;
}

/** Hairpins before each piece: one opens where a level begins to move, and closes on what comes after it. */
function hairpins(score: Score, pieces: readonly Piece[]): string[] {
  const marks = pieces.map(() => '');
  for (const { startBeat, dynamics } of score.steps)
    for (let k = 0; k + 1 < dynamics.length; k++) {
      const [from, to] = [dynamics[k]!, dynamics[k + 1]!];
      const place = (point: DynamicPoint) => point.position ?? dynamicPosition(point.dynamic);
      const sign = place(to) > place(from) ? '<' : '>';
      const opens = pieces.findLastIndex((piece) => piece.beat <= startBeat + from.beat);
      const after = pieces.findIndex((piece) => piece.beat >= startBeat + to.beat);
      marks[opens] += `!${sign}(!`;
      // At the very end there is nothing to close on: the hairpin is drawn to the last bar line.
      if (after >= 0) marks[after] = `!${sign})!${marks[after]!}`;
      if (after >= 0 && k + 2 < dynamics.length) marks[after] += `!${to.dynamic}!`;
    }
  return marks;
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
