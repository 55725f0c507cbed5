import { evenedTone, type Evened, type EvenedSettings } from '@inner-hum/core/evened';
import type { TakeContext } from '@inner-hum/core/measure';
import { unpackFrames } from '@inner-hum/core/take';
import { expose, transfer } from 'comlink';

/** The frames of a take as they are kept, and what is needed to read them. */
export interface PackedTake {
  readonly packed: Uint8Array<ArrayBuffer>;
  readonly count: number;
  readonly context: TakeContext;
}

const service = {
  /** `like`: the take to which it is drawn; the plan when left out */
  even(
    samples: Float32Array<ArrayBuffer>,
    { packed, count, context }: PackedTake,
    settings: Pick<EvenedSettings, 'sampleRateHz' | 'vibrato'>,
    like?: PackedTake,
  ): Evened {
    const evened = evenedTone(samples, unpackFrames(packed, count), {
      ...context,
      ...settings,
      ...(like && { like: { frames: unpackFrames(like.packed, like.count), context: like.context } }),
    });
    return transfer(evened, [evened.samples.buffer]);
  },
};
export type EvenService = typeof service;
expose(service);
