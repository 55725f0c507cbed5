import { expose } from 'comlink';
import { compare, type Digest } from '@inner-hum/core/plan';
import { SeededRandom } from '@inner-hum/core/simulate';

/** The same takes give the same intervals. */
const SEED = 1;

const service = {
  compare: (first: readonly Digest[], second: readonly Digest[]) => {
    const random = new SeededRandom(SEED);
    return compare(first, second, () => random.uniform());
  },
};
export type CompareService = typeof service;
expose(service);
