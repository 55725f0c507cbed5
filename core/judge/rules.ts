import type { Step } from '@inner-hum/core/exercise';
import { OVERTONE_RULES } from './overtoneRules';
import type { Rule } from './rule';
import { TONE_RULES } from './toneRules';
import type { FindingId } from './verdict';

/** All rules, weightiest first; within a weight the order is the order of telling. */
export const RULES: readonly Rule[] = [...OVERTONE_RULES, ...TONE_RULES].sort((a, b) => b.weight - a.weight);

/** What makes no sense of a hum, of a tone that bends on purpose, of one whose pitch is free. */
const PITCH_LINE: readonly FindingId[] = [
  'sharp',
  'flat',
  'rising',
  'sinking',
  'unsteady',
  'sharpWhenSoft',
  'flatWhenSoft',
  'scooped',
  'slipsAtEnd',
];

/** Whether a rule means anything for a step. */
export function applies(id: FindingId, step: Step | undefined): boolean {
  const ofHums = id.startsWith('hum');
  if (step?.hum) return ofHums;
  if (ofHums) return false;
  if (step?.bendCents) return !PITCH_LINE.includes(id);
  return !step?.freePitch || !['sharp', 'flat', 'otherNote'].includes(id);
}
