export { firstRung, nextRung, rungOf, type NextRung, type Rung } from './earClimb';
export { QUANTITIES, type Observation, type Quantity } from './observation';
export {
  DEMO_TAG,
  digestOf,
  pastTakeOf,
  exerciseTag,
  SETUP_PARTS,
  trialTag,
  type Digest,
  type SetupNames,
  type SetupPart,
} from './digest';
export {
  cellsAfter,
  cellsFrom,
  cellsWithout,
  olderIn,
  withOlder,
  type Cell,
  type CellWithout,
  type KindSeen,
} from './cells';
export { heldFor, isLoud, longestHolds, type HeldTone, type Holds } from './holds';
export { knownValue } from './estimate';
export { hornMap, ofNote, otherFingerings, type NoteOnMap } from './hornMap';
export { edgeOf, type Edge } from './edge';
export { feedersOf, passageRisks, type PassageRisk } from './passageRisks';
export { seams, type Seam } from './seams';
export { evenness, evennessGains, EVENNESS_PARTS } from './evenness';
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
export { leakWatch } from './leakWatch';
export { hornPatterns, type HornPattern } from './pattern';
export { fingeringTrials, type FingeringTrials } from './fingeringTrials';
export { exerciseFor, exerciseForSeam } from './exerciseFor';
export { needGroups, needs, NEED_REASONS, type Need, type NeedGroup } from './needs';
export { answerOf, measureTheme, themeOf, type ThemeMeasure, type WeekAnswer } from './theme';
export { loadToday, nextGoal, seasonWeek, type Load } from './load';
export { hornOffset, reedOrLeak } from './hornOrReed';
export { dayNumber } from './days';
export { daysOf, familyProgress, hasSettled } from './progress';
export { wasTiring } from './tiring';
export { PRACTICE_IDS, PRACTICES, type Practice } from './practices';
export {
  adapted,
  isEnough,
  MINUTES,
  TIRED_REST_S,
  VERDICT_S,
  type Outcome,
  type Reason,
  type SessionBlock,
} from './session';
export { freeAccount, type FreeNote } from './freeAccount';
export { frontier } from './frontier';
export { levelNow } from './level';
export { planSession } from './planner';
export { blockS } from './lasts';
export type { PlanFor } from './planFor';
export { changeWorthKnowing } from './changeWorthKnowing';
export { planWeek, type WeekDay } from './week';
export { bestTake, weakestTake } from './bestTake';
export { milestonesOf, type Milestone } from './milestones';
export { tonesAfter, tonesKey, tonesWithout, type TonesOfDay } from './tones';
export { trend, type TonesAsked, type Trend, type TrendPoint } from './trend';
export { ownSources, type OwnCell } from './ownSources';
export { reedUseKey, reedUses, type ReedUse } from './reedUse';
export { isCell, isDigest, isMilestone, isReedUse, isTonesOfDay } from './told';
export { levelDrift } from './levelDrift';
export { glanceOf, type DayOfStudent, type Glance, type NoteOfStudent } from './student';
export {
  dueRoutines,
  isRemark,
  isRoutine,
  routineFrom,
  ROUTINE_LIMITS,
  routineBlocks,
  routineOf,
  withRoutines,
  type RemarkOnTake,
  type Routine,
  type RoutineBlock,
} from './routine';
export { USUAL_ROUTINES, usualRoutine, type UsualRoutine } from './usualRoutines.data';
export {
  CUES,
  FIRST_SCHOOLS,
  SCHOOLS,
  SCHOOL_QUESTIONS,
  withSchools,
  type Cue,
  type Schools,
  type SchoolQuestion,
} from './schools';
export type { Goal, Theme } from './aims';
export { slotOf } from './lesson';
export { answered, askedAbout, leftOutOn, notPlanned, WHY_LEFT, type LeftOut, type WhyLeft } from './leftOut';
export { elsewhereOf } from './elsewhere';
export { passageProgress, type PassageDay, type PassageProgress } from './passageProgress';
export { weekFacts, weekReport, type NoteOfWeek, type WeekFacts } from './weekReport';
export { standingOf } from './standing';
export { goalProgress, type GoalProgress } from './goalSteps';
export { secondsOn, slursOverBreak } from './playingTime';
export { bendTags, pullsOf, type Pull } from './pull';
