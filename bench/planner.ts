import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseScore, FAMILIES, familyById, tryScore, usualExercise } from '@inner-hum/core/families';
import { bandAt } from '@inner-hum/core/measure';
import {
  blockS,
  cellsAfter,
  hornMap,
  loadToday,
  planSession,
  type Cell,
  type Digest,
  type PlanFor,
  type SessionBlock,
  type Observation,
} from '@inner-hum/core/plan';
import { SeededRandom } from '@inner-hum/core/simulate';
import { dynamicPosition } from '@inner-hum/core/theory';
import { digest } from '@inner-hum/core/plan/testDigests';
import { table } from './score';
import { writePage } from './pages';

/**
 * A model of a player over eight weeks: every note has three weaknesses (pitch, response, steadiness) that practice of it
 * shrinks, its neighbours gain a share, and days without it let a little come back. The planner sees only noisy takes.
 */
const DAYS = 56;
const MINUTES = 20;
const PLAYERS = 12;
const LOWEST = 58;
const NOTES = 33;
/** B♭3 to C♯4 */
const BELL_NOTES = 4;
const DAY_MS = 86_400_000;
/** What one try takes off a weakness, what each neighbour gains of that, and what a day gives back. */
const GAIN = 0.04;
const SHARE = 0.4;
const FORGET = 0.004;
const START = { pitchCents: 22, responseS: 0.25, steadinessCents: 7 } as const;
/** Spaced, the first try of a day on a note takes off so many times as much, the n-th an n-th of that. */
const SPACED_GAIN = 3;
/** The floor that practice can't go under, as a share of the start. */
const FLOOR = 0.12;

type Weakness = keyof typeof START;
const WEAKNESSES = Object.keys(START) as Weakness[];
type Player = Record<Weakness, Float64Array>;
type Chooser = (
  day: number,
  cells: ReadonlyMap<string, Cell>,
  recent: readonly Digest[],
  random: SeededRandom,
) => ExerciseParameters[];

function newPlayer(random: SeededRandom): Player {
  const of = () => Float64Array.from({ length: NOTES }, () => FLOOR + (1 - FLOOR) * random.uniform() ** 2);
  return { pitchCents: of(), responseS: of(), steadinessCents: of() };
}

/** How a try teaches: always the same, or less with each try of a day, since practice that is spaced out teaches more. */
type Teaches = 'evenly' | 'spaced';
/** Tries on a note today, by weakness and note. */
type Today = Map<string, number>;

function practise(
  player: Player,
  exercise: ExerciseParameters,
  teaches: Teaches = 'evenly',
  today: Today = new Map(),
): void {
  const { steps } = exerciseScore(exercise);
  for (const midi of new Set(steps.map((step) => step.soundedMidi)))
    for (const weakness of WEAKNESSES) {
      // A held or swelled tone works on pitch and steadiness; many starts work on response.
      const starts = steps.filter((step) => step.soundedMidi === midi && step.attack !== 'slurred').length;
      const beats = steps.filter((step) => step.soundedMidi === midi).reduce((sum, step) => sum + step.beats, 0);
      const dose = Math.min(1.5, weakness === 'responseS' ? starts / 3 : beats / 8);
      for (const [at, share] of [
        [midi, 1],
        [midi - 1, SHARE],
        [midi + 1, SHARE],
      ] as const) {
        const i = at - LOWEST;
        const now = player[weakness][i];
        const times = today.get(`${weakness} ${i}`) ?? 0;
        today.set(`${weakness} ${i}`, times + dose * share);
        const worth = teaches === 'evenly' ? 1 : SPACED_GAIN / (1 + times);
        if (now !== undefined) player[weakness][i] = now - GAIN * dose * share * worth * (now - FLOOR);
      }
    }
}

function digestOf(
  player: Player,
  exercise: ExerciseParameters,
  startedAtMs: number,
  id: string,
  random: SeededRandom,
): Digest {
  const seen = exerciseScore(exercise).steps.flatMap((step, i): Observation[] => {
    const n = step.soundedMidi - LOWEST;
    if (step.partialNumber > 1 || n < 0 || n >= NOTES) return [];
    const noise = (scale: number) => scale * random.normal();
    const first = step.dynamics[0]!;
    return [
      {
        atMs: startedAtMs + i,
        midi: step.soundedMidi,
        fingeredMidi: step.fingeredMidi,
        partial: 1,
        band: bandAt(first.position ?? dynamicPosition(first.dynamic)),
        attack: step.attack,
        tried: step.attack !== 'slurred',
        spoke: true,
        values: {
          pitchCentreCents: (n % 2 ? 1 : -1) * START.pitchCents * player.pitchCents[n]! + noise(3),
          pitchSteadinessCents: START.steadinessCents * player.steadinessCents[n]! + Math.abs(noise(0.6)),
          ...(step.attack !== 'slurred' && {
            responseS: START.responseS * player.responseS[n]! + Math.abs(noise(0.02)),
          }),
        },
      },
    ];
  });
  const setupKey = 'model';
  const setup = { instrumentId: 'alto' as const };
  const exact = {
    startedAtMs,
    day: dayText(startedAtMs),
    setupKey,
    family: exercise.family,
    parameters: exercise,
    seen,
  };
  return digest(id, 1, [], setup, exact);
}

const dayText = (ms: number) => new Date(ms).toISOString().slice(0, 10);

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

/** How much practice exercises are, were every note as weak: all of it, and what falls on the player's worst fifth and on the bell notes. */
function doseOf(exercises: readonly ExerciseParameters[], player: Player) {
  const edge = worstFifth(player).at(-1)!;
  const dose = { all: 0, worst: 0, bell: 0 };
  for (const exercise of exercises) {
    const fresh: Player = {
      pitchCents: new Float64Array(NOTES).fill(1),
      responseS: new Float64Array(NOTES).fill(1),
      steadinessCents: new Float64Array(NOTES).fill(1),
    };
    practise(fresh, exercise);
    for (const weakness of WEAKNESSES)
      for (let i = 0; i < NOTES; i++) {
        const part = (1 - fresh[weakness][i]!) / (GAIN * (1 - FLOOR));
        dose.all += part;
        if (player[weakness][i]! >= edge) dose.worst += part;
        if (i < BELL_NOTES) dose.bell += part;
      }
  }
  return dose;
}

function remaining(player: Player): number {
  const all = WEAKNESSES.flatMap((weakness) => [...player[weakness]]);
  return all.reduce((sum, value) => sum + value, 0) / all.length;
}

/** The mean of the worst fifth: what a listener notices. */
function worst(player: Player): number {
  const fifth = worstFifth(player);
  return fifth.reduce((sum, value) => sum + value, 0) / fifth.length;
}

/** The largest fifth of all weaknesses, largest first. */
function worstFifth(player: Player): number[] {
  const all = WEAKNESSES.flatMap((weakness) => [...player[weakness]]).sort((a, b) => b - a);
  return all.slice(0, Math.ceil(all.length / 5));
}

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
