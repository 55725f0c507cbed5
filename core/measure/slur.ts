import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';
import { OWN_NOTE_CENTS, type ToneSpan } from './tone';

/** What is compared on each side: from 30 to 130 ms away from the change, frames. */
const NEAR = 3;
const FAR = 13;

/** How two slurred tones join. */
export interface SlurContinuity {
  /** level after less level before, dB */
  readonly levelStepDb: Measured;
  /** the interval as played less the interval as meant, cents */
  readonly pitchStepCents: Measured;
  /** time without tone between them, seconds */
  readonly gapS: number;
  /** time around the change on neither of the two pitches, gap included, seconds */
  readonly glitchS: number;
}

/** A change is looked for so far to each side of where the second tone begins, seconds. */
const CHANGE_REACH_S = 0.4;

/** Continuity of the change from one tone to the next, each with its target. */
export function slurContinuity(
  frames: Frames,
  before: ToneSpan,
  after: ToneSpan,
  beforeHz: number,
  afterHz: number,
): SlurContinuity {
  const a = rows(frames, Math.max(before.start, before.end - FAR), before.end - NEAR);
  const b = rows(frames, after.start + NEAR, Math.min(after.end, after.start + FAR));
  const gapS = Math.max(0, after.start - before.end) * HOP_S;
  const glitchS = offBoth(frames, before, after, beforeHz, afterHz);
  if (a.length < 5 || b.length < 5)
    return { levelStepDb: absent('tooShort'), pitchStepCents: absent('tooShort'), gapS, glitchS };
  const level = (list: number[]) => median(list.map((i) => frames.levelDb[i]!));
  const cents = (list: number[], targetHz: number) =>
    median(list.map((i) => centsBetweenHz(targetHz, frames.f0Hz[i]!)));
  return {
    levelStepDb: measured(level(b) - level(a), 0.5),
    pitchStepCents: measured(cents(b, afterHz) - cents(a, beforeHz), 2),
    gapS,
    glitchS,
  };
}

function offBoth(frames: Frames, before: ToneSpan, after: ToneSpan, beforeHz: number, afterHz: number): number {
  const reach = CHANGE_REACH_S / HOP_S;
  const from = Math.max(before.start, Math.round(after.start - reach));
  const to = Math.min(after.end, Math.round(after.start + reach));
  let off = 0;
  for (let i = from; i < to; i++) {
    const hz = frames.f0Hz[i]!;
    const on = (targetHz: number) => Math.abs(centsBetweenHz(targetHz, hz)) <= OWN_NOTE_CENTS;
    if (hz === 0 || !(on(beforeHz) || on(afterHz))) off++;
  }
  return off * HOP_S;
}

function rows({ f0Hz }: Frames, from: number, to: number): number[] {
  const list: number[] = [];
  for (let i = from; i < to; i++) if (f0Hz[i]! > 0) list.push(i);
  return list;
}
