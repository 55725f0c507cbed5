import { hearingRangeHz } from '@inner-hum/core/exercise';
import { evenedTone } from '@inner-hum/core/evened';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { tonesOfSteps, type TakeContext } from '@inner-hum/core/measure';
import { hear, PARTIALS_KEPT, type Frames } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn, withFault, type FaultName } from '@inner-hum/core/simulate';
import { ASSUMED_RULER, centsBetweenHz, type InstrumentId } from '@inner-hum/core/theory';
import { playRecorded, type RecordedFault } from './realTakes';
import { quantile, table } from './score';
import { writePage } from './pages';

const RATE_HZ = 44100;
/** Frames at both ends of a tone that are its attack and its release. */
const EDGE_FRAMES = 12;
/** Partials of this many are compared, where they are louder than this, dBFS. */
const PARTIALS = 8;
const HEARD_DB = -75;

interface Case {
  readonly family: string;
  readonly horn: InstrumentId;
  readonly fault: FaultName | RecordedFault | 'clean';
  readonly by: 'stand-in' | 'recorded tones';
}
const CASES: readonly Case[] = [
  { family: 'swell', horn: 'alto', fault: 'sharpWhenSoft', by: 'stand-in' },
  { family: 'swell', horn: 'tenor', fault: 'stair', by: 'stand-in' },
  { family: 'swell', horn: 'baritone', fault: 'sinking', by: 'stand-in' },
  { family: 'swell', horn: 'soprano', fault: 'dropOut', by: 'stand-in' },
  { family: 'oneBreathDescent', horn: 'alto', fault: 'uneven', by: 'stand-in' },
  { family: 'swell', horn: 'alto', fault: 'sharp', by: 'recorded tones' },
  { family: 'swell', horn: 'tenor', fault: 'stair', by: 'recorded tones' },
  { family: 'longToneScale', horn: 'alto', fault: 'flat', by: 'recorded tones' },
];
const numbers = (values: readonly number[], digits: number) =>
  [0.5, 0.95].map((share) => quantile(values, share).toFixed(digits)).join(' / ');
const traces: string[] = [];

const rows = CASES.map(({ family, horn, fault, by }, number) => {
  const parameters = usualExercise(familyById(family), horn);
  const score = exerciseScore(parameters);
  const common = { score, a4Hz: 440, ruler: ASSUMED_RULER };
  const samples =
    by === 'stand-in'
      ? playStandIn(score, {
          ...common,
          sampleRateHz: RATE_HZ,
          habits: fault === 'clean' ? CLEAN_HABITS : withFault(fault as FaultName),
          seed: 4,
          leadS: 1,
          tailS: 0.5,
        })
      : playRecorded(score, fault as RecordedFault);
  const range = { sampleRateHz: RATE_HZ, ...hearingRangeHz(score, 440) };
  const context: TakeContext = {
    ...common,
    firstBeatS: 1,
    demand: 'firm',
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
  };
  const frames = hear(samples, range);
  const startedMs = performance.now();
  const evened = evenedTone(samples, frames, { ...context, sampleRateHz: RATE_HZ, vibrato: 'evened' });
  const share = (performance.now() - startedMs) / ((1000 * samples.length) / RATE_HZ);
  const after = hear(evened.samples, range);
  const [was, is] = [fromPlan(frames, context), fromPlan(after, context)];
  if (number < 3) traces.push(`${family}, ${horn}, ${fault}`, trace(was.each), trace(is.each));
  return [
    `${family}, ${horn}, ${fault} (${by})`,
    `${numbers(was.cents, 1)} → ${numbers(is.cents, 2)}`,
    `${numbers(was.db, 2)} → ${numbers(is.db, 2)}`,
    numbers(colourDistance(frames, after), 2),
    `${(sharpest(evened.samples) / sharpest(samples)).toFixed(2)} ×`,
    `${share.toFixed(3)} ×`,
    `${evened.left.reduce((sum, { fromS, toS }) => sum + toS - fromS, 0).toFixed(2)} s`,
  ];
});

