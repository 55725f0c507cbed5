export { type PastTake } from './acrossTakes';
export { assess, type Assignment } from './assess';
export { judgeTake } from './judgeTake';
export { evidenceOf, type Evidence } from './evidence';
export { nextStep } from './nextStep';
export { leakVerdict, tallyBy, tallyOf, type LeakVerdict, type LowStart, type StartTally } from './leak';
export { FINDING_IDS, FINDING_VALUES, finding, type Finding, type FindingId, type ValuesOfFinding } from './finding';
export { NOT_JUDGED, TRY_IDS, type Decision, type TryId, type Verdict } from './verdict';
export { applies, ruleOf, RULES } from './rules';
