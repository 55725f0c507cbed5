/** Time between frames, seconds. The same live and from a file. */
export const HOP_S = 0.01;

/** How many partials each frame keeps. */
export const PARTIALS_KEPT = 20;

/** Level given to silence and to partials that were not found, dBFS. */
export const SILENCE_DB = -120;

/** How a tone began. Times in seconds from the first sample. */
export interface Attack {
  /** first moment of the sustained tone */
  readonly onsetS: number;
  /** first rise of breath noise above the room before it; the onset itself when no breath is heard first */
  readonly breathS: number;
  /** time in which the envelope grows from 10 to 90 % of its settled size, seconds */
  readonly riseS: number;
  /** for how long the octave below sounded with the tone at first; 0 when it did not, missing in older takes */
  readonly octaveBelowS?: number;
}

/**
 * Frames of a sound, one every {@link HOP_S}; frame i is centred on i × HOP_S seconds after the first sample.
 * All arrays have `count` entries but `partialsDb`, which has `count × PARTIALS_KEPT`.
 */
export interface Frames {
  readonly count: number;
  /** fundamental of the sounding tone, Hz; 0 where there is no tone */
  readonly f0Hz: Float32Array<ArrayBuffer>;
  /** periodicity of the frame at its pitch, 0–1; given also where no tone was decided */
  readonly confidence: Float32Array<ArrayBuffer>;
  /** RMS level, dBFS: a full-scale sine reads −3.0 */
  readonly levelDb: Float32Array<ArrayBuffer>;
  /** noise ÷ total power, dB (0 = only noise); 0 where there is no tone */
  readonly breathDb: Float32Array<ArrayBuffer>;
  /** amplitude-weighted mean partial number; 0 where there is no tone */
  readonly centroidPartials: Float32Array<ArrayBuffer>;
  /** one standard deviation expected of the frame's pitch, cents; 0 where there is no tone */
  readonly pitchErrorCents: Float32Array<ArrayBuffer>;
  /** peak amplitude of partial n at [i × PARTIALS_KEPT + n − 1], dBFS; SILENCE_DB where not found */
  readonly partialsDb: Float32Array<ArrayBuffer>;
  /** how tones began after a gap, finer than the frames, in order; not kept when frames are packed */
  readonly attacks: readonly Attack[];
}

/** Frames of `count` silent entries. */
export function emptyFrames(count: number): Frames {
  return {
    count,
    f0Hz: new Float32Array(count),
    confidence: new Float32Array(count),
    levelDb: new Float32Array(count).fill(SILENCE_DB),
    breathDb: new Float32Array(count),
    centroidPartials: new Float32Array(count),
    pitchErrorCents: new Float32Array(count),
    partialsDb: new Float32Array(count * PARTIALS_KEPT).fill(SILENCE_DB),
    attacks: [],
  };
}

/** Frames from index `from` up to, not including, `to`; limits beyond the ends give what there is. */
export function sliceFrames(frames: Frames, from: number, to: number): Frames {
  const start = Math.min(frames.count, Math.max(0, from));
  const end = Math.min(frames.count, Math.max(start, to));
  return {
    count: end - start,
    f0Hz: frames.f0Hz.slice(start, end),
    confidence: frames.confidence.slice(start, end),
    levelDb: frames.levelDb.slice(start, end),
    breathDb: frames.breathDb.slice(start, end),
    centroidPartials: frames.centroidPartials.slice(start, end),
    pitchErrorCents: frames.pitchErrorCents.slice(start, end),
    partialsDb: frames.partialsDb.slice(start * PARTIALS_KEPT, end * PARTIALS_KEPT),
    attacks: frames.attacks
      .map((attack) => ({
        ...attack,
        onsetS: attack.onsetS - start * HOP_S,
        breathS: attack.breathS - start * HOP_S,
      }))
      .filter(({ onsetS }) => onsetS >= 0 && onsetS < (end - start) * HOP_S),
  };
}
