import type { Decimator } from './decimator';
import type { Harmonics } from './harmonics';
import type { Periodicity } from './periodicity';

/** How many frames a live decision waits for what follows (20 ms). */
export const LIVE_LAG_FRAMES = 2;
/**
 * Pitch bands, highest first: from which pitch up, Hz, by how much the sound is thinned for it, and how much finer than
 * its samples lags are looked at. Pitches are decided by what lies under 2.5 kHz, and low ones need long windows. More bands would be cheaper and wrong: a window must hold two
 * periods of the tone an octave under its band, or it can't tell the octave.
 */
export const BANDS = [
  { fromHz: 110, factor: 2, finer: 2 },
  { fromHz: 48, factor: 4, finer: 1 },
] as const;
/** A band is thinned no further than to this many times its highest pitch. */
export const LEAST_RATE = 2.5;
/**
 * Lags lie no farther apart than this: between coarser ones the peak of a bright tone is missed, and its octave, whose lag
 * happens to meet one, wins (a bass's swell at 16 kHz).
 */
export const LEAST_LAG_RATE_HZ = 5000;
/** Layers of the sound, each half as fine as the one before: low tones have all their partials in a coarse one. */
export const LAYERS = 3;
/** Bands overlap by this factor. */
export const OVERLAP = 1.06;

export interface EarSettings {
  readonly sampleRateHz: number;
  readonly minHz?: number;
  readonly maxHz?: number;
  /** how many seconds of sound stay readable; all by default */
  readonly retainS?: number;
}

/** A frame as decided live. Reused: copy what you keep. */
export interface LiveFrame {
  index: number;
  f0Hz: number;
  confidence: number;
  levelDb: number;
  breathDb: number;
  /** whether its octave or twelfth mixes into the tone: the early sign of a break */
  upperMixes: boolean;
}

/** The sound thinned once more by two, and what measures partials in it. */
export interface Layer {
  readonly thin: Decimator;
  /** by how much it is thinner than the first layer */
  readonly factor: number;
  readonly harmonics: Harmonics;
}

/** Where the pitches of a band are looked for. */
export interface Band {
  readonly periodicity: Periodicity;
  readonly layer: Layer;
}
