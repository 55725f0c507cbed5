import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { FAMILIES, familyById, tryScore, usualExercise } from '@inner-hum/core/families';
import { cellsAfter, type Cell, type Digest } from '@inner-hum/core/history';
import { blockS, loadToday, planSession, type PlanFor, type SessionBlock } from '@inner-hum/core/lesson';
import { hornMap } from '@inner-hum/core/map';
import { SeededRandom } from '@inner-hum/core/simulate';
import { table } from './score';
import { writePage } from './pages';
import {
  DAYS,
  MINUTES,
  PLAYERS,
  LOWEST,
  NOTES,
  DAY_MS,
  GAIN,
  SHARE,
  FORGET,
  SPACED_GAIN,
  WEAKNESSES,
  newPlayer,
  type Teaches,
  type Today,
  practise,
  digestOf,
  dayText,
  doseOf,
  remaining,
  worst,
} from './plannerModel';

type Chooser = (
  day: number,
  cells: ReadonlyMap<string, Cell>,
  recent: readonly Digest[],
  random: SeededRandom,
) => ExerciseParameters[];

/** Minutes of one's own: exercises in turn until they are over. */
function inTurn(list: () => ExerciseParameters): ExerciseParameters[] {
  const out: ExerciseParameters[] = [];
  for (let s = 0; ;) {
    const exercise = list();
    s += blockS({ exercise, tries: 1, restS: 8 });
    if (s > 60 * MINUTES) return out;
    out.push(exercise);
  }
}
/** Families that a player at home in it is given. */
const PLANNED = FAMILIES.filter(({ teaching }) => teaching.planned && teaching.planned.from !== 'advanced').map(
  ({ id }) => id,
);
const on = (family: string, midi: number): ExerciseParameters => {
  const usual = usualExercise(familyById(family), 'alto');
  return 'writtenMidi' in usual ? { ...usual, writtenMidi: midi } : usual;
};

const tries = (blocks: readonly SessionBlock[]) =>
  blocks.flatMap((block) => Array.from({ length: block.tries }, () => block.exercise));

function planOf(day: number, cells: ReadonlyMap<string, Cell>, recent: readonly Digest[]): PlanFor {
  return {
    instrumentId: 'alto',
    minutes: MINUTES,
    level: 'home',
    style: 'sweep',
    practices: ['longTones', 'lowStarts', 'swells', 'descents', 'scales'],
    notes: hornMap(cells.values()),
    sources: new Map(),
    recent,
    goals: [],
    quiet: false,
    nowMs: day * DAY_MS,
    day: dayText(day * DAY_MS),
    ...(recent[0] && { firstDay: recent[0].day }),
  };
}

const CHOOSERS: Readonly<Record<string, Chooser>> = {
  planner: (day, cells, recent) => {
    const plan = planOf(day, cells, recent);
    const load = loadToday(plan);
    return load.kind === 'rest' ? [] : tries(planSession({ ...plan, minutes: load.minutes }, load));
  },
  'planner, every day in full': (day, cells, recent) => tries(planSession(planOf(day, cells, recent))),
  // A usual routine: the same notes of all zones every day.
  fixed: () => {
    const routine = [
      on('airIntoTone', 60),
      on('hold', 62),
      on('swell', 67),
      on('swell', 74),
      on('hold', 79),
      on('hold', 86),
      on('oneBreathDescent', 64),
    ];
    let i = 0;
    return inTurn(() => routine[i++ % routine.length]!);
  },
  random: (_day, _cells, _recent, random) =>
    inTurn(() => {
      const families = ['airIntoTone', 'hold', 'swell', 'countedBreaths'];
      return on(families[Math.floor(4 * random.uniform())]!, LOWEST + Math.floor(NOTES * random.uniform()));
    }),
  // What the planner draws from, drawn at random: overtones, slurs and the break among it.
  anything: (_day, _cells, _recent, random) =>
    inTurn(() => {
      const exercise = on(
        PLANNED[Math.floor(PLANNED.length * random.uniform())]!,
        LOWEST + Math.floor(NOTES * random.uniform()),
      );
      return 'score' in tryScore(exercise) ? exercise : usualExercise(familyById(exercise.family), 'alto');
    }),
};

