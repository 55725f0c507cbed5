/** A pitch that goes to and fro, so far to each side, each way in a time drawn between two, seconds. */
export interface Wander {
  readonly cents: number;
  readonly fromS: number;
  readonly toS: number;
}

/** One tone of a bench case. Times in seconds, cents against `hz`. */
export interface Tone {
  readonly startS: number;
  readonly endS: number;
  readonly hz: number;
  /** peak amplitude of the settled tone */
  readonly amplitude: number;
  /** pulse sharpness: 1 dull … 40 bright */
  readonly brightness: number;
  /** dB by which the fundamental is held under its neighbours */
  readonly fundamentalDownDb?: number;
  readonly attackS?: number;
  readonly releaseS?: number;
  readonly jitterCents?: number;
  readonly vibrato?: { readonly hz: number; readonly cents: number };
  readonly wanders?: Wander;
  /** the tube's own fundamental as n-th part of the pitch, and how far under the tone it stays, dB */
  readonly residue?: { readonly partial: number; readonly db: number };
  /** every other period is larger by this share for a while after the start: the octave below sounds with the tone */
  readonly doubling?: { readonly share: number; readonly fromS: number; readonly forS: number };
  /** how far single periods differ in size, as a share of it */
  readonly shimmer?: number;
  /** breath noise under the tone, dB */
  readonly breathDb?: number;
  /** how long breath alone comes before the tone, seconds */
  readonly airBeforeS?: number;
  /** amplitude over the tone's length, 0–1 in, factor out */
  readonly shape?: (place: number) => number;
}

export interface BenchCase {
  readonly name: string;
  readonly trap: string;
  readonly lengthS: number;
  readonly tones: readonly Tone[];
  /** one made another way, beside them */
  readonly summed?: SummedTone;
  readonly minHz?: number;
  readonly maxHz?: number;
  readonly hum?: { readonly hz: number; readonly db: number };
  readonly noiseDb?: number;
  readonly clicks?: { readonly everyS: number; readonly hz: number; readonly amplitude: number };
  readonly keyClicks?: boolean;
  /** how the keys of a worn horn rattle as the room is walked about in: longer and more of one pitch than a click */
  readonly rattle?: boolean;
  readonly speech?: boolean;
  readonly whisper?: boolean;
  readonly reverbS?: number;
  readonly offset?: number;
  readonly gain?: number;
  readonly clip?: number;
}

/** Sound with its truth, one entry each 10 ms. `voiced`: 1 tone, 0 none, −1 neither is an error (edges, tails). */
export interface Truth {
  readonly sampleRateHz: number;
  readonly samples: Float32Array;
  readonly f0Hz: Float64Array;
  readonly voiced: Int8Array;
  readonly levelDb: Float64Array;
  readonly onsetsS: readonly number[];
  readonly jumpsS: readonly number[];
}

export const RATE_HZ = 44100;
export const HOP_S = 0.01;

/** A rough subtone: every period of another size and length, under breath that comes in pulses with the reed. */
export interface SummedTone {
  readonly startS: number;
  readonly endS: number;
  readonly hz: number;
  /** how far single periods differ in length, cents, and in size, as a share of it */
  readonly jitterCents: number;
  readonly shimmer: number;
  readonly wanders?: Wander;
  /** power of the breath against the tone, dB; how far it follows the reed, 0 steady … 1 shut once a period */
  readonly breathDb: number;
  readonly breathPulse: number;
}
