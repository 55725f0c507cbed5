export { pastTake, type PastTake } from './acrossTakes';
export { assess, type Assignment } from './assess';
export { judgeTake, type TakeCase } from './judgeTake';
export type { Decision, Finding, FindingId, NextStep, TryId, Verdict, Weight } from './verdict';
export { applies, RULES } from './rules';
export { demandsOf } from './familyDemands';
