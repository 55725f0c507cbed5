export { bandAt, LOUDNESS_BANDS, type LoudnessBand } from './byLoudness';
export { dropOuts, mayMix, partialJumps, upperMixed, type PartialJump } from './interruptions';
export { type AudioPath } from './lateness';
export { absent, measured, valueOf, type Measured } from './measured';
export { median, movingMedian, quantile, quantiles, robustDeviation, theilSen } from './statistics';
export { clippedStretches, gainControl, type GainControl } from './gainControl';
export { firstNote, type FirstNote } from './firstNote';
export { ClockWatch, lostBetween, lostSeconds, MOST_LOST_SHARE, ZeroRuns, type LostSound } from './lostSound';
export { FAR_BELOW_DB, roomBelowDb } from './roomBelow';
export { rulerFrom } from './ruler';
export { segmentNotes, segmentSpans, type FoundNote } from './segment';
export {
  DEMAND_CENTS,
  limitOf,
  QUANTITY_ROWS,
  shown,
  STEP_QUANTITIES,
  type Demand,
  type QuantityName,
  type StepQuantity,
  type QuantityRow,
  type Unit,
} from './quantities.data';
export { measureTake, type StepMeasures } from './takeMeasures';
export { tonesOfSteps, type TakeContext, type ToneOfStep } from './tonesOfSteps';
export { toneChanges } from './toneChanges';
export { colourOverLevel, type ColourAtLevel } from './colour';
export { pairOutlines, toneOutline } from './overtonePair';
export { spoke } from './spoke';
export { LEAST_HOLD_S } from './hold';
export { responseSeries } from './responseSeries';
export { LOOP_CLICK, loopDelay, type LoopDelay } from './loopDelay';
export { tuneUp, type TuneUp } from './tuneUp';
export { foldedCents } from './align';
export { brokeAtS, brokeUnderPDb, heldUnderPDb, levelOfP } from './edge';
export { placedBody, toneBody } from './tone';
export { HoldWatch } from './holdWatch';
export { lowDrop, type LowDrop } from './lowDrop';
export { tubeOf, type TubeGuess } from './tubeOf';
