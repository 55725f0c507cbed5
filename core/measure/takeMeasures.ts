import { beatSeconds, type Score, type Step } from '@inner-hum/core/exercise';
import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { hzToMidi, instrumentById, partialTargetHz, writtenToHz, type LevelRuler } from '@inner-hum/core/theory';
import { breathAtSoftEndDb } from './breathAtSoftEnd';
import { dropOuts, partialJumps, type DropOut, type PartialJump } from './interruptions';
import { latenessS, type AudioPath } from './lateness';
import type { Measured } from './measured';
import { driftCentsPerS, pitchCentreCents, pitchSteadinessCents, shareInWindow } from './pitch';
import { pitchAgainstLevelCents } from './pitchAgainstLevel';
import { plannedLine, type PlannedLine } from './plannedLine';
import { median } from './statistics';
import { halfBeatLevels, peakPlaceBeats, rangeDb, stairs, swellErrorDb, wrongWayShare, type Stair } from './swellShape';
import { findTone, toneBody, toneOnsetS, type ToneSpan } from './tone';

/** How far around its place in the score a tone is looked for, beats and seconds (the smaller counts). */
const EARLY_BEATS = 0.5;
const EARLY_S = 0.4;
const LATE_S = 0.3;

/** Half-width of the pitch window of each demand, cents. */
export const DEMAND_CENTS = { loose: 20, firm: 12, fine: 7 } as const;
export type Demand = keyof typeof DEMAND_CENTS;

/** What was measured on one step of a score. Times are seconds in the take's frames. */
export type StepMeasures =
  | { readonly kind: 'silent' }
  | {
      readonly kind: 'sounded';
      readonly onsetS: number;
      readonly endS: number;
      readonly plannedStartS: number;
      readonly plannedEndS: number;
      readonly targetHz: number;
      /** sounding MIDI number that was really played when it is not the intended one or one of its partials */
      readonly otherSoundingMidi?: number;
      readonly latenessS: Measured;
      readonly pitchCentreCents: Measured;
      readonly pitchSteadinessCents: Measured;
      readonly driftCentsPerS: Measured;
      readonly pitchAgainstLevelCents: Measured;
      readonly shareInWindow: Measured;
      readonly swellErrorDb: Measured;
      readonly wrongWayShare: Measured;
      readonly rangeDb: Measured;
      /** the range the plan asks for, measured the same way, dB */
      readonly plannedRangeDb: number;
      readonly peakPlaceBeats: Measured;
      readonly breathAtSoftEndDb: Measured;
      readonly stairs: readonly Stair[];
      readonly jumps: readonly PartialJump[];
      readonly dropOuts: readonly DropOut[];
    };

/** What the measuring of a take needs to know besides its frames. */
export interface TakeContext {
  readonly score: Score;
  /** when the first beat fell, seconds in the frames */
  readonly firstBeatS: number;
  readonly a4Hz: number;
  readonly ruler: LevelRuler;
  readonly demand: Demand;
  readonly audioPath: AudioPath;
  /** false when the first sound set the beat, so that being late means nothing */
  readonly onBeat: boolean;
}

/** Measures of every step of a take, in the order of the score. */
export function measureTake(frames: Frames, context: TakeContext): StepMeasures[] {
  return context.score.steps.map((step) => measureStep(frames, step, context));
}

function measureStep(frames: Frames, step: Step, context: TakeContext): StepMeasures {
  const { score, a4Hz } = context;
  const line = plannedLine(score, step, context.firstBeatS, context.ruler);
  const early = Math.min(EARLY_S, EARLY_BEATS * beatSeconds(score));
  const span = findTone(frames, line.startS - early, line.endS + LATE_S);
  if (!span) return { kind: 'silent' };
  const fingeredHz = writtenToHz(instrumentById(score.instrumentId), step.fingeredMidi, a4Hz);
  const targetHz = partialTargetHz(fingeredHz, step.partialNumber, score.partialTuning);
  const body = toneBody(frames, span, targetHz);
  const onsetS = toneOnsetS(frames, span);
  const halfBeats = halfBeatLevels(frames, span, line);
  const other = otherNote(frames, span, fingeredHz, body.frame.length, a4Hz);
  return {
    kind: 'sounded',
    onsetS,
    endS: span.end * HOP_S,
    plannedStartS: line.startS,
    plannedEndS: line.endS,
    targetHz,
    ...(other === undefined ? {} : { otherSoundingMidi: other }),
    latenessS: latenessS(onsetS, line, context.audioPath, context.onBeat),
    pitchCentreCents: pitchCentreCents(body),
    pitchSteadinessCents: pitchSteadinessCents(body),
    driftCentsPerS: driftCentsPerS(body),
    pitchAgainstLevelCents: pitchAgainstLevelCents(body),
    shareInWindow: shareInWindow(body, DEMAND_CENTS[context.demand]),
    swellErrorDb: swellErrorDb(body, line),
    wrongWayShare: wrongWayShare(body, line),
    rangeDb: rangeDb(halfBeats),
    plannedRangeDb: plannedRange(line),
    peakPlaceBeats: peakPlaceBeats(halfBeats, line),
    breathAtSoftEndDb: breathAtSoftEndDb(body),
    stairs: stairs(body, line),
    jumps: other === undefined ? partialJumps(frames, span, targetHz, fingeredHz, step.partialNumber) : [],
    dropOuts: dropOuts(frames, span),
  };
}

/** A note other than the intended one when less than a fifth of the tone belongs to it and it is no partial either. */
function otherNote(frames: Frames, span: ToneSpan, fingeredHz: number, own: number, a4Hz: number): number | undefined {
  const heard = frames.f0Hz.slice(span.start, span.end).filter((hz) => hz > 0);
  if (own >= heard.length / 5) return undefined;
  const hz = median(heard);
  const ratio = hz / fingeredHz;
  const nearPartial = ratio > 0.97 && Math.abs(ratio - Math.round(ratio)) < 0.03 * ratio;
  return nearPartial ? undefined : Math.round(hzToMidi(hz, a4Hz));
}

function plannedRange(line: PlannedLine): number {
  const levels: number[] = [];
  for (let t = line.startS + line.beatS / 4; t < line.endS; t += line.beatS / 2) levels.push(line.levelDbAt(t));
  return Math.max(...levels) - Math.min(...levels);
}
