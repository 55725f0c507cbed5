import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { cellsAfter, type Cell } from '@inner-hum/core/history';
import { blockS, feedersOf, passageRisks } from '@inner-hum/core/lesson';
import { hornMap } from '@inner-hum/core/map';
import { SeededRandom } from '@inner-hum/core/simulate';
import { writePage } from './pages';
import {
  DAY_MS,
  digestOf,
  FORGET,
  GAIN,
  LOWEST,
  newPlayer,
  NOTES,
  practise,
  SHARE,
  SPACED_GAIN,
  WEAKNESSES,
  type Player,
  type Teaches,
  type Today,
} from './plannerModel';
import { table } from './score';

/** How long a passage is worked at, after three days that made the map. */
interface Span {
  readonly days: number;
  readonly minutes: number;
}
const A_WEEK: Span = { days: 6, minutes: 8 };
const TWO_WEEKS: Span = { days: 14, minutes: 15 };
const SURVEY_DAYS = 3;
const PLAYERS = 20;
const REST_S = 8;
/** As the application puts them into a week. */
const TRIES = 3;
/** From pp to ff, dB. */
const SPAN_DB = 30;
const PASSAGES = {
  'low and soft, one beat a note': '[p] (D4 C4 B♭3) C4 E♭4 [mf] (F4 G4 A♭4) G4:2',
  'over the break, half a beat a note':
    '[mf] (G4:0.5 A4:0.5 B4:0.5 C5:0.5) (D5:0.5 E5:0.5 D5:0.5 C5:0.5) B4:2 (A4 C♯5) D5:2',
  'high and held, two beats a note': '[f] A5:2 (C6:2 B5:2) [p] (G5:2 F♯5:2) D6:4',
} as const;

/** What is practised on one day. */
type Way = (passage: ExerciseParameters, feeders: readonly ExerciseParameters[]) => ExerciseParameters[];
const WAYS = {
  'the passage alone': (passage) => [passage],
  'feeders, then the passage': (passage, feeders) => [...feeders, passage].flatMap((one) => Array(TRIES).fill(one)),
} as const satisfies Record<string, Way>;

interface Outcome {
  /** share of the passage's weakness that went: over its notes, and of its worst note */
  readonly gone: number;
  readonly goneWorst: number;
}

const on = (family: string, more: Partial<ExerciseParameters>) =>
  ({ ...usualExercise(familyById(family), 'alto'), ...more }) as ExerciseParameters;

/** How weak each note of a passage is: its mean over pitch, steadiness and response, 1 at most. */
function weaknessOf(player: Player, passage: ExerciseParameters): number[] {
  return exerciseScore(passage).steps.map(
    ({ soundedMidi }) =>
      WEAKNESSES.reduce((sum, weakness) => sum + player[weakness][soundedMidi - LOWEST]!, 0) / WEAKNESSES.length,
  );
}

function season(phrase: string, way: Way, seed: number, teaches: Teaches, span: Span): Outcome {
  const random = new SeededRandom(seed);
  const player = newPlayer(random);
  const passage = on('ownPassage', { phrase });
  const cells = new Map<string, Cell>();
  const hear = (exercise: ExerciseParameters, day: number, nth: number) => {
    const digest = digestOf(player, exercise, day * DAY_MS + nth * 60_000, `${day} ${nth}`, random);
    for (const cell of cellsAfter(digest, (key) => cells.get(key))) cells.set(cell.key, cell);
  };
  for (let day = 1; day <= SURVEY_DAYS; day++)
    for (let i = 0; i < NOTES; i++) hear(on('hold', { writtenMidi: LOWEST + i }), day, i);
  const before = weaknessOf(player, passage);
  for (let day = SURVEY_DAYS + 1; day <= SURVEY_DAYS + span.days; day++) {
    for (const weakness of WEAKNESSES)
      for (let i = 0; i < NOTES; i++) player[weakness][i]! += FORGET * (1 - player[weakness][i]!);
    const risks = passageRisks(exerciseScore(passage), hornMap(cells.values()), 'alto', SPAN_DB);
    const turn = way(passage, feedersOf(risks));
    const today: Today = new Map();
    for (let s = 0, i = 0; ; i++) {
      const exercise = turn[i % turn.length]!;
      s += blockS({ exercise, tries: 1, restS: REST_S });
      if (s > 60 * span.minutes) break;
      hear(exercise, day, i);
      practise(player, exercise, teaches, today);
    }
  }
  const after = weaknessOf(player, passage);
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const worstAt = before.indexOf(Math.max(...before));
  return { gone: 1 - mean(after) / mean(before), goneWorst: 1 - after[worstAt]! / before[worstAt]! };
}

