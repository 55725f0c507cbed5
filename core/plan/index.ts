export { QUANTITIES, observations, type Observation, type Quantity } from './observation';
export {
  DEMO_TAG,
  digestOf,
  pastTakeOf,
  exerciseTag,
  setupKey,
  SETUP_PARTS,
  type Digest,
  type DigestibleTake,
  type SetupNames,
  type SetupPart,
} from './digest';
export { cellsAfter, cellsFrom, RECENT, type Cell } from './cells';
export { heldFor, isLoud, longestHolds, type HeldTone, type Holds } from './holds';
export { estimate, knownValue, type Estimate } from './estimate';
export { difference, hornMap, ofNote, type NoteOnMap } from './hornMap';
export { seams, SEAM_QUANTITIES, type Seam, type SeamQuantity } from './seams';
export {
  evenness,
  EVENNESS_PARTS,
  LEAST_NOTES,
  type Evenness,
  type EvennessPart,
  type PartOfEvenness,
} from './evenness';
export { compare, type Comparison } from './compare';
export { leakWatch, type LeakWatch } from './leakWatch';
export { hornPattern, type HornPattern, type KeyedZone } from './pattern';
export { fingeringTrials, type FingeringTrials } from './fingeringTrials';
export { exerciseFor, exerciseForSeam } from './exerciseFor';
export { needs, NEED_REASONS, type Need, type NeedReason } from './needs';
export { adapted, VERDICT_S, type Goal, type Outcome, type Reason, type SessionBlock } from './session';
export { levelNow } from './level';
export { blockS, MINUTES, planSession } from './planner';
export type { PlanFor } from './planFor';
export { changeWorthKnowing } from './changeWorthKnowing';
export { planWeek, type WeekDay } from './week';
export { firstsOf, type KeptFirst, type Milestone } from './milestones';
export { tonesAfter, tonesKey, tonesWithout, type TonesOfDay } from './tones';
export { trend, type TonesAsked, type Trend, type TrendPoint } from './trend';
export { ownSources, type OwnCell } from './ownSources';
export { isCell, isDigest, isKeptFirst, isTonesOfDay } from './told';
