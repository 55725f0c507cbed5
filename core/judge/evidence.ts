import { beatSeconds, plannedPosition, type Score, type Step } from '@inner-hum/core/exercise';
import type { StepMeasures } from '@inner-hum/core/measure';
import { dynamicPosition } from '@inner-hum/core/theory';
import type { Finding, FindingId } from './finding';
import type { Sounded } from './rule';

/** Where in a take a finding is to be seen and heard, seconds from the first frame. */
export interface Evidence {
  readonly fromS: number;
  readonly toS: number;
}

/** What is shown around a moment, seconds. */
const AROUND_S = 0.12;
/** How much of a tone is its start and its end, seconds. */
const START_S = 0.4;
const END_S = 0.5;
/** Share of a tone that is its softest or loudest part. */
const PART = 0.2;

type Where = 'start' | 'end' | 'softest' | 'loudest';

/** Findings that are about a part of a tone; those with a moment of their own name it, others are about all of it. */
const WHERE: Partial<Record<FindingId, Where>> = {
  slowResponse: 'start',
  scooped: 'start',
  octaveUnder: 'start',
  late: 'start',
  early: 'start',
  slurGap: 'start',
  slurStep: 'start',
  slowChange: 'start',
  changeLate: 'start',
  changeEarly: 'start',
  startsAbove: 'start',
  stoppedEarly: 'end',
  slipsAtEnd: 'end',
  heldUntilPitch: 'end',
  heldUntilJump: 'end',
  heldUntilGap: 'end',
  sharpWhenSoft: 'softest',
  flatWhenSoft: 'softest',
  airySoftEnd: 'softest',
  narrowRange: 'softest',
  colourOpens: 'loudest',
};

/**
 * Where a finding is to be seen: its own moment, the part of its tone that it is about, or the whole tone; undefined for
 * what went well, for what is about several takes, and where nothing sounded.
 */
export function evidenceOf(
  finding: Finding,
  { score, measures }: { readonly score: Score; readonly measures: readonly StepMeasures[] },
): Evidence | undefined {
  if (finding.weight === 0 || ACROSS_TAKES.includes(finding.id)) return undefined;
  const step = score.steps[finding.stepIndex];
  const tone = measures[finding.stepIndex];
  if (!step || tone?.kind !== 'sounded') return undefined;
  if ('atS' in finding.values) {
    const { atS } = finding.values;
    const lastsS = 'lastsMs' in finding.values ? finding.values.lastsMs / 1000 : 0;
    return { fromS: atS - AROUND_S, toS: atS + lastsS + AROUND_S };
  }
  return partOf(WHERE[finding.id], tone, step, score);
}

/** What earlier takes told lies in no place of this one. */
const ACROSS_TAKES: readonly FindingId[] = [
  'slopeEverywhere',
  'leakLikely',
  'steadierNow',
  'tiring',
  'notJudged',
  'tooMuchLost',
  'soundLost',
  'levelsRide',
  'levelsGated',
  'bandLimited',
  'clipped',
];

function partOf(where: Where | undefined, { onsetS, endS }: Sounded, step: Step, score: Score): Evidence {
  if (where === 'start') return { fromS: onsetS - AROUND_S, toS: Math.min(endS, onsetS + START_S) };
  if (where === 'end') return { fromS: Math.max(onsetS, endS - END_S), toS: endS };
  if (where === undefined) return { fromS: onsetS, toS: endS };
  const half = (PART * step.beats) / 2;
  const place = (beat: number) => plannedPosition(step, beat, dynamicPosition);
  // Of two ends that are planned alike the last is shown: that is where breath gets short.
  const beats = [step.beats - half, half, step.beats / 2];
  const sign = where === 'softest' ? 1 : -1;
  const centre = beats.reduce((best, beat) => (sign * (place(beat) - place(best)) < -1e-9 ? beat : best));
  const startS = onsetS + (centre - half) * beatSeconds(score);
  return { fromS: Math.max(onsetS, startS), toS: Math.min(endS, startS + 2 * half * beatSeconds(score)) };
}
