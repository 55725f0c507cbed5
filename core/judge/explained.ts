import type { Score } from '@inner-hum/core/exercise';
import type { StepMeasures } from '@inner-hum/core/measure';
import type { Finding } from './finding';
import { rowOf } from './findings.data';

/** From so many tones on, the same finding is told once. */
const SEVERAL_TONES = 2;

/** A break at the very beginning of a change is the change itself, told once. */
const CHANGE_REACH_S = 0.35;

/** Whether another finding on the same tone says the same already. */
export function isExplained(entry: Finding, found: readonly Finding[], measures: readonly StepMeasures[]): boolean {
  return found.some((other) => {
    if (other.stepIndex !== entry.stepIndex || other.id === entry.id) return false;
    if (explains(other, entry) && !(explains(entry, other) && sizeOf(entry) >= sizeOf(other))) return true;
    return other.id === 'slowChange' && 'atS' in entry.values && atChange(entry.values.atS, measures[entry.stepIndex]);
  });
}

/** What is much farther over its own limit than what would explain it is told as well. */
const FAR_WORSE = 2;

function explains(entry: Finding, other: Finding): boolean {
  if (!rowOf(entry.id).explains?.includes(other.id)) return false;
  return entry.weight === 3 || sizeOf(other) <= FAR_WORSE * sizeOf(entry);
}

const sizeOf = ({ severity = 1 }: Finding) => severity;

function atChange(atS: number, step: StepMeasures | undefined): boolean {
  return Math.abs(atS - (step?.kind === 'sounded' ? step.onsetS : 0)) < CHANGE_REACH_S;
}

/** The same finding on several tones becomes one, with the evidence of the worst by its own measure. */
export function together(found: readonly Finding[], score: Score): Finding[] {
  if (score.steps.length < SEVERAL_TONES) return [...found];
  return [...new Set(found.map((entry) => entry.id))].map((id) => {
    const same = found.filter((entry) => entry.id === id);
    const worst = same.reduce((most, next) => ((next.severity ?? 0) > (most.severity ?? 0) ? next : most));
    return { ...worst, steps: same.length };
  });
}
