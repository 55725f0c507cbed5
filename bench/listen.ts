import { toneChanges } from '@inner-hum/core/measure';
import { Ear, HOP_S } from '@inner-hum/core/signal';
import type { Library } from './libraries';
import type { Answer } from './score';

/** A change between tones counts as one of partial, or note, from this size on, cents. */
const CHANGE_CENTS = 150;

/** What was heard and what it took of one core, seconds. */
export interface Heard extends Answer {
  readonly cpuS: number;
}

/** Our ear, searching its whole band without knowing the horn. */
export function listen(samples: Float32Array, sampleRateHz: number): Heard {
  const started = process.cpuUsage();
  const ear = new Ear({ sampleRateHz });
  ear.push(samples);
  const frames = ear.finish();
  return {
    cpuS: cpuSince(started),
    f0Hz: frames.f0Hz,
    levelDb: frames.levelDb,
    onsetsS: frames.attacks.map((attack) => attack.onsetS),
    jumpsS: toneChanges(frames, CHANGE_CENTS).map((toneChange) => toneChange.atS),
  };
}

/** A library on the same sound, a window around every 10 ms. */
export function listenWith(library: Library, samples: Float32Array, sampleRateHz: number): Heard {
  const padded = new Float32Array(samples.length + 2 * library.windowSamples);
  padded.set(samples, library.windowSamples);
  const started = process.cpuUsage();
  const f0Hz = Float64Array.from({ length: Math.ceil(samples.length / sampleRateHz / HOP_S) }, (_, frame) => {
    const from = Math.round(frame * HOP_S * sampleRateHz) + library.windowSamples / 2;
    const hz = library.pitch(padded.slice(from, from + library.windowSamples));
    return Number.isFinite(hz) ? hz : 0;
  });
  return { cpuS: cpuSince(started), f0Hz };
}

function cpuSince(started: NodeJS.CpuUsage): number {
  const used = process.cpuUsage(started);
  return (used.user + used.system) / 1e6;
}
