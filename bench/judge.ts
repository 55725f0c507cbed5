import { writeFileSync } from 'node:fs';
import { swell, SWELL_DEFAULTS, type SwellParameters } from '@inner-hum/core/exercise';
import { assess, EXPECTED_FINDINGS, type FindingId } from '@inner-hum/core/judge';
import { hear } from '@inner-hum/core/signal';
import {
  CLEAN_HABITS,
  FAULTS,
  playStandIn,
  SeededRandom,
  withFault,
  type FaultName,
  type Habits,
} from '@inner-hum/core/simulate';
import { ASSUMED_RULER, INSTRUMENTS, instrumentById, soundingRangeHz } from '@inner-hum/core/theory';
import { table } from './score';

const RATE_HZ = 44100;
const TAKES = 200;
const NAMES = Object.keys(FAULTS) as FaultName[];

const found = new Map<FaultName, { takes: number; found: number }>();
const besides = new Map<FindingId, number>();
for (let seed = 1; seed <= TAKES; seed++) {
  const fault = NAMES[seed % NAMES.length]!;
  const tally = found.get(fault) ?? { takes: 0, found: 0 };
  found.set(fault, tally);
  tally.takes++;
  const ids = play(seed, withFault(fault));
  if (EXPECTED_FINDINGS[fault].some((id) => ids.includes(id))) tally.found++;
}
let clean = 0;
for (let seed = 1001; seed <= 1000 + TAKES; seed++) {
  const ids = play(seed, { ...CLEAN_HABITS, roomS: seed % 3 === 0 ? 0.4 : 0 }).filter((id) => id !== 'even');
  if (ids.length === 0) clean++;
  for (const id of ids) besides.set(id, (besides.get(id) ?? 0) + 1);
}

const sum = [...found.values()].reduce((total, one) => total + one.found, 0);
const percent = (part: number) => ((100 * part) / TAKES).toFixed(1);
const report = `# What the judge finds

Written by \`npm run bench:judge\`: the stand-in player swells over every size of horn, on notes from the bell to the palm keys,
each take with another seed, through the whole analysis.

- Faults ordered: ${TAKES} takes, ${sum} found (${percent(sum)} %).
- Clean takes: ${TAKES}, of which ${clean} raised nothing (${percent(clean)} %); a third of them in a room that rings for 0.4 s.
${besides.size ? `- Raised on clean takes: ${[...besides].map(([id, count]) => `${id} ${count}`).join(', ')}.` : ''}

${table([
  ['fault', 'expected finding', 'takes', 'found'],
  ...NAMES.map((name) => {
    const tally = found.get(name)!;
    return [name, EXPECTED_FINDINGS[name].join(' or '), String(tally.takes), String(tally.found)];
  }),
])}
`;
writeFileSync('docs/judge.md', report);
console.log(report);

function play(seed: number, habits: Habits): FindingId[] {
  const random = new SeededRandom(seed);
  const pick = (count: number) => Math.floor(random.uniform() * count);
  const horn = INSTRUMENTS[pick(INSTRUMENTS.length)]!;
  const writtenMidi = horn.lowestWrittenMidi + 3 + pick(28);
  const parameters: SwellParameters = {
    ...SWELL_DEFAULTS,
    instrumentId: horn.id,
    writtenMidi,
    tempoBpm: 100,
    beats: 10,
    shape: (['growFade', 'grow', 'fadeGrow', 'growFade'] as const)[pick(4)]!,
  };
  // Only a swell with a peak inside it can have it in the wrong place, and a fault at its end needs a loud end or a soft one.
  const score = swell(habits.peakShift === 0 ? parameters : { ...parameters, shape: 'growFade' });
  const samples = playStandIn(score, {
    sampleRateHz: RATE_HZ,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    habits,
    seed,
    leadS: 1,
    tailS: 0.6,
  });
  const frames = hear(samples, { sampleRateHz: RATE_HZ, ...soundingRangeHz(instrumentById(horn.id), 440) });
  const { verdict } = assess(frames, {
    score,
    parameters,
    firstBeatS: 1,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    demand: 'firm',
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
    before: [],
  });
  return verdict.findings.map((one) => one.id);
}
