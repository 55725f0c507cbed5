import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';
import type { ToneSpan } from './tone';

/** A settled tone stays this near to its own median, */
const WITHIN_CENTS = 10;
const WITHIN_DB = 3;
/** for this long, frames. */
const STAYS_FRAMES = 5;
/** The median is taken over this stretch after the onset, frames: a swell moves on after it. */
const OWN_FROM = 15;
const OWN_TO = 65;
/** A starting reed is 20 to 40 cents low for its first 30 ms in recorded good tones: a scoop lasts longer. Frames. */
const SCOOP_FROM = 3;
const SCOOP_TO = 9;
/** What is farther off is another partial, not a scoop. */
const SCOOP_MOST_CENTS = 150;

/** How a tone found its pitch. */
export interface Settling {
  /** time until pitch and level stay within ±10 cents and ±3 dB of the tone's own median, seconds */
  readonly settleS: Measured;
  /** mean pitch from 30 to 90 ms against that median, cents; negative: scooped up from below */
  readonly scoopCents: Measured;
}

/**
 * Settling of a tone. `plannedDbAt` takes the plan's own change of level out, so that a swell is not unsettled by growing.
 */
export function settling(frames: Frames, span: ToneSpan, plannedDbAt: (timeS: number) => number): Settling {
  const length = span.end - span.start;
  if (length < OWN_FROM + STAYS_FRAMES) return { settleS: absent('tooShort'), scoopCents: absent('tooShort') };
  const level = (i: number) => frames.levelDb[i]! - plannedDbAt(i * HOP_S);
  const own: number[] = [];
  for (let i = span.start + OWN_FROM; i < Math.min(span.end - 2, span.start + OWN_TO); i++)
    if (frames.f0Hz[i]! > 0) own.push(i);
  if (own.length < STAYS_FRAMES) return { settleS: absent('tooShort'), scoopCents: absent('tooShort') };
  const ownHz = median(own.map((i) => frames.f0Hz[i]!));
  const ownDb = median(own.map(level));
  const cents = (i: number) => centsBetweenHz(ownHz, frames.f0Hz[i]!);
  const near = (i: number) =>
    frames.f0Hz[i]! > 0 && Math.abs(cents(i)) <= WITHIN_CENTS && Math.abs(level(i) - ownDb) <= WITHIN_DB;
  let at = span.start;
  for (let stays = 0, i = span.start; i < span.end && stays < STAYS_FRAMES; i++) {
    stays = near(i) ? stays + 1 : 0;
    at = i - stays + 1;
  }
  const first: number[] = [];
  for (let i = span.start + SCOOP_FROM; i < span.start + SCOOP_TO; i++)
    if (frames.f0Hz[i]! > 0 && Math.abs(cents(i)) <= SCOOP_MOST_CENTS) first.push(cents(i));
  return {
    settleS: measured((at - span.start) * HOP_S, HOP_S),
    scoopCents:
      first.length > 0
        ? measured(first.reduce((sum, value) => sum + value, 0) / first.length, 1.5)
        : absent('tooShort'),
  };
}