/** How far a sound is from its plan where its tone is: cents, and dB about the median. */
function fromPlan(frames: Frames, context: TakeContext) {
  const each: { cents: number; db: number }[] = [];
  for (const { span, expected } of tonesOfSteps(frames, context))
    for (let i = (span?.start ?? 0) + EDGE_FRAMES; i < (span?.end ?? 0) - EDGE_FRAMES; i++) {
      const cents = frames.f0Hz[i]! > 0 ? centsBetweenHz(expected.targetHz, frames.f0Hz[i]!) : Infinity;
      if (Math.abs(cents) < 60) each.push({ cents, db: frames.levelDb[i]! - expected.line.levelDbAt(i * 0.01) });
    }
  const middle = quantile(
    each.map(({ db }) => db),
    0.5,
  );
  return {
    cents: each.map(({ cents }) => Math.abs(cents)),
    db: each.map(({ db }) => Math.abs(db - middle)),
    each: each.map(({ cents, db }) => ({ cents, db: db - middle })),
  };
}

/** RMS difference of the partials of each frame, their mean difference (the gain) taken out, dB. */
function colourDistance(before: Frames, after: Frames): number[] {
  const found: number[] = [];
  for (let i = 0; i < after.count; i++) {
    if (!(after.f0Hz[i]! > 0 && before.f0Hz[i]! > 0)) continue;
    const own = [...before.partialsDb.subarray(i * PARTIALS_KEPT, i * PARTIALS_KEPT + PARTIALS)];
    const gains = own.flatMap((db, n) => (db > HEARD_DB ? after.partialsDb[i * PARTIALS_KEPT + n]! - db : []));
    if (gains.length < 3) continue;
    const mean = gains.reduce((sum, gain) => sum + gain, 0) / gains.length;
    found.push(Math.sqrt(gains.reduce((sum, gain) => sum + (gain - mean) ** 2, 0) / gains.length));
  }
  return found;
}

/** Largest second difference of a sound. */
function sharpest(samples: Float32Array): number {
  let most = 0;
  for (let i = 2; i < samples.length; i++)
    most = Math.max(most, Math.abs(samples[i]! - 2 * samples[i - 1]! + samples[i - 2]!));
  return most;
}

/** Ten places of a tone: cents and dB off the plan. */
function trace(each: readonly { cents: number; db: number }[]): string {
  const at = (i: number) => each[Math.floor(((i + 0.5) / 10) * each.length)]!;
  const places = Array.from({ length: 10 }, (_, i) => at(i));
  const line = (values: readonly number[]) => values.map((value) => value.toFixed(1).padStart(6)).join(' ');
  return `cents ${line(places.map(({ cents }) => cents))}\ndB    ${line(places.map(({ db }) => db))}`;
}

const [a, b, c, d, e, f, g, h, i] = traces;
const report = `# Your tone, evened

Written by \`npm run bench:evened\`: takes with a planted fault are evened (\`core/evened\`), and what comes out is heard anew by the ear.
Off the plan where tone was: median / 95th percentile, attack and release (120 ms) aside, level about its own median. Colour: RMS
difference of the first ${PARTIALS} partials of each frame besides gain. Sharpest: largest second difference against the original's (a click
would show). Left: planned tone in which nothing near the planned one sounds; nothing is made there.

Asked for: 1.5 cents, 0.7 dB, colour within 1 dB, 0.3 × the length of the take.

${table([['take', 'cents off, before → after', 'dB off, before → after', 'colour, dB', 'sharpest', 'time', 'left'], ...rows])}

A level 95th percentile over 0.7 dB: a slurred change of note, whose own dip of some frames is kept, and attacks over 120 ms.

## Three traces, ten places along the tone, before and after

${[
  [a, b, c],
  [d, e, f],
  [g, h, i],
]
  .map(([title, before, after]) => `${title}\n\n\`\`\`\n${before}\n\n${after}\n\`\`\``)
  .join('\n\n')}
`;
writePage('evened', report);
console.log(report);
