export { feedersOf, passageRisks, type PassageRisk } from './passageRisks';
export { exerciseFor, exerciseForSeam } from './exerciseFor';
export { answerOf, measureTheme, themeOf, type ThemeMeasure, type WeekAnswer } from './theme';
export { loadToday, nextGoal, seasonWeek, type Load } from './load';
export { PRACTICE_IDS, PRACTICES, type Practice } from './practices';
export { adapted, isEnough, TIRED_REST_S, type Outcome } from './adapted';
export { REASON_KINDS, MINUTES, VERDICT_S, type Reason, type SessionBlock } from './session';
export { planSession } from './planner';
export { blockS, restBetweenS } from './lasts';
export type { PlanFor } from './planFor';
export { planWeek, type WeekDay } from './week';
export {
  dueRoutines,
  isAsWritten,
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
export { slotOf } from './slots';
export { answered, askedAbout, leftOutOn, notPlanned, WHY_LEFT, type LeftOut, type WhyLeft } from './leftOut';
export { elsewhereOf } from './elsewhere';
export { passageProgress, type PassageDay, type PassageProgress } from './passageProgress';
export { weekFacts, weekReport, type NoteOfWeek, type WeekFacts } from './weekReport';
export { standingOf } from './standing';
export { goalProgress, type GoalProgress } from './goalSteps';
export { secondsOn, slursOverBreak } from './playingTime';
export { daysUntilNext } from './targetDays';
export { TARGET_STATES, targetsOf, tryOf, type Target } from './targets';
export { PILLARS } from './pillarNames';
export { pillarOf } from './pillars';
