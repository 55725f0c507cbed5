import type { Step } from '@inner-hum/core/exercise';
import { rowOf, type FindingId } from './findings.data';
import { BREAK_RULES } from './breakRules';
import { OVERTONE_RULES } from './overtoneRules';
import type { AnyRule } from './rule';
import { TONE_RULES } from './toneRules';

/** All rules of a tone. */
export const RULES: readonly AnyRule[] = [...OVERTONE_RULES, ...BREAK_RULES, ...TONE_RULES];

/** Whether a finding means anything for a step: hums have their own, and what is free is not told of. */
export function applies(id: FindingId, step: Step | undefined): boolean {
  const { of, aspect } = rowOf(id);
  // What lasts as long as it holds ends neither early nor late.
  if (step?.openEnd && aspect === 'length') return false;
  if (step?.hum || of === 'hum') return step?.hum === true && of === 'hum';
  if (step?.bendCents) return of !== 'line' && of !== 'pitch';
  return !step?.freePitch || (of !== 'note' && of !== 'pitch');
}
