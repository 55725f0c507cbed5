import { parseArgs } from 'node:util';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseKey } from '@inner-hum/core/families';
import { cellsAfter, type Cell, type Digest } from '@inner-hum/core/history';
import { loadToday, type PlanFor } from '@inner-hum/core/lesson';
import { hornMap, ownSources } from '@inner-hum/core/map';
import { SeededRandom } from '@inner-hum/core/simulate';
import { CELLS, type Laws } from './fairCells';
import { DAY_MS, dayText, KINDS, ModelledLearner } from './fairModel';
import { OTHERS, passS, PLANNER, planned, type Routine } from './fairRoutines';
import { writePage } from './pages';
import { table } from './score';

const { values: options } = parseArgs({
  options: {
    players: { type: 'string', default: '4' },
    days: { type: 'string', default: '56' },
  },
});
const [PLAYERS, DAYS] = [Number(options.players), Number(options.days)];
const MINUTES = 20;
/** Days after the last lesson at which it is heard, at the first try. */
const HEARD_AFTER_DAYS = 7;
/** Who is bored leaves out what follows the same exercise so many times. */
const BORED_AFTER = 3;

/** What comes of a season, shares of what there was at first that are gone, with the seconds of each lesson. */
function season(routine: Routine, laws: Laws, seed: number, secondsOf: (lesson: number) => number) {
  const player = new ModelledLearner(new SeededRandom(seed), laws);
  const random = new SeededRandom(1000 + seed);
  const before = player.figures();
  const cells = new Map<string, Cell>();
  const recent: Digest[] = [];
  const seconds: number[] = [];
  for (let day = 1; day <= DAYS; day++) {
    player.sleep();
    if (random.uniform() < laws.skips) continue;
    const plan: PlanFor = {
      ...{ instrumentId: 'alto', minutes: MINUTES, level: 'home', style: 'sweep', goals: [], quiet: false },
      practices: ['longTones', 'lowStarts', 'swells', 'descents', 'overtones', 'scales'],
      notes: hornMap(cells.values()),
      sources: ownSources(cells.values()),
      recent,
      nowMs: day * DAY_MS,
      day: dayText(day * DAY_MS),
      ...(recent[0] && { firstDay: recent[0].day }),
    };
    // All rest, and have light weeks, when the planner has them.
    const load = loadToday(plan);
    if (load.kind === 'rest') continue;
    const lesson = seconds.length;
    const all = routine({ lesson, seconds: secondsOf(lesson), random, plan: { ...plan, minutes: load.minutes } });
    const exercises = withoutBoredom(all, laws, random);
    seconds.push(all.reduce((sum, exercise) => sum + passS(exercise), 0));
    let overS = 0;
    exercises.forEach((exercise, i) => {
      const take = player.take(exercise, day * DAY_MS + Math.round(1000 * overS), `${day} ${i}`);
      for (const cell of cellsAfter(take, (key) => cells.get(key))) cells.set(cell.key, cell);
      recent.push(take);
      overS += passS(exercise);
      const changed = i === 0 || exerciseKey(exercises[i - 1]!) !== exerciseKey(exercise);
      player.practise(exercise, (changed ? laws.afterChange : 1) * (1 - laws.tires * (overS / 3600)));
    });
  }
  for (let day = 0; day < HEARD_AFTER_DAYS; day++) player.sleep();
  const after = player.figures();
  return {
    mean: 100 * (1 - after.mean / before.mean),
    worst: 100 * (1 - after.worst / before.worst),
    outside: after.outside,
    step: after.step,
    kinds: KINDS.map((kind) => 100 * (1 - after.kinds[kind] / before.kinds[kind])),
    seconds,
  };
}

