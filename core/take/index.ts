export { freeTake, heldTones, type FreeTake, type HeldTone, type FreeWish, type Masked } from './freePlay';
export { migrate } from './migrate';
export { takeOf, type HeardTake } from './outcome';
export { modelOf, type Model, type ModelTone } from './model';
export { outOfBounds } from './outOfBounds';
export { packedLength, packFrames, unpackFrames } from './packedFrames';
export { fromInt16, toInt16 } from './pcm';
export { assignmentOf, planTake, type OpenAssignment, type TakePlan, type TakeWish } from './plan';
export type { PickUp, TakeRecord, TakeRemark, TakeSetup, TakeSource, WholeTake } from './record';
