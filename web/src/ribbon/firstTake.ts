import { askedHz } from '@inner-hum/core/exercise';
import { exerciseScore } from '@inner-hum/core/families';
import heard from './firstSwell.json';
import { FIRST_SWELL } from './firstSwell';
import { takeView } from './takeView';

const { exercise, player } = FIRST_SWELL;

/** The ribbon of the stand-in's swell, as the ear heard it when the application was made. */
export function firstTake() {
  const score = exerciseScore(exercise);
  const { targetHz } = askedHz(score, score.steps[0]!, player.a4Hz);
  const count = heard.cents.length * heard.every;
  const row = (i: number) => Math.floor(i / heard.every);
  const frames = {
    count,
    f0Hz: Float32Array.from({ length: count }, (_, i) => {
      const cents = heard.cents[row(i)];
      return cents === null || cents === undefined ? 0 : targetHz * 2 ** (cents / 1200);
    }),
    levelDb: Float32Array.from({ length: count }, (_, i) => heard.levelDb[row(i)]!),
    breathDb: Float32Array.from({ length: count }, (_, i) => heard.breathDb[row(i)]!),
  };
  const setup = { ruler: player.ruler, demand: 'firm', a4Hz: player.a4Hz } as const;
  return { score, frames, view: takeView({ score, firstBeatS: player.leadS, setup }, frames) };
}
