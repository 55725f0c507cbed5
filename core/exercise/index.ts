export { cautionsFor, type Caution } from './cautions';
export { hearingRangeHz } from './hearingRange';
export { breathFit, type BreathFit } from './breathFit';
export { breathBudget, type BreathBudget } from './breathBudget';
export { exerciseName, exerciseScore, FAMILIES, familyById, usualExercise } from './families';
export { highestNote, STAGES, type ExerciseParameters, type Family, type Field, type Stage } from './family';
export {
  swell,
  SWELL_DEFAULTS,
  SWELL_LIMITS,
  SWELL_SHAPES,
  type SwellParameters,
  type SwellShape,
} from './families/swell';
export {
  beatSeconds,
  longestRestBeats,
  plannedPosition,
  scoreBeats,
  TEMPO_RANGE_BPM,
  type Attack,
  type DynamicPoint,
  type Score,
  type Step,
} from './score';
export { isExercise, playable, tryScore, type FieldChange, type PlayableExercise } from './nearest';
export { NotPlayable, type ExerciseIssue } from './issue';
export { isPhrase, parsePhrase, phraseText, PhraseError, type PhraseNote } from './phrase';
export { scoreToAbc } from './notation';
export {
  bestRoute,
  describeRoute,
  NoSourceError,
  ROUTE_AIMS,
  ROUTE_COST,
  routeChoices,
  type OwnSource,
  type Route,
  type RouteAim,
  type RouteOptions,
} from './routes';
