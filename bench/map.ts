import { familyById, usualExercise } from '@inner-hum/core/families';
import { LOUDNESS_BANDS, quantile } from '@inner-hum/core/measure';
import { compare } from '@inner-hum/core/experiments';
import { cellsAfter, cellsFrom, digestOf, knownValue, type Digest, type Observation } from '@inner-hum/core/history';
import { evenness, hornMap, needs, ofNote, seams, type NoteOnMap } from '@inner-hum/core/map';
import { CLEAN_HABITS, SeededRandom, type NoteHabit } from '@inner-hum/core/simulate';
import { play } from './play';
import { digest } from '@inner-hum/core/history/testDigests';
import { table } from './score';
import { writePage } from './pages';

const MAPS = 8;
const DAY_MS = 86_400_000;
const HORN = { lowest: 58, highest: 90 } as const;
/** What is planted: a step of pitch over the break, a step of level to the palm keys, a lowest note that answers late. */
const STEPS = { pitch: { from: 74, cents: 22 }, level: { from: 86, db: -6 }, response: { midi: 58, s: 0.22 } } as const;
const PLANTED = ['73 74 pitchCentreCents', '85 86 levelAgainstPlanDb', '58 59 responseS'];

/** A horn with habits: a smooth tendency, small chance from note to note, and, when asked, the planted seams. */
function horn(seed: number, planted: boolean): Record<number, NoteHabit> {
  const random = new SeededRandom(seed);
  const phase = 6 * random.uniform();
  return Object.fromEntries(
    Array.from({ length: HORN.highest - HORN.lowest + 1 }, (_, i) => {
      const midi = HORN.lowest + i;
      const cents = 6 * Math.sin(phase + i / 6) + 2 * random.normal();
      const responseS = Math.max(0, 0.02 + 0.01 * random.normal());
      return [
        midi,
        {
          cents: cents + (planted && midi >= STEPS.pitch.from ? STEPS.pitch.cents : 0),
          responseS: responseS + (planted && midi === STEPS.response.midi ? STEPS.response.s : 0),
          levelDb: planted && midi >= STEPS.level.from ? STEPS.level.db : 0,
        },
      ];
    }),
  );
}

/** The whole horn surveyed once, zone by zone, through the whole analysis. */
function survey(seed: number, perNote: Record<number, NoteHabit>): NoteOnMap[] {
  const digests = (['low', 'middle', 'palm'] as const).map((part, i) => {
    const parameters = { ...usualExercise(familyById('survey'), 'alto'), part };
    const { measures, verdict, assignment } = play(parameters, 10 * seed + i, { ...CLEAN_HABITS, perNote });
    const take = {
      id: `${seed} ${part}`,
      parameters,
      score: assignment.score,
      setup: { instrumentId: 'alto' },
      measures,
      verdict,
      demo: false,
      shareInWindow: 0.9,
    } as const;
    return digestOf(take, { startedAtMs: DAY_MS + i, day: '1970-01-02' });
  });
  return hornMap(cellsFrom(digests).values());
}

const centreErrors: number[] = [];
const responseErrors: number[] = [];
let found = 0;
let invented = 0;
let inventedOnEven = 0;
let cells = 0;
for (let seed = 1; seed <= MAPS; seed++) {
  const habits = horn(seed, true);
  const notes = survey(seed, habits);
  for (const note of notes)
    for (const band of LOUDNESS_BANDS) {
      const centre = knownValue(ofNote(note, 'pitchCentreCents', band));
      const response = knownValue(ofNote(note, 'responseS', band));
      if (centre !== undefined) centreErrors.push(Math.abs(centre - habits[note.midi]!.cents!));
      // The lowest notes need up to 40 ms more, as the stand-in player plays them.
      const low = 0.04 * Math.max(0, 1 - (note.midi - HORN.lowest) / 7);
      const truth = CLEAN_HABITS.responseS + habits[note.midi]!.responseS! + low;
      if (response !== undefined) responseErrors.push(Math.abs(response - truth));
      if (centre !== undefined) cells++;
    }
  const names = seams(notes).map((seam) => `${seam.lower} ${seam.upper} ${seam.quantity}`);
  found += PLANTED.filter((text) => names.includes(text)).length;
  invented += names.filter((name) => !PLANTED.includes(name)).length;
  inventedOnEven += seams(survey(100 + seed, horn(seed, false))).length;
}
const within = (errors: readonly number[], limit: number) =>
  `${((100 * errors.filter((error) => error <= limit).length) / errors.length).toFixed(1)} %`;

