import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { hearingRangeHz } from '@inner-hum/core/exercise';
import { hear } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn, SeededRandom } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';

const RATE_HZ = 22050;
const FAMILIES = [
  'swell',
  'countedBreaths',
  'longToneScale',
  'threeZones',
  'hold',
  'zigzagDescent',
  'relaySwell',
  'homeNote',
];
const HORNS = ['alto', 'tenor', 'baritoneLowA', 'soprano'] as const;

/** A take of the stand-in player in a room, as a device without gain control gives it. */
export function cleanTake(seed: number) {
  const random = new SeededRandom(seed);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random.uniform() * list.length)]!;
  const parameters = { ...usualExercise(familyById(pick(FAMILIES)), pick(HORNS)), tempoBpm: 90 };
  const score = exerciseScore(parameters);
  const samples = playStandIn(score, {
    sampleRateHz: RATE_HZ,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    habits: { ...CLEAN_HABITS, roomS: pick([0, 0.25, 0.4]) },
    seed,
    leadS: 0.6,
    tailS: 0.6,
  });
  return { score, parameters, samples };
}

/** What an automatic gain makes of a sound: up in pauses and softness, down under loudness. */
export function withGainControl(samples: Float32Array, seed: number): Float32Array {
  const random = new SeededRandom(seed + 7000);
  const [releaseS, share] = [0.4 + 2.6 * random.uniform(), 0.6 + 0.4 * random.uniform()];
  const [mostDb, targetDb] = [15 + 12 * random.uniform(), -22];
  const attack = 1 - Math.exp(-1 / (0.02 * RATE_HZ));
  const release = 1 - Math.exp(-1 / (releaseS * RATE_HZ));
  let power = 1e-9;
  return Float32Array.from(samples, (sample) => {
    const now = sample * sample;
    power += (now > power ? attack : release) * (now - power);
    const db = 10 * Math.log10(power + 1e-12);
    return sample * 10 ** (Math.min(mostDb, share * (targetDb - db)) / 20);
  });
}

/** What noise suppression makes of a sound: pauses cut to silence. */
export function gated(samples: Float32Array): Float32Array {
  let power = 0;
  return Float32Array.from(samples, (sample) => {
    power += (sample * sample > power ? 0.01 : 0.0005) * (sample * sample - power);
    return power < 1e-7 ? 0 : sample;
  });
}

export function heardAs(score: ReturnType<typeof cleanTake>['score'], samples: Float32Array) {
  return hear(samples, { sampleRateHz: RATE_HZ, ...hearingRangeHz(score, 440) });
}
