export {
  ASKED_AT_ONCE,
  ASKED_QUANTITIES,
  drawOrder,
  isExperiment,
  nextTrial,
  PROBE_DYNAMICS,
  PROBE_NOTES,
  probeOf,
  ROUNDS,
  takesOf,
  VARIANTS,
  type AskedQuantity,
  type BlindPick,
  type Experiment,
  type ProbeDynamic,
} from './experiment';
export {
  answerFrom,
  blindOf,
  experimentAnswer,
  pairsOf,
  type Difference,
  type ExperimentAnswer,
  type TrialValues,
} from './experimentAnswer';
export { compare, type Comparison } from './compare';
export { changeWorthKnowing } from './changeWorthKnowing';