/** How often the interval of a comparison holds the truth, over made-up takes with a spread of their own. */
function coverage(takes: number): number {
  const RUNS = 300;
  const random = new SeededRandom(takes);
  let held = 0;
  for (let run = 0; run < RUNS; run++) {
    const truth = 10 * random.normal();
    const lot = (name: string, centre: number): Digest[] =>
      Array.from({ length: takes }, (_, i) => {
        const ofTake = 3 * random.normal();
        return madeUp(
          `${name}${i}`,
          i,
          (midi) => ({ pitchCentreCents: centre + (midi % 5) + ofTake + 3 * random.normal() }),
          5,
        );
      });
    const all = compare(lot('a', 0), lot('b', truth), () => random.uniform()).find(
      (comparison) => comparison.midi === undefined,
    )!;
    if (all.from <= truth && truth <= all.to) held++;
  }
  return (100 * held) / RUNS;
}

function madeUp(id: string, day: number, valuesOf: (midi: number) => Observation['values'], notes: number): Digest {
  const startedAtMs = day * DAY_MS + notes;
  const seen = Array.from({ length: notes }, (_, i): Observation => {
    const midi = HORN.lowest + ((day * 7 + i) % 33);
    return {
      atMs: startedAtMs + i,
      midi: notes === 5 ? 60 + i : midi,
      fingeredMidi: notes === 5 ? 60 + i : midi,
      partial: 1,
      band: LOUDNESS_BANDS[(day + i) % 3]!,
      attack: 'breath',
      tried: true,
      spoke: true,
      values: valuesOf(midi),
    };
  }).map((observation) => (notes === 5 ? { ...observation, band: 'medium' as const } : observation));
  const setupKey = `["alto","","","","${day % 3}",""]`;
  const setup = { instrumentId: 'alto' as const, reed: String(day % 3) };
  return digest(id, 1, [], setup, { startedAtMs, day: String(day), setupKey, seen });
}

const TAKES = 20_000;
const random = new SeededRandom(3);
const many = Array.from({ length: TAKES }, (_, i) =>
  madeUp(
    `t${i}`,
    i,
    () => ({ pitchCentreCents: 5 * random.normal(), responseS: 0.05, centroidPartials: 4, rangeDb: 20 }),
    6,
  ),
);
const timed = (work: () => void, times = 1) => {
  const start = performance.now();
  for (let i = 0; i < times; i++) work();
  return (performance.now() - start) / times;
};
let all = new Map<string, ReturnType<typeof cellsAfter>[number]>();
const rebuildMs = timed(() => (all = cellsFrom(many)));
const updateMs = timed(
  () =>
    cellsAfter(
      madeUp('new', TAKES, () => ({ pitchCentreCents: 1 }), 6),
      (key) => all.get(key),
    ),
  200,
);
const placeMs = timed(() => {
  const notes = hornMap(all.values());
  seams(notes);
  evenness(notes);
  needs(notes, 'alto');
}, 10);

const report = `# The horn map

Written by \`npm run bench:map\`: the stand-in player with known habits for every note surveys an alto, three loudnesses a note, through
the whole analysis; ${MAPS} horns with planted seams, ${MAPS} even ones. A survey lasts ${surveyMinutes()} minutes of playing.

${table([
  ['figure', 'must', 'measured'],
  [
    'centre of a cell within ±2 cents',
    'all',
    `${within(centreErrors, 2)} of ${cells}; 95th percentile ${quantile(centreErrors, 0.95).toFixed(2)} cents`,
  ],
  [
    'response of a cell within ±15 ms',
    'all',
    `${within(responseErrors, 0.015)}; 95th percentile ${(1000 * quantile(responseErrors, 0.95)).toFixed(0)} ms`,
  ],
  [
    'planted seams found',
    '≥ 95 %',
    `${found} of ${MAPS * PLANTED.length} (${((100 * found) / (MAPS * PLANTED.length)).toFixed(0)} %)`,
  ],
  ['seams invented on a horn with seams', '≤ 1 a map', (invented / MAPS).toFixed(2)],
  ['seams invented on an even horn', '≤ 1 a map', (inventedOnEven / MAPS).toFixed(2)],
  ...[4, 8, 16].map((takes) => [
    `intervals that hold the truth, ${takes} takes a side`,
    'about 90 %',
    `${coverage(takes).toFixed(0)} %`,
  ]),
  ['20 000 takes: cells made anew', '', `${rebuildMs.toFixed(0)} ms`],
  ['20 000 takes: a new take into its cells', '≤ 20 ms', `${updateMs.toFixed(2)} ms`],
  ['20 000 takes: map, seams, evenness and needs from the cells', '', `${placeMs.toFixed(1)} ms`],
])}

Times are of the arithmetic alone, in Node; what the places take in a browser with 20 000 takes is in [scale.md](scale.md).
`;
writePage('map', report);
console.log(report);

function surveyMinutes(): string {
  const notes = HORN.highest - HORN.lowest + 1;
  const { beats, restBeats, tempoBpm } = usualExercise(familyById('survey'), 'alto');
  return ((notes * 3 * (Number(beats) + Number(restBeats))) / tempoBpm).toFixed(1);
}