/** Without what a bored player leaves out: tries of the same exercise, over and over. */
function withoutBoredom(all: readonly ExerciseParameters[], { bores }: Laws, random: SeededRandom) {
  let run = 0;
  return all.filter((exercise, i) => {
    run = i > 0 && exerciseKey(all[i - 1]!) === exerciseKey(exercise) ? run + 1 : 1;
    return run <= BORED_AFTER || random.uniform() >= bores;
  });
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

interface Row {
  readonly cell: string;
  readonly routine: string;
  readonly figures: readonly number[];
}

function cellRows(cell: string): Row[] {
  const laws = CELLS[cell]!;
  const own = Array.from({ length: PLAYERS }, (_, i) => season(planned, laws, 50 + i, () => 0));
  // The others have the time that the planner took for what is compared, lesson by lesson.
  const rowsOf = (routine: string, seasons: readonly ReturnType<typeof season>[]): Row => ({
    cell,
    routine,
    figures: [
      ...(['mean', 'worst', 'outside', 'step'] as const).map((part) => mean(seasons.map((entry) => entry[part]))),
      ...KINDS.map((_, i) => mean(seasons.map((entry) => entry.kinds[i]!))),
    ],
  });
  return [
    rowsOf(PLANNER, own),
    ...Object.entries(OTHERS).map(([name, routine]) =>
      rowsOf(
        name,
        own.map(({ seconds }, i) => season(routine, laws, 50 + i, (lesson) => seconds[lesson] ?? mean(seconds))),
      ),
    ),
  ];
}

/** The planner of before targets, the same players in the same model: kept as figures, since it is gone. */
const BEFORE: Readonly<Record<string, readonly [mean: number, worst: number]>> = {
  'the middle of all': [44.5, 40.9],
  'slow learning': [41.1, 38.0],
  'quick learning': [46.3, 42.6],
  'neighbours gain nothing': [35.7, 33.1],
  'neighbours gain most': [47.4, 43.7],
  'a change costs': [44.0, 40.4],
  'a change teaches': [44.7, 41.1],
  'most is learnt where 60 to 90 % succeed': [45.5, 41.7],
  'little is forgotten': [47.5, 42.3],
  'much is forgotten': [40.4, 38.6],
  'the n-th try of a day teaches 3/n': [47.3, 43.6],
  'nothing is the horn’s': [49.9, 50.4],
  'a fifth is the horn’s': [36.5, 28.5],
  'nobody tires': [44.7, 41.1],
  'who is bored plays less': [42.6, 39.2],
  'a third of the days is skipped': [42.6, 39.2],
};

const rows = Object.keys(CELLS).flatMap((cell) => {
  const own = cellRows(cell);
  console.error(
    own.map((row) => [cell, row.routine, ...row.figures.map((value) => value.toFixed(1))].join(' · ')).join('\n'),
  );
  return own;
});
// A quick look is not written down.
if (process.argv.length === 2) writePage('fair', fairPage(rows));

function fairPage(all: readonly Row[]): string {
  const of = (cell: string, routine: string) =>
    all.find((row) => row.cell === cell && row.routine === routine)!.figures;
  const better = (routine: (cell: string) => readonly number[], part: 0 | 1) =>
    Object.keys(CELLS).filter((cell) => of(cell, PLANNER)[part]! > routine(cell)[part]!).length;
  const cells = Object.keys(CELLS).length;
  const against = [
    ...Object.keys(OTHERS).map((name) => [name, (cell: string) => of(cell, name)] as const),
    ['the planner before targets', (cell: string) => BEFORE[cell]!] as const,
  ];
  return `# A fair model of practice

Written by \`npm run bench:fair\`. **A model, not a study of players.** Its laws and cells (\`bench/fairCells.ts\`) favour nobody: every routine has
the same minutes, rests, breath, tuner, warm-up and tune, on real exercises with all notes and wants that these touch: pitch, response,
steadiness and pitch against loudness of each note, the join of each two neighbours, the overtones of five tubes. ${PLAYERS} players a cell, ${DAYS} days,
heard ${HEARD_AFTER_DAYS} days after the last lesson. The planner before targets has what it made of the same twenty minutes.

In how many of ${cells} cells the planner does better:

${table([
  ['than', 'on the mean', 'on the worst fifth'],
  ...against.map(([name, figures]) => [name, String(better(figures, 0)), String(better(figures, 1))]),
])}

Weakness taken off, % of what there was:

${table([
  ['cell', 'routine', 'mean', 'worst fifth', 'wants outside', 'largest step, cents', ...KINDS],
  ...all.map(({ cell, routine, figures }) => [cell, routine, ...figures.map((value) => value.toFixed(1))]),
])}

The rules that were changed for it: what doesn't move rests after six lessons and not ten (what is the horn's took the time of all else); a
target rests only while the reed is suspected and not two weeks after; its ways go on by lessons, heard or not; scales over the whole horn and
descents of eight notes are ways, and a scale has its place before the second target; chromatic descents have a quarter of the wanted shares. Where
a good usual routine still does better it is by pitch against loudness, which its twelve swelled notes in a row train everywhere, also where
nothing is out.

Left out: music as a whole, what must come before what, goals.
`;
}
