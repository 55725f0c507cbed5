import { segmentSpans } from '@inner-hum/core/measure';
import { HOP_S, type Frames } from '@inner-hum/core/signal';

/** A tone's onset lies so near the first frame that holds it, seconds. */
const SAME_ONSET_S = 0.1;

/** Where the first tone begins, or that which begins nearest to a place where one was heard, seconds. */
export function firstToneS(frames: Frames, nearS?: number): number | undefined {
  const starts = segmentSpans(frames).map(({ start }) => start * HOP_S);
  const distance = (startS: number) => Math.abs(startS - (nearS ?? 0));
  const first = starts.reduce<number | undefined>(
    (best, startS) => (best !== undefined && distance(best) <= distance(startS) ? best : startS),
    undefined,
  );
  if (first === undefined) return undefined;
  // As exactly as the ear finds its onset.
  return frames.attacks.find(({ onsetS }) => Math.abs(onsetS - first) < SAME_ONSET_S)?.onsetS ?? first;
}
