export { migrate } from './migrate';
export { outOfBounds } from './outOfBounds';
export { packedLength, packFrames, unpackFrames } from './packedFrames';
export { fromInt16, toInt16 } from './pcm';
export type { TakeRecord, TakeSetup, TakeSound, TakeSource, WholeTake } from './record';
