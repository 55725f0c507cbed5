import { exerciseScore, FAMILIES, familyById, usualExercise } from '@inner-hum/core/families';
import { applies, rowOf, type FindingId } from '@inner-hum/core/judge';
import { CLEAN_HABITS, FAULTS, withFault, type FaultName, type Habits } from '@inner-hum/core/simulate';
import { EXPECTED_FINDINGS, SHOWN_BY } from './expectedFindings';
import { playFamily, playSwell } from './play';
import { canBeRecorded, findingsOnRecorded, RECORDED_FAULTS, type RecordedFault } from './realTakes';
import { table } from './score';
import { writePage } from './pages';

const TAKES = 200;
const NAMES = (Object.keys(FAULTS) as FaultName[]).filter((fault) => !SHOWN_BY[fault]);
/** What is ordered of every family; its own typical mistakes are in `docs/families.md`. */
const MISTAKES: readonly FaultName[] = ['sharp', 'jump', 'dropOut', 'late', 'slowResponse'];
/** Seeds of each mistake of each family. */
const SEEDS = [1, 2, 3];
const foundIn = (count: number) =>
  count === SEEDS.length ? `${count} of ${SEEDS.length}` : `**${count} of ${SEEDS.length}**`;
const HORNS = ['alto', 'tenor', 'baritoneLowA'] as const;

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

const families = FAMILIES.map(({ id }) => {
  const cleanTakes = HORNS.map((horn, i) => playFamily(id, horn, i + 1, CLEAN_HABITS).findings);
  const raised = cleanTakes.flat().filter((cleanTake) => cleanTake.weight > 0).length;
  const cells = MISTAKES.map((fault, i) => {
    const heard = SEEDS.filter((seed) => {
      const { findings } = playFamily(id, HORNS[(i + seed) % HORNS.length]!, 10 * seed + i, withFault(fault));
      return findings.some((finding) => EXPECTED_FINDINGS[fault].includes(finding.id));
    });
    const { steps } = exerciseScore(usualExercise(familyById(id), 'alto'));
    const judged = EXPECTED_FINDINGS[fault].some(
      (kind) => isJudged(id, kind) && steps.some((step) => applies(kind, step)),
    );
    return judged ? foundIn(heard.length) : 'not judged';
  });
  return [id, raised === 0 ? `none in ${HORNS.length}` : `${raised} in ${HORNS.length}`, ...cells];
});
/** Exercises on recorded tones, clean and with each fault. */
const RECORDED_HORNS = ['alto', 'tenor'] as const;
const onRecorded = FAMILIES.flatMap((family) =>
  RECORDED_HORNS.flatMap((horn) => {
    const parameters = usualExercise(family, horn);
    if (!canBeRecorded(family, exerciseScore(parameters))) return [];
    const faults = Object.entries(RECORDED_FAULTS) as [RecordedFault, FindingId][];
    const cells = faults.map(([fault, expected]) => {
      if (!isJudged(family.id, expected)) return 'not judged';
      const heard = findingsOnRecorded(parameters, fault).map(({ id }) => id);
      return heard.includes(expected) ? 'found' : `**${heard.join(', ') || 'nothing'}**`;
    });
    const raised = findingsOnRecorded(parameters).map(({ id }) => id);
    return [[`${family.id}, ${horn}`, raised.join(', ') || 'nothing', ...cells]];
  }),
);
const quiet = onRecorded.filter(([, raised]) => raised === 'nothing').length;

const sum = [...found.values()].reduce((total, next) => total + next.found, 0);
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

## Families

Each family as it usually is, on ${HORNS.join(', ')} in turn: findings of a clean take, and in how many takes, each
with another seed, an ordered mistake is found. Not judged: the mistake means nothing there (a tone that creeps in on purpose is not slow).

${table([['family', 'raised on clean takes', ...MISTAKES], ...families])}

Each family's own typical mistakes, with the first sentence and the remedy, are in [families.md](families.md).

## On recorded tones

Exercises put together from recorded tones of a real saxophone (\`bench/realTakes.ts\`), each step the nearest tone drawn to its pitch
and level, its attack and drift as they were played: ${quiet} of ${onRecorded.length} raise nothing, as a teacher would want. With a fault in every
tone: what is found. Families whose tones no ordinary tone can stand for (hums, bends, vibrato, subtone, twins, altissimo) are left out.

${table([['exercise', 'clean', ...Object.keys(RECORDED_FAULTS)], ...onRecorded])}
`;
writePage('judge', report);
console.log(report);

/** Whether a family judges that side of a tone. */
function isJudged(family: string, finding: FindingId): boolean {
  const aspect = rowOf(finding).aspect;
  return aspect === undefined || !familyById(family).teaching.unjudged?.includes(aspect);
}

function play(seed: number, habits: Habits): FindingId[] {
  return playSwell(seed, habits).verdict.findings.map((finding) => finding.id);
}
