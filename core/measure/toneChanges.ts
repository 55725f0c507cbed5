import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { median } from './statistics';

/** A pitch that moves away by more than this from where its tone was is another tone, cents. */
const CHANGE_CENTS = 70;
/** Frames over which the present pitch of a tone is taken. */
const MEMORY_FRAMES = 8;
/** A tone of its own lasts at least this long, frames. */
const LEAST_TONE_FRAMES = 3;

/** Frames of one unbroken tone on one pitch; `end` exclusive. */
export interface TonePiece {
  readonly start: number;
  readonly end: number;
  /** begins after a gap, not by a change of pitch */
  readonly afterGap: boolean;
}

/** A change from one pitch to another without a gap. */
export interface ToneChange {
  /** seconds in the frames */
  readonly atS: number;
  readonly fromHz: number;
  readonly toHz: number;
}

/** Runs of tone, divided wherever the pitch leaves the last 80 ms of its run by more than 70 cents. Our choice. */
export function tonePieces({ f0Hz, count }: Frames): TonePiece[] {
  const found: { start: number; end: number; afterGap: boolean }[] = [];
  let open: { start: number; end: number; afterGap: boolean } | undefined;
  for (let i = 0; i < count; i++) {
    const hz = f0Hz[i]!;
    if (hz === 0) {
      open = undefined;
      continue;
    }
    if (!open || Math.abs(centsBetweenHz(recentHz(f0Hz, open), hz)) > CHANGE_CENTS) {
      open = { start: i, end: i + 1, afterGap: !open };
      found.push(open);
    } else open.end = i + 1;
  }
  return found;
}

/** Pitch of the last 80 ms of a piece, Hz. */
export function recentHz(f0Hz: Float32Array, { start, end }: TonePiece): number {
  return median(f0Hz.subarray(Math.max(start, end - MEMORY_FRAMES), end));
}

/** Changes of more than `leastCents` between pieces of 30 ms or longer; what flits between them is passed over. */
export function toneChanges(frames: Frames, leastCents: number): ToneChange[] {
  const changes: ToneChange[] = [];
  let before: TonePiece | undefined;
  for (const piece of tonePieces(frames)) {
    if (piece.afterGap) before = undefined;
    if (piece.end - piece.start < LEAST_TONE_FRAMES) continue;
    if (before) {
      const fromHz = recentHz(frames.f0Hz, before);
      const toHz = median(frames.f0Hz.subarray(piece.start, Math.min(piece.end, piece.start + MEMORY_FRAMES)));
      const atS = ((before.end + piece.start) / 2) * HOP_S;
      if (Math.abs(centsBetweenHz(fromHz, toHz)) > leastCents) changes.push({ atS, fromHz, toHz });
    }
    before = piece;
  }
  return changes;
}
