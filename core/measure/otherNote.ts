import type { Frames } from '@inner-hum/core/signal';
import { hzToMidi } from '@inner-hum/core/theory';
import { median } from './statistics';
import type { ToneSpan } from './tone';

/** A note other than the intended one when less than a fifth of the tone belongs to it and it is no partial either. */
export function otherNote(
  frames: Frames,
  span: ToneSpan,
  fingeredHz: number,
  own: number,
  a4Hz: number,
): number | undefined {
  const heard = frames.f0Hz.slice(span.start, span.end).filter((hz) => hz > 0);
  if (own >= heard.length / 5) return undefined;
  const hz = median(heard);
  const ratio = hz / fingeredHz;
  const nearPartial = ratio > 0.97 && Math.abs(ratio - Math.round(ratio)) < 0.03 * ratio;
  return nearPartial ? undefined : Math.round(hzToMidi(hz, a4Hz));
}
