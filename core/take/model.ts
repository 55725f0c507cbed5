import {
  colourOverLevel,
  placedBody,
  toneOutline,
  type ColourAtLevel,
  type StepMeasures,
  type TubeGuess,
} from '@inner-hum/core/measure';
import { hear, type Frames } from '@inner-hum/core/signal';
import { instrumentById, writtenMidi } from '@inner-hum/core/theory';
import { freeTake, heldTones, type FreeWish } from './freePlay';
import { tubeUnder } from './tubeUnder';

/** Louder than this under the loudest, something sounds, dB. */
const SOUNDS_DB = 40;
/** A tone is clear of other sound when noise lies so far under it, dB. */
const CLEAR_DB = -8;
/** So large a share of what sounds must be clear tone, else more than one horn is heard. Our choice, from recorded tones. */
const ALONE_SHARE = 0.6;
/** A tone is learnt from when it lasts so long, seconds; a vibrato may be as wide as it likes, cents. */
const HELD = { forS: 0.8, steadyCents: 60 };
/** Edges of a tone that tell of its start and end rather than of its tube, seconds. */
const EDGE_S = 0.2;

/** A tone of a recording that is learnt from. Times in seconds from the recording's first sample. */
export interface ModelTone {
  readonly fromS: number;
  readonly toS: number;
  /** as a horn of this size would write it */
  readonly writtenMidi: number;
  readonly measures: Extract<StepMeasures, { readonly kind: 'sounded' }>;
  readonly tube: TubeGuess;
  /** its partials up to 5 kHz, dB against their own mean */
  readonly outline: readonly number[];
  /** how bright it is at which loudness */
  readonly colour: readonly ColourAtLevel[];
}

/** What a recording tells: its held tones; nothing of one in which others sound along. */
export type Model =
  | { readonly kind: 'heard'; readonly tones: readonly ModelTone[] }
  | { readonly kind: 'notAlone' }
  | { readonly kind: 'nothing' };

/**
 * Held tones of a recording to learn from, measured like a player's own. How loud they were in their room, how far the
 * microphone stood and what was done to the sound afterwards no recording tells: levels count within it alone.
 */
export function modelOf(samples: Float32Array, sampleRateHz: number, wish: FreeWish): Model {
  const frames = hear(samples, { sampleRateHz });
  const share = clearShare(frames);
  if (share === undefined) return { kind: 'nothing' };
  if (share < ALONE_SHARE) return { kind: 'notAlone' };
  const horn = instrumentById(wish.hornId ?? wish.setup.instrumentId);
  const tones = heldTones(frames, wish, 0, HELD).flatMap((tone): ModelTone[] => {
    const [measures] = freeTake([tone], wish)?.heard.measures ?? [];
    if (measures?.kind !== 'sounded') return [];
    const written = writtenMidi(horn, tone.soundingMidi);
    const at = (seconds: number) => Math.round(seconds * sampleRateHz);
    const placed = { ...tone, targetHz: tone.f0HzMedian };
    const steady = samples.subarray(at(tone.onsetS + EDGE_S), at(tone.endS - EDGE_S));
    return [
      {
        fromS: tone.onsetS,
        toS: tone.endS,
        writtenMidi: written,
        measures,
        tube: tubeUnder(steady, sampleRateHz, tone.f0HzMedian, wish, written),
        outline: toneOutline(frames, placed),
        colour: colourOverLevel(placedBody(frames, placed)),
      },
    ];
  });
  return tones.length > 0 ? { kind: 'heard', tones } : { kind: 'nothing' };
}

/** Which share of what sounds is one clear tone; undefined where nothing does. */
function clearShare({ count, f0Hz, breathDb, levelDb }: Frames): number | undefined {
  const loudest = levelDb.reduce((most, db) => Math.max(most, db), -Infinity);
  const sounding = Array.from({ length: count }, (_, i) => i).filter((i) => levelDb[i]! > loudest - SOUNDS_DB);
  if (sounding.length === 0 || loudest < -90) return undefined;
  return sounding.filter((i) => f0Hz[i]! > 0 && breathDb[i]! <= CLEAR_DB).length / sounding.length;
}
