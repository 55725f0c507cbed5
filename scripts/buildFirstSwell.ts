import { writeFileSync } from 'node:fs';
import { askedHz, hearingRangeHz } from '@inner-hum/core/exercise';
import { exerciseScore } from '@inner-hum/core/families';
import { hear } from '@inner-hum/core/signal';
import { playStandIn } from '@inner-hum/core/simulate';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { FIRST_SWELL } from '../web/src/ribbon/firstSwell';

/** What the ear hears of the stand-in's swell that the first screen shows: each second frame, small enough to come with it. */
const EVERY = 2;
const RATE_HZ = 44_100;

const { exercise, player } = FIRST_SWELL;
const score = exerciseScore(exercise);
const samples = playStandIn(score, { sampleRateHz: RATE_HZ, ...player });
const frames = hear(samples, { sampleRateHz: RATE_HZ, ...hearingRangeHz(score, player.a4Hz) });
const { targetHz } = askedHz(score, score.steps[0]!, player.a4Hz);
const rows = Array.from({ length: Math.floor(frames.count / EVERY) }, (_, i) => i * EVERY);
const heard = {
  every: EVERY,
  // null: no tone.
  cents: rows.map((i) =>
    frames.f0Hz[i]! > 0 ? Math.round(10 * centsBetweenHz(targetHz, frames.f0Hz[i]!)) / 10 : null,
  ),
  levelDb: rows.map((i) => Math.round(10 * frames.levelDb[i]!) / 10),
  breathDb: rows.map((i) => Math.round(frames.breathDb[i]!)),
};
writeFileSync('web/src/ribbon/firstSwell.json', `${JSON.stringify(heard)}\n`);
