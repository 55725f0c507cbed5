export { bandLimitHz } from './bandLimit';
export { dbToAmplitude } from './decibels';
export { Ear, hear, LIVE_LAG_FRAMES, type LiveFrame } from './ear';
export { emptyFrames, HOP_S, PARTIALS_KEPT, SILENCE_DB, sliceFrames, type Attack, type Frames } from './frames';
