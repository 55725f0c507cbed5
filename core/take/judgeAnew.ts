import { isFree } from '@inner-hum/core/families';
import { judgeTake, JUDGE_RULES } from '@inner-hum/core/judge';
import { gainControl, measureTake, type StepMeasures } from '@inner-hum/core/measure';
import { unpackFrames } from './packedFrames';
import { assignmentOf, type LookBack } from './plan';
import type { TakeRecord } from './record';

/** What today's rules measure otherwise than those before them, and can from packed frames: fine starts are not among these. */
const CORRECTED = [
  'pitchCentreCents',
  'pitchSteadinessCents',
  'driftCentsPerS',
  'pitchAgainstLevelCents',
  'shareInWindow',
  'byLoudness',
  'hold',
] as const;
/** The same tone lies within so much of where it was found at first, seconds. */
const SAME_TONE_S = 0.1;

/** Result of a take by today's rules. */
export type JudgedAnew = Pick<TakeRecord, 'measures' | 'verdict'> & { readonly judgedBy: number };

/**
 * Judges a kept take by today's rules, from its measures with what these rules correct measured anew on its frames.
 * Undefined where there is nothing to judge by: no frames, or a take that was never judged.
 *
 * @param packed the take's frames, see `packFrames`
 * @throws RangeError when they are not as many as the record names
 */
export function judgedAnew(record: TakeRecord, packed: Uint8Array, lookBack: LookBack): JudgedAnew | undefined {
  if (record.frameCount === 0 || record.unjudged !== undefined || record.measures.length === 0) return undefined;
  const frames = unpackFrames(packed, record.frameCount);
  const planned = assignmentOf(record, lookBack);
  const assignment = { ...planned, firstBeatS: record.firstBeatS };
  const fresh = measureTake(frames, assignment);
  const measures = record.measures.map((step, i) => corrected(step, fresh[i]));
  const device = planned.device && !isFree(record.score) && { ...gainControl(frames), ...deviceOf(record) };
  return {
    measures,
    verdict: judgeTake(measures, { ...assignment, ...(device && { device }) }),
    judgedBy: JUDGE_RULES,
  };
}

function corrected(step: StepMeasures, fresh: StepMeasures | undefined): StepMeasures {
  if (step.kind !== 'sounded' || fresh?.kind !== 'sounded') return step;
  if (Math.abs(step.onsetS - fresh.onsetS) > SAME_TONE_S) return step;
  return { ...step, ...Object.fromEntries(CORRECTED.map((name) => [name, fresh[name]])) };
}

/** What was found of the device when the take was played. */
function deviceOf({ verdict, lost }: TakeRecord) {
  const [khz] = verdict.findings.flatMap((finding) => (finding.id === 'bandLimited' ? [finding.values.khz] : []));
  const [clipped] = verdict.findings.flatMap((finding) => (finding.id === 'clipped' ? [finding.values.count] : []));
  return {
    ...(khz !== undefined && { bandHz: 1000 * khz }),
    ...(clipped !== undefined && { clipped }),
    ...(lost && { lost }),
  };
}
