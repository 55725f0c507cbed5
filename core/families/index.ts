export { exerciseScore, FAMILIES, familyById, familyIfKnown, usualExercise } from './catalogue';
export { freePlay, heldText, isFree, MOST_HELD_NOTES, type HeldNote } from './catalogue/freePlay';
export { breathLimitS, breathShare, fittedToBreath, type Held } from './breath';
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
export { easierTurns, turned, type Room } from './turns';
export { exerciseKey, ownExerciseKey } from './identity';
export { fingeringOf } from './fingering';
export { isExercise, isPlayed, playable, tryScore, type FieldChange } from './nearest';
export { swell, SWELL_DEFAULTS, type SwellParameters } from './catalogue/swell';
