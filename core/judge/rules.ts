import type { Step } from '@inner-hum/core/exercise';
import type { FindingId } from './finding';
import { OVERTONE_RULES } from './overtoneRules';
import type { AnyRule } from './rule';
import { TONE_RULES } from './toneRules';

/** All rules of a tone. */
export const RULES: readonly AnyRule[] = [...OVERTONE_RULES, ...TONE_RULES];

/** The rule that makes a finding, if a rule of a tone does. */
export function ruleOf(id: FindingId): AnyRule | undefined {
  return RULES.find((row) => row.id === id);
}

/** What makes no sense of a tone that bends on purpose. */
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
const OF_HUMS: readonly FindingId[] = ['hummedOther', 'humSharp', 'humFlat'];
const OF_OWN_PITCH: readonly FindingId[] = ['sharp', 'flat', 'otherNote'];

/** Whether a rule means anything for a step. */
export function applies(id: FindingId, step: Step | undefined): boolean {
  if (step?.hum) return OF_HUMS.includes(id);
  if (OF_HUMS.includes(id)) return false;
  if (step?.bendCents) return !PITCH_LINE.includes(id);
  return !step?.freePitch || !OF_OWN_PITCH.includes(id);
}
