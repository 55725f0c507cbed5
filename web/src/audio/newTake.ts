import { whenOf } from '../shared/format';
import type { TakeRecord, WholeTake } from '@inner-hum/core/take';
import type { OpenAssignment, HeardTake, HearingSettings } from './protocol';
import type { DraftPlan } from '../db/database';
import { hearingRangeHz } from '@inner-hum/core/exercise';
import type { Decision, PastTake } from '@inner-hum/core/judge';

type Facts = Pick<TakeRecord, 'id' | 'cut'> & { readonly keepSound: boolean };

/** Puts together what was planned and what was heard. */
export function newTake(plan: DraftPlan, heard: HeardTake, { id, cut, keepSound }: Facts): WholeTake {
  const record: TakeRecord = {
    id,
    startedAt: plan.startedAt,
    parameters: plan.parameters,
    score: plan.score,
    setup: plan.setup,
    source: plan.source,
    audioPath: plan.audioPath,
    onBeat: plan.onBeat,
    firstBeatS: heard.firstBeatS,
    frameCount: heard.frameCount,
    measures: heard.measures,
    verdict: heard.verdict,
    note: '',
    ...(plan.cues && { cues: plan.cues }),
    ...(heard.unjudged !== undefined && { unjudged: heard.unjudged }),
    lostMs: heard.lostMs,
    cut,
    demo: false,
  };
  const sound = keepSound && { sampleRateHz: heard.sampleRateHz, samples: heard.samples };
  return { record, frames: heard.frames, ...(sound && { sound }) };
}

/** What the judge needs to know of a planned take. */
export function assignmentOf(
  plan: DraftPlan,
  before: readonly Decision[],
  past: readonly PastTake[] = [],
): OpenAssignment {
  return {
    score: plan.score,
    parameters: plan.parameters,
    audioPath: plan.audioPath,
    onBeat: plan.onBeat,
    ...plan.setup,
    before,
    past,
    now: { ...whenOf(plan.startedAt), reed: plan.setup.reed ?? '' },
  };
}

/** How the ear is set for a planned take: the horn bounds the search. */
export function hearingFor(plan: Pick<DraftPlan, 'setup' | 'source' | 'score'>, sampleRateHz: number): HearingSettings {
  return {
    sampleRateHz,
    ...hearingRangeHz(plan.score, plan.setup.a4Hz),
    zerosAreLoss: plan.source.kind === 'microphone',
  };
}
