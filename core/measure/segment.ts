import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz, hzToMidi } from '@inner-hum/core/theory';
import { median, robustDeviation } from './statistics';

/** A pitch change of more than this begins another note, cents. */
const CHANGE_CENTS = 70;
/** It must last this long to be a note of its own; shorter, and back again, it is a jump within the note, frames. */
const LEAST_NOTE_FRAMES = 12;
/** Frames over which the present pitch of a note is taken. */
const MEMORY_FRAMES = 8;

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
  from: number;
  to: number;
  jumps: number;
  /** begins after a gap, not by a change of pitch */
  readonly afterGap: boolean;
}

/**
 * Notes of a recording without a score: runs of tone, divided where the pitch changes by more than 70 cents for good.
 * Short excursions that come back are counted as jumps of their note; other short pieces are left out. Our choice.
 */
export function segmentNotes(frames: Frames, a4Hz: number): FoundNote[] {
  return joinExcursions(pieces(frames), frames)
    .filter((piece) => piece.to - piece.from >= LEAST_NOTE_FRAMES / 2)
    .map((piece) => describe(frames, piece, a4Hz));
}

function pieces({ f0Hz, count }: Frames): Piece[] {
  const found: Piece[] = [];
  let open: Piece | undefined;
  for (let i = 0; i < count; i++) {
    const hz = f0Hz[i]!;
    if (hz === 0) {
      open = undefined;
      continue;
    }
    if (!open || Math.abs(centsBetweenHz(recentHz(f0Hz, open), hz)) > CHANGE_CENTS) {
      open = { from: i, to: i + 1, jumps: 0, afterGap: !open };
      found.push(open);
    } else open.to = i + 1;
  }
  return found;
}

function recentHz(f0Hz: Float32Array, piece: Piece): number {
  return median(f0Hz.subarray(Math.max(piece.from, piece.to - MEMORY_FRAMES), piece.to));
}

function joinExcursions(found: readonly Piece[], { f0Hz }: Frames): Piece[] {
  const joined: Piece[] = [];
  for (const piece of found) {
    const between = joined.at(-1);
    const before = joined.at(-2);
    const isReturn =
      before &&
      between &&
      between.to - between.from < LEAST_NOTE_FRAMES &&
      before.to === between.from &&
      between.to === piece.from &&
      Math.abs(centsBetweenHz(recentHz(f0Hz, before), f0Hz[Math.min(piece.to - 1, piece.from + 1)]!)) <= CHANGE_CENTS;
    if (!isReturn) {
      joined.push({ ...piece });
      continue;
    }
    joined.pop();
    before.to = piece.to;
    before.jumps += 1 + piece.jumps;
  }
  return joined;
}

function describe(frames: Frames, { from, to, jumps, afterGap }: Piece, a4Hz: number): FoundNote {
  const hz = median(frames.f0Hz.subarray(from, to));
  const soundingMidi = Math.round(hzToMidi(hz, a4Hz));
  const own = [...frames.f0Hz.subarray(from, to)].filter((one) => one > 0 && Math.abs(centsBetweenHz(hz, one)) < 150);
  const startS = from * HOP_S;
  const fine = afterGap ? frames.toneStartsS.find((time) => Math.abs(time - startS) < 0.1) : undefined;
  return {
    onsetS: fine ?? startS,
    endS: to * HOP_S,
    soundingMidi,
    f0HzMedian: hz,
    centsMedian: 100 * (hzToMidi(hz, a4Hz) - soundingMidi),
    centsSpread: robustDeviation(own.map((one) => centsBetweenHz(hz, one))),
    levelDbMedian: median(frames.levelDb.subarray(from, to)),
    breathDbMedian: median(frames.breathDb.subarray(from, to)),
    jumps,
  };
}
