import { expose } from 'comlink';
import { changeWorthKnowing, compare, type Digest } from '@inner-hum/core/plan';
import { SeededRandom } from '@inner-hum/core/simulate';

/** The same takes give the same intervals. */
const SEED = 1;
const seeded = () => {
  const random = new SeededRandom(SEED);
  return () => random.uniform();
};

const service = {
  compare: (first: readonly Digest[], second: readonly Digest[]) => compare(first, second, seeded()),
  changeWorthKnowing: (digests: readonly Digest[], nowMs: number) => changeWorthKnowing(digests, nowMs, seeded()),
};
export type CompareService = typeof service;
expose(service);
