import { parseArgs } from 'node:util';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import {
  exerciseKey,
  exerciseScore,
  FAMILIES,
  familyById,
  tryScore,
  usualExercise,
  type FieldValues,
} from '@inner-hum/core/families';
import { cellsAfter, type Cell, type Digest } from '@inner-hum/core/history';
import { blockS, loadToday, planSession, type PlanFor } from '@inner-hum/core/lesson';
import { hornMap } from '@inner-hum/core/map';
import { SeededRandom } from '@inner-hum/core/simulate';
import { CELLS, type Laws } from './fairCells';
import {
  DAY_MS,
  dayText,
  digestOf,
  LOWEST,
  newPlayer,
  NOTES,
  remaining,
  WEAKNESSES,
  worst,
  type Player,
} from './plannerModel';
import { table } from './score';

const { values: options } = parseArgs({
  options: { players: { type: 'string', default: '6' }, days: { type: 'string', default: '56' } },
});
const [PLAYERS, DAYS] = [Number(options.players), Number(options.days)];
const MINUTES = 20;
/** The floor that practice can't go under, as a share of the start. */
const FLOOR = 0.12;
/** Days after the last lesson at which it is heard, at the first try. */
const HEARD_AFTER_DAYS = 7;
/** What every routine spends on tuning, waking and music, the planner's own share of them: it has no part in what is compared. */
const ALIKE_SHARE = 0.32;
/** Between two tries all rest alike, as a lesson that sounds for a third of its time does, seconds. */
const REST_S = 20;
/** A note is outside its limit with more than this of its weakness left. */
const OUTSIDE = 0.35;

type Routine = (state: {
  readonly lesson: number;
  readonly budgetS: number;
  readonly random: SeededRandom;
  readonly plan: PlanFor;
}) => ExerciseParameters[];

const of = (family: string, values: FieldValues = {}): ExerciseParameters => {
  const exercise = { ...usualExercise(familyById(family), 'alto'), ...values };
  return 'score' in tryScore(exercise) ? exercise : usualExercise(familyById(family), 'alto');
};
const on = (family: string, midi: number) => {
  const usual = usualExercise(familyById(family), 'alto');
  return 'writtenMidi' in usual ? of(family, { writtenMidi: midi }) : usual;
};
/** Exercises in turn, each with its tries, until the seconds are over. */
function filled(budgetS: number, tries: number, next: (i: number) => ExerciseParameters): ExerciseParameters[] {
  const out: ExerciseParameters[] = [];
  for (let [s, i] = [0, 0]; ; i++) {
    const exercise = next(i);
    for (let k = 0; k < tries; k++) {
      s += blockS({ exercise, tries: 1, restS: REST_S });
      if (s > budgetS) return out;
      out.push(exercise);
    }
  }
}
const PLANNED = FAMILIES.filter(({ teaching }) => teaching.planned && teaching.planned.from !== 'advanced').map(
  ({ id }) => id,
);
const anyNote = (random: SeededRandom) => LOWEST + Math.floor(NOTES * random.uniform());

/** A usual routine as good players have it: overtones, chromatic descents with swells over the whole horn, low notes, a scale, a tune. */
const GOOD: readonly ((lesson: number) => ExerciseParameters)[] = [
  () => of('overtoneLadder'),
  (lesson) => of('zigzagDescent', { writtenMidi: 90 - (lesson % 3) * 8, notes: 12 }),
  (lesson) => of('zigzagDescent', { writtenMidi: 78 - (lesson % 3) * 4, notes: 12 }),
  () => of('oneBreathDescent'),
  (lesson) => on('tongueOrAir', 58 + (lesson % 4)),
  (lesson) => on('swell', 62 + ((lesson * 5) % 24)),
  () => of('fullSpanScale'),
];

const ROUTINES: Readonly<Record<string, Routine>> = {
  planner: ({ plan }) =>
    planSession(plan)
      .filter(({ reason }) => !['tune', 'warmUp', 'firstMap', 'music', 'tuneAbout'].includes(reason.kind))
      .flatMap(({ exercise, tries }) => Array.from({ length: tries }, () => exercise)),
  'a draw by lot': ({ budgetS, random }) =>
    filled(budgetS, 1, () => on(PLANNED[Math.floor(PLANNED.length * random.uniform())]!, anyNote(random))),
  'a rota': ({ lesson, budgetS }) =>
    filled(budgetS, 2, (i) => on(PLANNED[(lesson * 7 + i) % PLANNED.length]!, LOWEST + ((lesson * 5 + i * 3) % NOTES))),
  'massed blocks': ({ lesson, budgetS }) =>
    filled(budgetS, 9, (i) =>
      on(['hold', 'swell', 'countedBreaths'][(lesson + i) % 3]!, LOWEST + ((lesson * 4 + i * 11) % NOTES)),
    ),
  'a good usual routine': ({ lesson, budgetS }) => filled(budgetS, 1, (i) => GOOD[i % GOOD.length]!(lesson)),
};

/** A player of the model, with the floors that practice can't go under: what is the horn's stays as it is. */
interface Modelled {
  readonly player: Player;
  readonly floors: Player;
}
function modelled(random: SeededRandom, { horn }: Laws): Modelled {
  const player = newPlayer(random);
  const floorsOf = (name: (typeof WEAKNESSES)[number]) =>
    player[name].map((start) => (random.uniform() < horn ? start : FLOOR));
  return {
    player,
    floors: {
      pitchCents: floorsOf('pitchCents'),
      responseS: floorsOf('responseS'),
      steadinessCents: floorsOf('steadinessCents'),
    },
  };
}

