import { expose } from 'comlink';
import {
  blindOf,
  changeWorthKnowing,
  compare,
  experimentAnswer,
  pairsOf,
  type Comparison,
  type Experiment,
  type ExperimentAnswer,
} from '@inner-hum/core/experiments';
import { trialTag } from '@inner-hum/core/history';
import { SeededRandom } from '@inner-hum/core/simulate';
import { findDigests, type TakeFilter } from './search';

/** The same takes give the same intervals. */
const SEED = 1;
/** Each side is its newest takes, so many at most. */
const MOST = 300;

const seeded = () => {
  const random = new SeededRandom(SEED);
  return () => random.uniform();
};

const service = {
  async compare(first: TakeFilter, second: TakeFilter): Promise<Comparison[]> {
    const [a, b] = await Promise.all([findDigests(first, MOST), findDigests(second, MOST)]);
    return compare(a, b, seeded());
  },
  /** What the takes of an experiment answer so far, and what was heard of each two ways. */
  async experiment(experiment: Experiment): Promise<{
    readonly answer: ExperimentAnswer;
    readonly blind: readonly ReturnType<typeof blindOf>[];
  }> {
    const takes = await findDigests({ tags: [trialTag(experiment.id)], since: '' }, MOST);
    return {
      answer: experimentAnswer(experiment, takes),
      blind: pairsOf(experiment).map((pair) => blindOf(experiment, pair)),
    };
  },
  /** `since` and all later days of one size of horn; see {@link changeWorthKnowing} */
  async changeWorthKnowing(filter: TakeFilter, nowMs: number): Promise<Comparison | undefined> {
    return changeWorthKnowing(await findDigests(filter), nowMs, seeded());
  },
};
export type CompareService = typeof service;
expose(service);
