import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz, hzToMidi } from '@inner-hum/core/theory';
import { median, robustDeviation } from './statistics';
import { recentHz, tonePieces } from './toneChanges';

/** Pitches this near are the same note, cents. */
const SAME_NOTE_CENTS = 70;
/** A change of pitch that comes back sooner is a jump within the note, frames. */
const LEAST_NOTE_FRAMES = 12;
/** A note struck again on the same pitch: the level dips by this much and is back within this time. */
const DIP_DB = 7;
const DIP_REACH_FRAMES = 10;

/** A note found in a recording without a score. */
export interface FoundNote {
  readonly onsetS: number;
  readonly endS: number;
  /** nearest sounding MIDI number */
  readonly soundingMidi: number;
  readonly f0HzMedian: number;
  /** median against that number, cents */
  readonly centsMedian: number;
  /** robust standard deviation, cents */
  readonly centsSpread: number;
  readonly levelDbMedian: number;
  readonly breathDbMedian: number;
  /** short excursions to another pitch that came back */
  readonly jumps: number;
}

interface Piece {
  readonly start: number;
  readonly end: number;
  readonly afterGap: boolean;
  readonly jumps: number;
}

/**
 * Notes of a recording without a score: runs of tone, divided where the pitch changes by more than 70 cents for good and
 * where a note is struck again. Short excursions that come back are counted as jumps of their note; other pieces under
 * 60 ms are left out. Our choice.
 */
export function segmentNotes(frames: Frames, a4Hz: number): FoundNote[] {
  return segmentSpans(frames).map((piece) => describe(frames, piece, a4Hz));
}

/** Frames of the notes of {@link segmentNotes}. */
export function segmentSpans(frames: Frames): Piece[] {
  const pieces = joinExcursions(frames).flatMap((piece) => divideAtDips(frames, piece));
  return withTheirStarts(pieces).filter((piece) => isNote(piece));
}

function isNote({ start, end }: Piece): boolean {
  return end - start >= LEAST_NOTE_FRAMES / 2;
}

/** A note that begins on another pitch for a moment begins there. */
function withTheirStarts(pieces: readonly Piece[]): Piece[] {
  return pieces.map((piece, i) => {
    const before = pieces[i - 1];
    const begins = before && !isNote(before) && before.afterGap && before.end === piece.start;
    return begins ? { ...piece, start: before.start, afterGap: true } : piece;
  });
}

function joinExcursions(frames: Frames): Piece[] {
  const { f0Hz } = frames;
  const joined: Piece[] = [];
  for (const piece of tonePieces(frames)) {
    const between = joined.at(-1);
    const before = joined.at(-2);
    const isReturn =
      before &&
      between &&
      between.end - between.start < LEAST_NOTE_FRAMES &&
      before.end === between.start &&
      between.end === piece.start &&
      Math.abs(centsBetweenHz(recentHz(f0Hz, before), f0Hz[Math.min(piece.end - 1, piece.start + 1)]!)) <=
        SAME_NOTE_CENTS;
    if (isReturn) joined.splice(-2, 2, { ...before, end: piece.end, jumps: before.jumps + 1 });
    else joined.push({ ...piece, jumps: 0 });
  }
  return joined;
}

/** Parts of a piece between dips of its level that are over within 100 ms each side. */
function divideAtDips({ levelDb }: Frames, piece: Piece): Piece[] {
  const parts: Piece[] = [];
  let { start } = piece;
  for (let i = piece.start + LEAST_NOTE_FRAMES / 2; i < piece.end - LEAST_NOTE_FRAMES / 2; i++) {
    const from = Math.max(start, i - DIP_REACH_FRAMES);
    const to = Math.min(piece.end, i + DIP_REACH_FRAMES + 1);
    const here = levelDb[i]!;
    const near = levelDb.subarray(from, to);
    if (here > Math.min(...near)) continue;
    const left = Math.max(...levelDb.subarray(from, i));
    const right = Math.max(...levelDb.subarray(i + 1, to));
    if (Math.min(left, right) - here < DIP_DB) continue;
    parts.push({ ...piece, start, end: i, afterGap: piece.afterGap && parts.length === 0, jumps: 0 });
    start = i;
    i += LEAST_NOTE_FRAMES / 2;
  }
  return [...parts, { ...piece, start, afterGap: piece.afterGap && parts.length === 0 }];
}

function describe(frames: Frames, { start, end, jumps, afterGap }: Piece, a4Hz: number): FoundNote {
  const hz = median(frames.f0Hz.subarray(start, end));
  const soundingMidi = Math.round(hzToMidi(hz, a4Hz));
  const own = [...frames.f0Hz.subarray(start, end)].filter(
    (value) => value > 0 && Math.abs(centsBetweenHz(hz, value)) < 150,
  );
  const startS = start * HOP_S;
  const fine = afterGap ? frames.attacks.find((attack) => Math.abs(attack.onsetS - startS) < 0.1)?.onsetS : undefined;
  return {
    onsetS: fine ?? startS,
    endS: end * HOP_S,
    soundingMidi,
    f0HzMedian: hz,
    centsMedian: 100 * (hzToMidi(hz, a4Hz) - soundingMidi),
    centsSpread: robustDeviation(own.map((value) => centsBetweenHz(hz, value))),
    levelDbMedian: median(frames.levelDb.subarray(start, end)),
    breathDbMedian: median(frames.breathDb.subarray(start, end)),
    jumps,
  };
}
