export { presentTake, type PastTake, type PresentTake } from './acrossTakes';
export { assess, type Assignment } from './assess';
export { judgeTake } from './judgeTake';
export { nextStep, type StepBounds } from './nextStep';
export type { TakeCase } from './takeCase';
export {
  leakVerdict,
  tallyBy,
  tallyOf,
  type LeakEvidence,
  type LeakVerdict,
  type LowStart,
  type StartTally,
} from './leak';
export {
  FINDING_IDS,
  FINDING_VALUES,
  finding,
  type Finding,
  type FindingId,
  type ValuesOfFinding,
  type Weight,
} from './finding';
export { NOT_JUDGED, TRY_IDS, type Decision, type NextStep, type TryId, type Verdict } from './verdict';
export { applies, ruleOf, RULES } from './rules';