const percent = (value: number) => `${(100 * value).toFixed(1)} %`;

function tableOf(teaches: Teaches, span: Span): string {
  const rows = Object.entries(PASSAGES).flatMap(([name, phrase]) => {
    const seasons = Object.entries(WAYS).map(([way, ofDay]) => ({
      way,
      outcomes: Array.from({ length: PLAYERS }, (_, i) => season(phrase, ofDay, 700 + i, teaches, span)),
    }));
    const mean = (outcomes: readonly Outcome[], of: keyof Outcome) =>
      outcomes.reduce((sum, outcome) => sum + outcome[of], 0) / PLAYERS;
    const alone = seasons[0]!.outcomes;
    return seasons.map(({ way, outcomes }) => [
      name,
      way,
      percent(mean(outcomes, 'gone')),
      percent(mean(outcomes, 'goneWorst')),
      outcomes === alone ? '' : `${outcomes.filter(({ gone }, i) => gone > alone[i]!.gone).length} of ${PLAYERS}`,
      outcomes === alone
        ? ''
        : `${outcomes.filter(({ goneWorst }, i) => goneWorst > alone[i]!.goneWorst).length} of ${PLAYERS}`,
    ]);
  });
  return table([
    [
      'passage',
      'practised',
      'weakness gone, mean of its notes',
      'of its worst note',
      'better for',
      'worst note better for',
    ],
    ...rows,
  ]);
}

const named = ({ days, minutes }: Span) => `${days} days of ${minutes} minutes`;
const tables = (teaches: Teaches) =>
  [A_WEEK, TWO_WEEKS].map((span) => `### ${named(span)}\n\n${tableOf(teaches, span)}`).join('\n\n');

const report = `# Do feeders help a passage?

Written by \`npm run bench:passages\`. **A model of a player, not a study of players.**

${PLAYERS} made-up players on an alto, the ones of \`docs/planner.md\`: each note has a weakness of pitch, steadiness and response. Three
days of long tones over the horn make the map; then come ${named(A_WEEK)} or ${named(TWO_WEEKS)}, with the passage alone, over and over,
or with what \`passageRisks\` proposes of that day's map (at most four feeders, ${TRIES} tries each) before the passage. Eight beats of tone
on a note take ${100 * GAIN} % off its weakness, three starts off its response, neighbours gain ${100 * SHARE} % of it, a day gives
${(100 * FORGET).toFixed(1)} % back.

## Each try teaches the same

${tables('evenly')}

## Spaced practice teaches more

The n-th try of a day on a note takes off ${SPACED_GAIN}/n times as much.

${tables('spaced')}

## What it says

Over a week feeders mostly take more off the note at which a passage breaks, and less off the mean of its notes: they go to few notes, the
passage to all. Where what is practised twice on a day teaches less, they cost the mean nothing to speak of. After two weeks both have
come down to what practice can't take off in this model, and nothing is left to tell them apart. The model does not know what feeders
are for beyond that: a slow tone can be heard and mended, a fast one only repeated; and of the joins of a passage it knows nothing. So
the application proposes feeders and leaves the passage in the same routine, after them, and tells from the player's own takes whether it
became better.
`;
writePage('passages', report);
console.log(report);
