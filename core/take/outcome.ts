import { beatSeconds, type Score, type Step } from '@inner-hum/core/exercise';
import { JUDGE_RULES, type Verdict } from '@inner-hum/core/judge';
import type { LostSound, StepMeasures } from '@inner-hum/core/measure';
import type { TakePlan } from './plan';
import type { PickUp, TakeRecord, WholeTake } from './record';

/** A take as heard, measured and judged; times in seconds from its first frame. */
export interface HeardTake {
  readonly frameCount: number;
  /** as made by `packFrames` */
  readonly frames: Uint8Array<ArrayBuffer>;
  readonly samples: Int16Array<ArrayBuffer>;
  readonly sampleRateHz: number;
  readonly firstBeatS: number;
  readonly measures: readonly StepMeasures[];
  readonly verdict: Verdict;
  /** as it was played, where it went on by ear and not on the beat */
  readonly score?: Score;
  /** why the judge could not judge it: then there are no measures, and it can be judged later */
  readonly unjudged?: string;
  readonly pickUp?: PickUp;
  readonly lostMs: number;
  /** where the device lost sound; left out where it lost none */
  readonly lost?: readonly LostSound[];
}

/** What a take is besides its plan and what was heard. */
export interface TakeFacts {
  readonly id: string;
  /** it ended before its score */
  readonly cut: boolean;
  readonly keepSound: boolean;
  readonly note?: string;
  readonly demo?: boolean;
}

/** The score that was played: a tone without a set end ended, to the beat, a beat after it was last heard. */
function asEnded(score: Score, measures: readonly StepMeasures[]): Score {
  const steps = score.steps.map((step, i): Step => {
    const heard = measures[i];
    if (!step.openEnd || heard?.kind !== 'sounded') return step;
    const beats = Math.ceil((heard.endS - heard.plannedStartS) / beatSeconds(score)) + 1;
    return { ...step, beats: Math.min(step.beats, Math.max(1, beats)) };
  });
  return { ...score, steps };
}

/** Puts together what was planned and what was heard. */
export function takeOf(plan: TakePlan, heard: HeardTake, { id, cut, keepSound, note, demo }: TakeFacts): WholeTake {
  const { startedAt, parameters, setup, source, audioPath, onBeat, cues, trial } = plan;
  const { frameCount, frames, samples, sampleRateHz, firstBeatS, measures, verdict, unjudged, pickUp, lostMs, lost } =
    heard;
  const record: TakeRecord = {
    id,
    startedAt,
    parameters,
    score: asEnded(heard.score ?? plan.score, heard.measures),
    setup,
    source,
    audioPath,
    firstBeatS,
    onBeat,
    frameCount,
    measures,
    verdict,
    judgedBy: JUDGE_RULES,
    note: note ?? '',
    ...(cues && { cues }),
    ...(trial && { trial }),
    ...(unjudged !== undefined && { unjudged }),
    ...(pickUp && { pickUp }),
    lostMs,
    ...(lost && { lost }),
    cut,
    demo: demo ?? false,
  };
  return { record, frames, ...(keepSound && { sound: { sampleRateHz, samples } }) };
}
