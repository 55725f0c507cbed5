export { dropOuts, partialJumps, type DropOut, type PartialJump } from './interruptions';
export { type AudioPath } from './lateness';
export { absent, measured, valueOf, type AbsentReason, type Measured } from './measured';
export { median, movingMedian, quantile, robustDeviation, theilSen } from './statistics';
export { rulerFrom, type RulerResult } from './ruler';
export { segmentNotes, type FoundNote } from './segment';
export { type Stair } from './swellShape';
export { DEMAND_CENTS, measureTake, type Demand, type StepMeasures, type TakeContext } from './takeMeasures';
export { findTone, OWN_NOTE_CENTS, toneBody, toneOnsetS, type ToneBody, type ToneSpan } from './tone';