function season(name: string, seed: number, teaches: Teaches) {
  const random = new SeededRandom(seed);
  const player = newPlayer(random);
  const [from, fromWorst] = [remaining(player), worst(player)];
  const cells = new Map<string, Cell>();
  const recent: Digest[] = [];
  const dose = { all: 0, worst: 0, bell: 0, days: 0 };
  for (let day = 1; day <= DAYS; day++) {
    for (const weakness of WEAKNESSES)
      for (let i = 0; i < NOTES; i++) player[weakness][i]! += FORGET * (1 - player[weakness][i]!);
    // A day in seven is left out.
    if (random.uniform() < 1 / 7) continue;
    const exercises = CHOOSERS[name]!(day, cells, recent, random);
    if (exercises.length === 0) continue;
    const today: Today = new Map();
    const doses = doseOf(exercises, player);
    for (const part of ['all', 'worst', 'bell'] as const) dose[part] += doses[part];
    dose.days++;
    exercises.forEach((exercise, i) => {
      const digest = digestOf(player, exercise, day * DAY_MS + i * 60_000, `${day} ${i}`, random);
      for (const cell of cellsAfter(digest, (key) => cells.get(key))) cells.set(cell.key, cell);
      recent.push(digest);
      practise(player, exercise, teaches, today);
    });
  }
  return { mean: remaining(player), worst: worst(player), from, fromWorst, dose };
}

const rowsOf = (teaches: Teaches) =>
  Object.keys(CHOOSERS).map((name) => {
    const seasons = Array.from({ length: PLAYERS }, (_, i) => season(name, 50 + i, teaches));
    const mean = (of: (entry: (typeof seasons)[number]) => number) =>
      seasons.reduce((sum, next) => sum + of(next), 0) / PLAYERS;
    const gain = mean((entry) => 1 - entry.mean / entry.from);
    const gainWorst = mean((entry) => 1 - entry.worst / entry.fromWorst);
    return {
      name,
      gain,
      gainWorst,
      dose: mean(({ dose }) => dose.all / dose.days / MINUTES),
      onWorst: mean(({ dose }) => dose.worst / dose.all),
      onBell: mean(({ dose }) => dose.bell / dose.all),
      wins: seasons.map((entry) => entry.mean),
    };
  });
/** The planner of before this season, on the same players in the same run: kept as figures, since it is gone. */
const BEFORE: Readonly<Record<Teaches, string[]>> = {
  evenly: ['the planner before', '56.3 %', '71.0 %', '12.9', '12 %', '22 %', ''],
  spaced: ['the planner before', '60.9 %', '75.9 %', '13.0', '11 %', '23 %', ''],
};

const tableOf = (teaches: Teaches) => {
  const rows = rowsOf(teaches);
  const planner = rows[0]!;
  return table([
    [
      'routine',
      'weakness taken off, mean of all notes',
      'of the worst fifth',
      'practice a minute',
      'of it on the worst fifth',
      'on the bell notes',
      'players for whom the planner did better',
    ],
    ...(BEFORE[teaches].length > 0 ? [BEFORE[teaches]] : []),
    ...rows.map(({ name, gain, gainWorst, dose, onWorst, onBell, wins }) => [
      name,
      `${(100 * gain).toFixed(1)} %`,
      `${(100 * gainWorst).toFixed(1)} %`,
      dose.toFixed(1),
      `${(100 * onWorst).toFixed(0)} %`,
      `${(100 * onBell).toFixed(0)} %`,
      name === 'planner' ? '' : `${wins.filter((value, k) => planner.wins[k]! < value).length} of ${PLAYERS}`,
    ]),
  ]);
};
const report = `# Does planning help?

Written by \`npm run bench:planner\`. **This is a model of a player, not a study of players**: it shows what the planner does on the
assumptions below, no more.

- ${PLAYERS} made-up players on an alto, ${NOTES} notes, each with a weakness of pitch, response and steadiness of its own, unevenly spread.
- A try on a note takes ${100 * GAIN} % off what is left of a weakness above its floor (for 8 beats of tone, or three starts for the
  response), each neighbour gains ${100 * SHARE} % of that, and each day gives ${(100 * FORGET).toFixed(1)} % back.
- ${DAYS} days of ${MINUTES} minutes, one in seven left out. The planner sees only noisy takes. It rests a day in seven and has light weeks;
  “planner, every day in full” is the same planner without that, on as many minutes as the others.

The fixed routine is seven usual exercises on notes of all zones; the random one draws one of four families on any note, and
“anything” one of all families that the planner draws from. Practice is counted in tries' worth, were every note as weak.

## Each try teaches the same

${tableOf('evenly')}

## Spaced practice teaches more

The n-th try of a day on a note takes off ${SPACED_GAIN}/n times as much as above: coming back another day teaches more than going on.

${tableOf('spaced')}

What the model leaves out: overtones, joins between notes, a rested lip, music. A third of a lesson goes to them, and a lesson stays with few
notes so that a player settles into them; a draw by lot spreads over the whole horn, which pays in a model where any note is worth the same
and nothing is gained by staying. A teacher would still choose the lesson.
`;
writePage('planner', report);
console.log(report);
