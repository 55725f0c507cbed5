export { bandLimitHz } from './bandLimit';
export { dbToAmplitude } from './decibels';
export { Ear, hear } from './ear';
export { LIVE_LAG_FRAMES, type LiveFrame } from './earParts';
export { powerAt } from './goertzel';
export { UpperMix } from './upperMix';
export { warmUp } from './warmUp';
export { emptyFrames, HOP_S, PARTIALS_KEPT, SILENCE_DB, sliceFrames, type Attack, type Frames } from './frames';
