export { alignSteps, type ExpectedStep } from './align';
export { bandAt, loudnessBand, LOUDNESS_BANDS, type ByLoudness, type LoudnessBand } from './byLoudness';
export { dropOuts, partialJumps, type DropOut, type PartialJump } from './interruptions';
export { type AudioPath } from './lateness';
export { absent, measured, valueOf, type AbsentReason, type Measured } from './measured';
export { median, movingMedian, quantile, quantiles, robustDeviation, theilSen } from './statistics';
export { rulerFrom, type RulerResult } from './ruler';
export { segmentNotes, segmentSpans, type FoundNote } from './segment';
export { type Stair } from './swellShape';
export {
  DEMAND_CENTS,
  limitOf,
  QUANTITY_ROWS,
  shown,
  type Demand,
  type QuantityName,
  type QuantityRow,
  type Unit,
} from './quantities.data';
export { measureTake, type StepMeasures, type TakeContext } from './takeMeasures';
export { OWN_NOTE_CENTS, toneBody, type ToneBody, type ToneSpan } from './tone';
export { toneChanges, type ToneChange } from './toneChanges';
export { type Hold, type HoldFault } from './hold';
export { type Release } from './release';
export { outline, overtonePair, pairOutlines, type OvertonePair } from './overtonePair';
export { spoke } from './spoke';
export { responseSeries, type ResponseSeries, type Restart } from './responseSeries';
export { slurContinuity, type SlurContinuity } from './slur';
export { LOOP_CLICK, loopDelay, type LoopDelay } from './loopDelay';
export { IN_TUNE_CENTS, tuneUp, type TuneUp } from './tuneUp';
export { type Bend } from './bend';
export { foldedCents } from './align';
