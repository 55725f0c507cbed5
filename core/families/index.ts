export { exerciseName, exerciseScore, FAMILIES, familyById, usualExercise } from './catalogue';
export { STAGES, type Family, type Stage } from './family';
export { isExercise, playable, tryScore, type FieldChange, type PlayableExercise } from './nearest';
export {
  swell,
  SWELL_DEFAULTS,
  SWELL_LIMITS,
  SWELL_SHAPES,
  type SwellParameters,
  type SwellShape,
} from './swell/swell';
