import { modelOf, type FreeWish, type Model } from '@inner-hum/core/take';
import { expose } from 'comlink';

const service = {
  modelOf: (samples: Float32Array<ArrayBuffer>, sampleRateHz: number, wish: FreeWish): Model =>
    modelOf(samples, sampleRateHz, wish),
};
export type ModelService = typeof service;
expose(service);
