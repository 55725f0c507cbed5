import { writeFileSync } from 'node:fs';
import type { FindingId } from '@inner-hum/core/judge';
import { CLEAN_HABITS, FAULTS, withFault, type FaultName, type Habits } from '@inner-hum/core/simulate';
import { EXPECTED_FINDINGS } from './expectedFindings';
import { playSwell } from './playSwell';
import { table } from './score';

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
  return playSwell(seed, habits).verdict.findings.map((one) => one.id);
}
