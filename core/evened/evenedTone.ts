import type { TakeContext } from '@inner-hum/core/measure';
import { dbToAmplitude, HOP_S, type Frames } from '@inner-hum/core/signal';
import { controlsOf, type LikeTake } from './controls';
import { SincReader } from './sincReader';

export interface EvenedSettings extends TakeContext {
  readonly sampleRateHz: number;
  /** whether a vibrato that was played stays in the tone */
  readonly vibrato: 'kept' | 'evened';
  /** the take whose pitch and loudness it is drawn to; the plan when left out */
  readonly like?: LikeTake;
}

export interface Evened {
  /** as long as the take */
  readonly samples: Float32Array<ArrayBuffer>;
  /** planned tone that is as it was, since no tone or another one sounds there, seconds in the sound */
  readonly left: readonly { readonly fromS: number; readonly toS: number }[];
}

/** Two places of the sound are faded over so long when the reading jumps by periods, seconds. */
const SEAM_S = 0.008;
/** The reading jumps when it is so many periods ahead or behind. */
const JUMP_PERIODS = 0.75;

/**
 * A take's own sound with its pitch drawn to the planned line and its level to the planned dynamics, or both to those of
 * another take of the same score; its time is kept.
 * Nothing is made that was not played: where the tone is missing, or farther off than 60 cents, it stays so and is told.
 * `samples` in −1…1, frame 0 of `frames` at sample 0. The sound is read at a varying speed by a windowed sinc (J. O. Smith,
 * "Digital audio resampling", 1984) and jumps by whole periods where the reading gets ahead or behind (after
 * E. Moulines and F. Charpentier, "Pitch-synchronous waveform processing techniques", 1990).
 */
export function evenedTone(samples: Float32Array, frames: Frames, settings: EvenedSettings): Evened {
  const { sampleRateHz } = settings;
  const { cents, gainDb, left } = controlsOf(frames, settings, settings.vibrato, settings.like);
  const out = new Float32Array(samples.length);
  const read = new SincReader(samples);
  const hop = HOP_S * sampleRateHz;
  const seam = Math.round(SEAM_S * sampleRateHz);
  const last = Math.max(0, frames.count - 1);
  const along = (values: Float64Array, frame: number) => {
    const i = Math.min(last, Math.floor(frame));
    const next = Math.min(last, i + 1);
    return values[i]! + (frame - i) * (values[next]! - values[i]!);
  };
  let ahead = 0;
  let leaving = 0;
  let fade = 0;
  for (let n = 0; n < samples.length; n++) {
    const frame = Math.min(last, n / hop);
    ahead += 2 ** (along(cents, frame) / 1200) - 1;
    if (fade > 0) leaving += 2 ** (along(cents, frame) / 1200) - 1;
    else {
      const hz = frames.f0Hz[Math.round(frame)] ?? 0;
      const period = hz > 0 ? sampleRateHz / hz : 0;
      const jump =
        period > 0 ? (Math.abs(ahead) > JUMP_PERIODS * period ? Math.round(ahead / period) * period : 0) : ahead;
      if (Math.abs(jump) >= 1) {
        leaving = ahead;
        ahead -= jump;
        fade = seam;
      }
    }
    let value = read.at(n + ahead);
    if (fade > 0) {
      const share = 0.5 + 0.5 * Math.cos((Math.PI * fade) / seam);
      value = share * value + (1 - share) * read.at(n + leaving);
      fade--;
    }
    out[n] = dbToAmplitude(along(gainDb, frame)) * value;
  }
  return { samples: out, left };
}
