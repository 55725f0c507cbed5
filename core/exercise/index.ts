export { breathBudget, type BreathBudget } from './breathBudget';
export {
  beatSeconds,
  plannedPosition,
  scoreBeats,
  TEMPO_RANGE_BPM,
  type Attack,
  type DynamicPoint,
  type FamilyId,
  type Score,
  type Step,
} from './score';
export { swell, SWELL_DEFAULTS, SWELL_LIMITS, SWELL_SHAPES, type SwellParameters, type SwellShape } from './swell';
