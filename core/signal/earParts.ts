import { Decimator } from './decimator';
import { Harmonics } from './harmonics';
import { Periodicity } from './periodicity';
import { samplesFor } from './sampleStore';

/** How many frames a live decision waits for what follows (20 ms). */
export const LIVE_LAG_FRAMES = 2;
/**
 * Pitch bands, highest first: from which pitch up, Hz, by how much the sound is thinned for it, and how much finer than
 * its samples lags are looked at. Pitches are decided by what lies under 2.5 kHz, and low ones need long windows. More bands would be cheaper and wrong: a window must hold two
 * periods of the tone an octave under its band, or it can't tell the octave.
 */
const BANDS = [
  { fromHz: 110, factor: 2, finer: 2 },
  { fromHz: 48, factor: 4, finer: 1 },
] as const;
/** A band is thinned no further than to this many times its highest pitch. */
const LEAST_RATE = 2.5;
/**
 * Lags lie no farther apart than this: between coarser ones the peak of a bright tone is missed, and its octave, whose lag
 * happens to meet one, wins (a bass's swell at 16 kHz).
 */
const LEAST_LAG_RATE_HZ = 5000;
/** Layers of the sound, each half as fine as the one before: low tones have all their partials in a coarse one. */
const LAYERS = 3;
/** Bands overlap by this factor. */
const OVERLAP = 1.06;

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

/** The layers of a sound that is thinned by `factor` to `rateHz` at first. */
export function layersOf(rateHz: number, factor: number, minHz: number, retainS: number): Layer[] {
  return Array.from({ length: LAYERS }, (_, i) => {
    const rate = rateHz / 2 ** i;
    const thin = new Decimator(i === 0 ? factor : 2, samplesFor(retainS, rate));
    return { thin, factor: 2 ** i, harmonics: new Harmonics(rate, minHz) };
  });
}

/** The bands between two pitches, each in the layer that it is looked for in. */
export function bandsOf(layers: readonly Layer[], rateHz: number, minHz: number, maxHz: number): Band[] {
  return BANDS.flatMap(({ fromHz, ...band }, i): Band[] => {
    const above = BANDS[i - 1]?.fromHz ?? maxHz / OVERLAP;
    if (minHz >= above) return [];
    const toHz = Math.min(maxHz, above * OVERLAP);
    const coarse = rateHz / band.factor >= LEAST_RATE * toHz;
    const factor = coarse ? band.factor : 1;
    const finer = Math.max(coarse ? band.finer : 1, doubledUpTo(LEAST_LAG_RATE_HZ / (rateHz / factor)));
    const layer = layers.find((candidate) => candidate.factor === factor)!;
    return [{ periodicity: new Periodicity(rateHz / factor, Math.max(fromHz, minHz), toHz, finer), layer }];
  });
}

/** The least power of two that is no smaller. */
function doubledUpTo(times: number): number {
  return 2 ** Math.max(0, Math.ceil(Math.log2(times)));
}
