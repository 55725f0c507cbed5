import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';

/** Farther from its target than this a frame is another note or partial, not a badly tuned one, cents. */
export const OWN_NOTE_CENTS = 150;
/** A tone must last this long to count as begun, frames. */
const ONSET_RUN_FRAMES = 6;
/** A finely measured start lies at most this far from the first frame of its tone, seconds. */
const ONSET_REACH_S = 0.1;
/** What is left out at the ends of a tone until it has settled and before it is released, seconds. */
const EDGE_S = 0.12;

/** The frames of one intended tone: indices into the take's frames, `end` exclusive. */
export interface ToneSpan {
  readonly start: number;
  readonly end: number;
}

/**
 * The part of `frames` between two times where the tone of a step sounds: from the first run of tone of 60 ms or more
 * to the last toned frame. Undefined when there is none.
 */
export function findTone(frames: Frames, fromS: number, toS: number): ToneSpan | undefined {
  const from = Math.max(0, Math.ceil(fromS / HOP_S));
  const to = Math.min(frames.count, Math.floor(toS / HOP_S));
  let run = 0;
  for (let i = from; i < to; i++) {
    run = frames.f0Hz[i]! > 0 ? run + 1 : 0;
    if (run < ONSET_RUN_FRAMES) continue;
    let end = to;
    while (frames.f0Hz[end - 1] === 0) end--;
    return { start: i - run + 1, end };
  }
  return undefined;
}

/** When a tone began, seconds: the finely measured start nearest to its first frame, else that frame's time. */
export function toneOnsetS(frames: Frames, span: ToneSpan): number {
  const frameS = span.start * HOP_S;
  const near = frames.toneStartsS.filter((time) => Math.abs(time - frameS) <= ONSET_REACH_S);
  return near.sort((a, b) => Math.abs(a - frameS) - Math.abs(b - frameS))[0] ?? frameS;
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
}

/** Body of a tone: toned frames within {@link OWN_NOTE_CENTS} of the target, the edges left out. May be empty. */
export function toneBody(frames: Frames, span: ToneSpan, targetHz: number): ToneBody {
  const edge = Math.min(Math.round(EDGE_S / HOP_S), Math.floor((span.end - span.start) / 4));
  const rows: number[] = [];
  for (let i = span.start + edge; i < span.end - edge; i++)
    if (frames.f0Hz[i]! > 0 && Math.abs(centsBetweenHz(targetHz, frames.f0Hz[i]!)) <= OWN_NOTE_CENTS) rows.push(i);
  return {
    frame: Int32Array.from(rows),
    timeS: Float64Array.from(rows, (i) => i * HOP_S),
    cents: Float64Array.from(rows, (i) => centsBetweenHz(targetHz, frames.f0Hz[i]!)),
    levelDb: Float64Array.from(rows, (i) => frames.levelDb[i]!),
    breathDb: Float64Array.from(rows, (i) => frames.breathDb[i]!),
  };
}

/** Bodies shorter than this say nothing about steadiness, frames. */
export const MIN_BODY_FRAMES = 20;
