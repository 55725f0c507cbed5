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
export { dayNumber } from './days';
export { daysOf, familyProgress, hasSettled } from './progress';
export { wasTiring } from './tiring';
export { levelNow } from './level';
export { bestTake, weakestTake } from './bestTake';
export { milestonesOf, type Milestone } from './milestones';
export { tonesAfter, tonesKey, tonesWithout, type TonesOfDay } from './tones';
export { trend, type TonesAsked, type Trend, type TrendPoint } from './trend';
export { reedUseKey, reedUses, type ReedUse } from './reedUse';
export { isCell, isDigest, isMilestone, isReedUse, isTonesOfDay } from './told';
