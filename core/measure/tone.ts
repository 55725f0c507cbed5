import { HOP_S, type Attack, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';

/** Farther from its target than this a frame is another note or partial, not a badly tuned one, cents. */
export const OWN_NOTE_CENTS = 150;
/** A finely measured start lies at most this far from the first frame of its tone, seconds. */
const ONSET_REACH_S = 0.1;
/** Nearest to its ends a tone is never settled, frames. */
const LEAST_EDGE_FRAMES = 5;
/** A tone that falls faster than this at its end is being let go. */
const RELEASE_DB_PER_S = 75;

/** The frames of one intended tone: indices into the take's frames, `end` exclusive. */
export interface ToneSpan {
  readonly start: number;
  readonly end: number;
}

/** How a tone began: the finely measured attack nearest to its first frame, else what that frame tells. */
export function toneAttack(frames: Frames, span: ToneSpan): Attack | undefined {
  const frameS = span.start * HOP_S;
  const away = (attack: Attack) => Math.abs(attack.onsetS - frameS);
  const near = frames.attacks.filter((attack) => away(attack) <= ONSET_REACH_S);
  return near.sort((a, b) => away(a) - away(b))[0];
}

/** Rows of the frames of a tone that sound the intended note, settled: what steadiness is measured on. */
export interface ToneBody {
  /** frame index of each row */
  readonly frame: Int32Array;
  /** seconds in the take's frames */
  readonly timeS: Float64Array;
  /** against the target */
  readonly cents: Float64Array;
  readonly levelDb: Float64Array;
  readonly breathDb: Float64Array;
  readonly centroidPartials: Float64Array;
}

/**
 * Body of a tone: frames within {@link OWN_NOTE_CENTS} of the target from where it has settled to where it is let go, at
 * most a quarter left out at each end. May be empty.
 */
export function toneBody(frames: Frames, span: ToneSpan, targetHz: number, settleS: number): ToneBody {
  const quarter = Math.floor((span.end - span.start) / 4);
  const settled = Math.max(LEAST_EDGE_FRAMES, Math.ceil(settleS / HOP_S));
  const letGo = Math.max(LEAST_EDGE_FRAMES, span.end - releaseStart(frames, span));
  const rows: number[] = [];
  for (let i = span.start + Math.min(settled, quarter); i < span.end - Math.min(letGo, quarter); i++)
    if (frames.f0Hz[i]! > 0 && Math.abs(centsBetweenHz(targetHz, frames.f0Hz[i]!)) <= OWN_NOTE_CENTS) rows.push(i);
  return {
    frame: Int32Array.from(rows),
    timeS: Float64Array.from(rows, (i) => i * HOP_S),
    cents: Float64Array.from(rows, (i) => centsBetweenHz(targetHz, frames.f0Hz[i]!)),
    levelDb: Float64Array.from(rows, (i) => frames.levelDb[i]!),
    breathDb: Float64Array.from(rows, (i) => frames.breathDb[i]!),
    centroidPartials: Float64Array.from(rows, (i) => frames.centroidPartials[i]!),
  };
}

/** When a tone sounded, seconds, and on which pitch it was meant. */
export interface Placed {
  readonly onsetS: number;
  readonly endS: number;
  readonly targetHz: number;
}

/** Body of a tone by when it sounded: nothing is left out for its settling. */
export function placedBody(frames: Frames, { onsetS, endS, targetHz }: Placed): ToneBody {
  const span = { start: Math.round(onsetS / HOP_S), end: Math.min(frames.count, Math.round(endS / HOP_S)) };
  return toneBody(frames, span, targetHz, 0);
}

/** First frame of the steep fall at the end of a tone; its end when it does not fall steeply. */
export function releaseStart({ levelDb }: Frames, span: ToneSpan): number {
  let at = span.end;
  while (at - 2 > span.start && levelDb[at - 3]! - levelDb[at - 1]! > RELEASE_DB_PER_S * 2 * HOP_S) at--;
  return at;
}

/** Bodies shorter than this say nothing about steadiness, frames. */
export const MIN_BODY_FRAMES = 20;
