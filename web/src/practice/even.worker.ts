import { evenedTone, type Evened, type EvenedSettings } from '@inner-hum/core/evened';
import { unpackFrames } from '@inner-hum/core/take';
import { expose, transfer } from 'comlink';

const service = {
  even(
    samples: Float32Array<ArrayBuffer>,
    packed: Uint8Array<ArrayBuffer>,
    count: number,
    settings: EvenedSettings,
  ): Evened {
    const evened = evenedTone(samples, unpackFrames(packed, count), settings);
    return transfer(evened, [evened.samples.buffer]);
  },
};
export type EvenService = typeof service;
expose(service);
