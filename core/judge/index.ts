export { pastTake, type PastTake } from './acrossTakes';
export { assess, type Assignment } from './assess';
export { judgeTake, type TakeCase } from './judgeTake';
export { CHANGE_IDS, FINDING_IDS, NOT_JUDGED, TRY_IDS } from './verdict';
export type { Decision, Finding, FindingId, NextStep, TryId, Verdict, Weight } from './verdict';
export { applies, RULES } from './rules';
export { demandsOf } from './familyDemands';
