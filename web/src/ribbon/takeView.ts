import { beatSeconds, scoreBeats } from '@inner-hum/core/exercise';
import type { TakeRecord, TakeSetup } from '@inner-hum/core/take';
import { DEMAND_CENTS } from '@inner-hum/core/measure';
import type { Frames } from '@inner-hum/core/signal';
import { openBars, ribbonSteps } from './view';

/** The seconds of a take that one beat of it takes, beats counted from 1. */
export function beatPlace({ score, firstBeatS }: TakeRecord, beat: number) {
  const beatS = beatSeconds(score);
  const fromS = firstBeatS + (beat - 1) * beatS;
  return { fromS, toS: fromS + beatS };
}

/** The beat of a take that a place in it, seconds, belongs to: its first or last where it lies outside. */
export function beatAt({ score, firstBeatS }: TakeRecord, placeS: number): number {
  const beat = Math.floor((placeS - firstBeatS) / beatSeconds(score)) + 1;
  return Math.max(1, Math.min(Math.ceil(scoreBeats(score)), beat));
}

/** What of a take the ribbon draws. */
type Drawn = Pick<TakeRecord, 'score' | 'firstBeatS' | 'lost'> & {
  readonly setup: Pick<TakeSetup, 'ruler' | 'demand' | 'a4Hz'>;
};

/** Everything the ribbon needs of a kept take. */
export function takeView(take: Drawn, frames: Pick<Frames, 'count' | 'f0Hz' | 'levelDb' | 'breathDb'>) {
  const { score, firstBeatS, setup } = take;
  const beatS = beatSeconds(score);
  const endS = firstBeatS + scoreBeats(score) * beatS;
  return {
    ruler: setup.ruler,
    windowCents: DEMAND_CENTS[setup.demand],
    hidden: false,
    fromS: Math.max(0, firstBeatS - 0.4),
    toS: endS + 0.3,
    steps: ribbonSteps(score, firstBeatS, setup.a4Hz),
    open: openBars(score, firstBeatS),
    beats: { firstS: firstBeatS, beatS, perBar: score.beatsPerBar },
    ...(take.lost && { lost: take.lost }),
    frames: { count: frames.count, startS: 0, f0Hz: frames.f0Hz, levelDb: frames.levelDb, breathDb: frames.breathDb },
  };
}
