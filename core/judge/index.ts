export { assess, type Assignment } from './assess';
export { judgeSwell, type SwellCase } from './judgeSwell';
export { SWELL_RULES } from './swellRules';
export type { Decision, Finding, FindingId, NextStep, TryId, Verdict, Weight } from './verdict';