function practise(
  { player, floors }: Modelled,
  exercise: ExerciseParameters,
  laws: Laws,
  today: Map<string, number>,
  worth: number,
): void {
  const { steps } = exerciseScore(exercise);
  for (const midi of new Set(steps.filter(({ partialNumber }) => partialNumber === 1).map((step) => step.soundedMidi)))
    for (const name of WEAKNESSES) {
      const own = steps.filter((step) => step.soundedMidi === midi);
      const starts = own.filter(({ attack }) => attack !== 'slurred').length;
      const beats = own.reduce((sum, step) => sum + step.beats, 0);
      const dose = Math.min(1.5, name === 'responseS' ? starts / 3 : beats / 8);
      for (const [at, share] of [
        [midi, 1],
        [midi - 1, laws.neighbours],
        [midi + 1, laws.neighbours],
        [midi + 12, laws.neighbours / 2],
        [midi - 12, laws.neighbours / 2],
      ] as const) {
        const i = at - LOWEST;
        const now = player[name][i];
        if (now === undefined) continue;
        const key = `${name} ${i}`;
        const times = today.get(key) ?? 0;
        today.set(key, times + dose * share);
        const succeeds = 1 - 0.7 * now;
        const at60to90 = !laws.peak ? 1 : succeeds >= 0.6 && succeeds <= 0.9 ? 1.3 : 0.7;
        const spaced = laws.spaced ? 3 / (1 + times) : 1;
        player[name][i] = now - laws.gain * dose * share * spaced * at60to90 * worth * (now - floors[name][i]!);
      }
    }
}

function season(routine: Routine, laws: Laws, seed: number) {
  const random = new SeededRandom(seed);
  const one = modelled(random, laws);
  const start = {
    pitchCents: [...one.player.pitchCents],
    responseS: [...one.player.responseS],
    steadinessCents: [...one.player.steadinessCents],
  };
  const [from, fromWorst] = [remaining(one.player), worst(one.player)];
  const cells = new Map<string, Cell>();
  const recent: Digest[] = [];
  const forget = () => {
    for (const name of WEAKNESSES)
      for (let i = 0; i < NOTES; i++) one.player[name][i]! += laws.forgets * (start[name][i]! - one.player[name][i]!);
  };
  for (let [day, lesson] = [1, 0]; day <= DAYS; day++) {
    forget();
    if (random.uniform() < laws.skips) continue;
    const plan: PlanFor = {
      instrumentId: 'alto',
      minutes: MINUTES,
      level: 'home',
      style: 'sweep',
      practices: ['longTones', 'lowStarts', 'swells', 'descents', 'overtones', 'scales'],
      notes: hornMap(cells.values()),
      sources: new Map(),
      recent,
      goals: [],
      quiet: false,
      nowMs: day * DAY_MS,
      day: dayText(day * DAY_MS),
      ...(recent[0] && { firstDay: recent[0].day }),
    };
    // All rest, and have light weeks, when the planner has them.
    const load = loadToday(plan);
    if (load.kind === 'rest') continue;
    const exercises = routine({
      lesson: lesson++,
      budgetS: (1 - ALIKE_SHARE) * 60 * load.minutes,
      random,
      plan: { ...plan, minutes: load.minutes },
    });
    const today = new Map<string, number>();
    exercises.forEach((exercise, i) => {
      const digest = digestOf(one.player, exercise, day * DAY_MS + i * 60_000, `${day} ${i}`, random);
      for (const cell of cellsAfter(digest, (key) => cells.get(key))) cells.set(cell.key, cell);
      recent.push(digest);
      const changed = i === 0 || exerciseKey(exercises[i - 1]!) !== exerciseKey(exercise);
      const fresh = 1 - (laws.tires * (i / Math.max(1, exercises.length)) * load.minutes) / 60;
      practise(one, exercise, laws, today, (changed ? laws.afterChange : 1) * fresh);
    });
  }
  for (let day = 0; day < HEARD_AFTER_DAYS; day++) forget();
  const { pitchCents } = one.player;
  const largest = Math.max(...[...pitchCents].slice(1).map((value, i) => Math.abs(value - pitchCents[i]!)));
  const outside = WEAKNESSES.flatMap((name) => [...one.player[name]]).filter((value) => value > OUTSIDE).length;
  return { gain: 1 - remaining(one.player) / from, gainWorst: 1 - worst(one.player) / fromWorst, outside, largest };
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const rows = Object.entries(CELLS).flatMap(([cell, laws]) =>
  Object.entries(ROUTINES).map(([name, routine]) => {
    const seasons = Array.from({ length: PLAYERS }, (_, i) => season(routine, laws, 50 + i));
    const of100 = (part: 'gain' | 'gainWorst') => (100 * mean(seasons.map((entry) => entry[part]))).toFixed(1);
    const row = [
      cell,
      name,
      of100('gain'),
      of100('gainWorst'),
      mean(seasons.map(({ outside }) => outside)).toFixed(1),
      mean(seasons.map(({ largest }) => largest)).toFixed(2),
    ];
    console.error(row.join(' · '));
    return row;
  }),
);
console.log(
  table([
    [
      'cell',
      'routine',
      'weakness taken off, %',
      'of the worst fifth, %',
      'wants outside',
      'largest step between neighbours',
    ],
    ...rows,
  ]),
);
