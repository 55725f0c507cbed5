import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';
import type { ToneSpan } from './tone';

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
}

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
  if (a.length < 5 || b.length < 5)
    return { levelStepDb: absent('tooShort'), pitchStepCents: absent('tooShort'), gapS };
  const level = (list: number[]) => median(list.map((i) => frames.levelDb[i]!));
  const cents = (list: number[], targetHz: number) =>
    median(list.map((i) => centsBetweenHz(targetHz, frames.f0Hz[i]!)));
  return {
    levelStepDb: measured(level(b) - level(a), 0.5),
    pitchStepCents: measured(cents(b, afterHz) - cents(a, beforeHz), 2),
    gapS,
  };
}

function rows({ f0Hz }: Frames, from: number, to: number): number[] {
  const list: number[] = [];
  for (let i = from; i < to; i++) if (f0Hz[i]! > 0) list.push(i);
  return list;
}
