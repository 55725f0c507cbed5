import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { absent, measured, type Measured } from './measured';
import { median, quantile } from './statistics';
import type { ToneSpan } from './tone';

/** Parts of the tone in which it is held before and after, as shares of its length. */
const HELD = 0.2;
const EDGE_FRAMES = 8;
/** Steps are looked for over this time, frames. */
const STEP_FRAMES = 4;
const PITCH_ERROR_CENTS = 2;

/** A bend from a held note away and back. */
export interface Bend {
  /** how far it went, down or up as asked, from where it was held, cents */
  readonly depthCents: Measured;
  /** where it came back to, against where it began, cents */
  readonly returnCents: Measured;
  /** the largest change of pitch within 40 ms, cents: a smooth bend has small ones */
  readonly stepCents: Measured;
}

/** Depth, return and smoothness of a bend over the frames of its tone. */
export function bend({ f0Hz }: Frames, span: ToneSpan, targetHz: number, up = false): Bend {
  const cents: number[] = [];
  for (let i = span.start + EDGE_FRAMES; i < span.end - EDGE_FRAMES; i++)
    if (f0Hz[i]! > 0) cents.push(centsBetweenHz(targetHz, f0Hz[i]!));
  const held = Math.floor(HELD * cents.length);
  if (held * HOP_S < 0.1) {
    const tooShort = absent('tooShort');
    return { depthCents: tooShort, returnCents: tooShort, stepCents: tooShort };
  }
  const before = median(cents.slice(0, held));
  const after = median(cents.slice(-held));
  const farthest = quantile(cents.slice(held, -held), up ? 0.95 : 0.05);
  const steps = cents.slice(STEP_FRAMES).map((value, i) => Math.abs(value - cents[i]!));
  return {
    depthCents: measured(up ? farthest - before : before - farthest, PITCH_ERROR_CENTS),
    returnCents: measured(after - before, PITCH_ERROR_CENTS),
    stepCents: measured(Math.max(...steps), PITCH_ERROR_CENTS),
  };
}
