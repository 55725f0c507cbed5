export { migrate } from './migrate';
export { takeOf, type HeardTake, type TakeFacts } from './outcome';
export { outOfBounds } from './outOfBounds';
export { packedLength, packFrames, unpackFrames } from './packedFrames';
export { fromInt16, toInt16 } from './pcm';
export { assignmentOf, planTake, type LookBack, type OpenAssignment, type TakePlan, type TakeWish } from './plan';
export type { TakeRecord, TakeSetup, TakeSound, TakeSource, WholeTake } from './record';
