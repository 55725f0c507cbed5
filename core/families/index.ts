export { exerciseScore, FAMILIES, familyById, usualExercise } from './catalogue';
export { breathLimitS, fittedToBreath, type Held } from './breath';
export { STAGES, topicsOf, type Family, type Stage } from './family';
export {
  CHANGE_IDS,
  GOAL_KINDS,
  LEVELS,
  mainNoteOf,
  TOPICS,
  type Aim,
  type Aspect,
  type ChangeId,
  type FieldValues,
  type GoalKind,
  type Level,
  type PlayerNow,
  type Topic,
  type Turn,
  type WantedWork,
} from './teaching';
export { turned, type Room } from './turns';
export { exerciseKey, ownExerciseKey } from './identity';
export { isExercise, playable, tryScore, type FieldChange } from './nearest';
export { swell, SWELL_DEFAULTS, type SwellParameters } from './swell/swell';
