import { beatSeconds, plannedPosition, type Score, type Step } from '@inner-hum/core/exercise';
import type { StepMeasures } from '@inner-hum/core/measure';
import { dynamicPosition } from '@inner-hum/core/theory';
import type { Finding } from './finding';
import { rowOf } from './findings.data';
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

/**
 * Where a finding is to be seen: its own moment, the part of its tone that it is about, or the whole tone; undefined for
 * what went well, for what is about several takes, and where nothing sounded.
 */
export function evidenceOf(
  finding: Finding,
  { score, measures }: { readonly score: Score; readonly measures: readonly StepMeasures[] },
): Evidence | undefined {
  const { about, part } = rowOf(finding.id);
  if (finding.weight === 0 || about === 'takes' || about === 'device') return undefined;
  const step = score.steps[finding.stepIndex];
  const tone = measures[finding.stepIndex];
  if (!step || tone?.kind !== 'sounded') return undefined;
  if ('atS' in finding.values) {
    const { atS } = finding.values;
    const lastsS = 'lastsMs' in finding.values ? finding.values.lastsMs / 1000 : 0;
    return { fromS: atS - AROUND_S, toS: atS + lastsS + AROUND_S };
  }
  return partOf(part, tone, step, score);
}

function partOf(part: ReturnType<typeof rowOf>['part'], { onsetS, endS }: Sounded, step: Step, score: Score): Evidence {
  if (part === 'start') return { fromS: onsetS - AROUND_S, toS: Math.min(endS, onsetS + START_S) };
  if (part === 'end') return { fromS: Math.max(onsetS, endS - END_S), toS: endS };
  if (part === undefined) return { fromS: onsetS, toS: endS };
  const half = (PART * step.beats) / 2;
  const place = (beat: number) => plannedPosition(step, beat, dynamicPosition);
  // Of two ends that are planned alike the last is shown: that is where breath gets short.
  const beats = [step.beats - half, half, step.beats / 2];
  const sign = part === 'softest' ? 1 : -1;
  const centre = beats.reduce((best, beat) => (sign * (place(beat) - place(best)) < -1e-9 ? beat : best));
  const startS = onsetS + (centre - half) * beatSeconds(score);
  return { fromS: Math.max(onsetS, startS), toS: Math.min(endS, startS + 2 * half * beatSeconds(score)) };
}
