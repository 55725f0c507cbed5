import { valueOf } from '@inner-hum/core/measure';
import type { TakeRecord, WholeTake } from '@inner-hum/core/take';
import { WorkerService } from '../base/workerService';
import type { EvenService, PackedTake } from './even.worker';
import { soundOf } from './playback';

/** A take's own tone evened: see `evenedTone` of the core. */
export interface EvenedSound {
  readonly sampleRateHz: number;
  readonly samples: Float32Array<ArrayBuffer>;
  /** seconds of planned tone that are as they were, since nothing near them sounds there */
  readonly leftS: number;
}

/** Whether a take was played with a vibrato, which an evened tone may keep. */
export function hasVibrato({ measures }: Pick<TakeRecord, 'measures'>): boolean {
  return measures.some((step) => step.kind === 'sounded' && valueOf(step.vibratoHz) !== undefined);
}

/**
 * Evens a take in a worker of its own, to its plan or, where there is a `like`, to that take's pitch and loudness;
 * undefined when its sound was not kept.
 */
export async function evenedSound(
  take: WholeTake,
  vibrato: 'kept' | 'evened',
  like?: WholeTake,
): Promise<EvenedSound | undefined> {
  const sound = soundOf(take);
  if (!sound) return undefined;
  const { sampleRateHz } = sound;
  const worker = new WorkerService<EvenService>(
    () => new Worker(new URL('./even.worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    const settings = { vibrato, sampleRateHz };
    const { samples, left } = await worker.ask.even(sound.samples, packed(take), settings, like && packed(like));
    return { sampleRateHz, samples, leftS: left.reduce((sum, { fromS, toS }) => sum + toS - fromS, 0) };
  } finally {
    worker.end();
  }
}

function packed({ record, frames }: WholeTake): PackedTake {
  const { score, firstBeatS, setup, audioPath, onBeat, frameCount } = record;
  return {
    packed: new Uint8Array(frames),
    count: frameCount,
    context: { score, firstBeatS, audioPath, onBeat, ...setup },
  };
}
