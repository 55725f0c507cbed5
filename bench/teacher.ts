import { writeFileSync } from 'node:fs';
import { breathBudget, scoreBeats, type ExerciseParameters } from '@inner-hum/core/exercise';
import {
  breathLimitS,
  exerciseKey,
  exerciseScore,
  familyById,
  FAMILIES,
  LEVELS,
  mainNoteOf,
  STAGES,
} from '@inner-hum/core/families';
import {
  adapted,
  blockS,
  cellsAfter,
  heldFor,
  hornMap,
  longestHolds,
  ownSources,
  planSession,
  type Cell,
  type Digest,
  type SessionBlock,
} from '@inner-hum/core/plan';
import { SeededRandom } from '@inner-hum/core/simulate';
import { DYNAMICS, dynamicPosition, noteName, zoneOf, type Dynamic } from '@inner-hum/core/theory';
import { i18next } from '../web/src/text/i18n';
import '../web/src/testing/english';
import { reasonText } from '../web/src/text/reasonText';
import { PLAYERS, takeOf, type ModelledPlayer } from './modelledPlayers';
import { table } from './score';

const DAYS = 14;
const PRINTED = [1, 3, 8, 14];
const DAY_MS = 86_400_000;
const FIRST_MS = Date.parse('2026-01-05T18:00:00.000Z');
const BELL_TUBES = [58, 59, 60, 61];

/** A day as it was planned and played. */
interface PlayedDay {
  readonly day: number;
  readonly planned: readonly SessionBlock[];
  readonly before: readonly Digest[];
  readonly takes: readonly Digest[];
}

type Objections = (player: ModelledPlayer, days: readonly PlayedDay[]) => string[];

const midiOf = (exercise: ExerciseParameters) => mainNoteOf(familyById(exercise.family).teaching, exercise);
const perBlock =
  (objection: (block: SessionBlock, player: ModelledPlayer, day: PlayedDay, i: number) => string | undefined) =>
  (player: ModelledPlayer, days: readonly PlayedDay[]): string[] =>
    days.flatMap((day) =>
      day.planned.flatMap((block, i) => {
        const said = objection(block, player, day, i);
        return said ? [`day ${day.day}, ${block.exercise.family}: ${said}`] : [];
      }),
    );
const perDay =
  (objection: (day: PlayedDay, player: ModelledPlayer) => string | undefined | false) =>
  (player: ModelledPlayer, days: readonly PlayedDay[]): string[] =>
    days.flatMap((day) => {
      const said = objection(day, player);
      return said ? [`day ${day.day}: ${said}`] : [];
    });

const isHigh = (exercise: ExerciseParameters) =>
  exerciseScore(exercise).steps.some((step) => zoneOf(step.soundedMidi) === 'altissimo');
const isLip = ({ family }: ExerciseParameters) => ['overtones', 'altissimo'].includes(familyById(family).stage);
const isLoud = (dynamic: Dynamic, position?: number) => (position ?? dynamicPosition(dynamic)) >= 0.7;

/** Every rule that a session must keep, each with what a teacher would object to. */
const RULES: Readonly<Record<string, Objections>> = {
  'a breath is no longer than 85 % of what was held, or the first limit': perBlock(({ exercise }, _, day) => {
    const score = exerciseScore(exercise);
    const held = heldFor(score, longestHolds(day.before.flatMap((digest) => digest.holds)));
    const limitS = breathLimitS(familyById(exercise.family), score, held);
    const { longestBreathS } = breathBudget(score);
    return longestBreathS > limitS + 0.1 ? `${longestBreathS.toFixed(1)} s of ${limitS.toFixed(1)}` : undefined;
  }),
  'a breath of overtones or altissimo is no longer than six seconds': perBlock(({ exercise }) => {
    const { longestBreathS } = breathBudget(exerciseScore(exercise));
    const high = familyById(exercise.family).stage === 'overtones' || isHigh(exercise);
    return high && longestBreathS > 6.1 ? `${longestBreathS.toFixed(1)} s` : undefined;
  }),
  'tempo, beats and dynamics stay within what the family calls sensible': perBlock(({ exercise }) => {
    const within = Object.entries(familyById(exercise.family).teaching.within ?? {});
    return (
      within
        .flatMap(([field, [from, to]]) => {
          const value = exercise[field];
          if (typeof from === 'number') {
            const number = Number(value);
            return number < from || number > Number(to) ? [`${field} ${number}`] : [];
          }
          const place = DYNAMICS.indexOf(value as Dynamic);
          return place < DYNAMICS.indexOf(from) || place > DYNAMICS.indexOf(to as Dynamic)
            ? [`${field} ${String(value)}`]
            : [];
        })
        .join(', ') || undefined
    );
  }),
  'harder goes by one small step, once a day': (_, days) =>
    days.flatMap(({ day, takes }) => {
      const steps = new Map<string, number>();
      for (const take of takes)
        if (take.decision === 'harder' && Object.keys(take.next).length > 0)
          steps.set(exerciseKey(take.parameters), (steps.get(exerciseKey(take.parameters)) ?? 0) + 1);
      return [...steps].flatMap(([key, count]) => (count > 1 ? [`day ${day}, ${key}: ${count} steps`] : []));
    }),
  'a note that a goal names is not moved': (player, days) =>
    days.flatMap(({ day, takes }) =>
      takes.flatMap((take) => {
        const note = midiOf(take.parameters);
        const moved = midiOf({ ...take.parameters, ...take.next });
        const goal = player.goals.some((entry) => entry.midi === note);
        return goal && moved !== note ? [`day ${day}, ${take.family}`] : [];
      }),
    ),
  'overtones grow: no partial before the one under it was tried and was right': perBlock(({ exercise }, _, day) => {
    if (familyById(exercise.family).stage !== 'overtones') return undefined;
    const partial = Number(exercise['top'] ?? (exercise.family === 'shortTwelfths' ? 2 : exercise['partial']) ?? 2);
    if (partial <= 2) return undefined;
    const right = day.before.flatMap((digest) =>
      digest.seen.filter(
        (observation) =>
          observation.partial === partial - 1 && BELL_TUBES.includes(observation.fingeredMidi) && observation.spoke,
      ),
    );
    return right.length === 0 ? `partial ${partial}` : undefined;
  }),
  'at least eight seconds between tries, as long as the tone after loud or high ones': perBlock((block) => {
    const score = exerciseScore(block.exercise);
    const hard = score.steps.filter(
      (step) =>
        !step.openEnd &&
        (['palm', 'altissimo'].includes(zoneOf(step.soundedMidi)) ||
          step.dynamics.some((point) => isLoud(point.dynamic, point.position))),
    );
    const toneS = Math.max(0, ...hard.map((step) => (step.beats * 60) / score.tempoBpm));
    const leastS = Math.max(8, Math.round(toneS));
    return (block.betweenS ?? 0) < leastS ? `${block.betweenS} s of ${leastS}` : undefined;
  }),
  'the lip rests for thirty seconds after overtones and altissimo': perBlock((block, _, { planned }, i) =>
    i < planned.length - 1 && isLip(block.exercise) && block.restS < 30 ? `${block.restS} s` : undefined,
  ),
  'a block lasts two to three minutes (one to four are let pass)': perBlock((block, player) => {
    const s = blockS(block);
    const [least, most] = player.minutes <= 7 ? [40, 150] : [60, 240];
    return s < least || s > most ? `${Math.round(s)} s` : undefined;
  }),
  'a block has two to four tries, one only when the try is long': perBlock(({ exercise, tries }) =>
    tries > 4 || (tries < 2 && breathBudget(exerciseScore(exercise)).totalS < 60) ? `${tries}` : undefined,
  ),
  'the order is that of a practice, and it begins by waking the low end': perDay(({ planned }, { minutes }) => {
    if (minutes <= 7) return undefined;
    const places = planned.map(({ exercise }) => STAGES.indexOf(familyById(exercise.family).stage));
    return places[0] !== 0 && 'it does not begin with the low end';
  }),
  'a survey is played once, at the beginning, when the map is thin': (_, days) => {
    const on = days.filter(({ planned }) => planned.some(({ exercise }) => exercise.family === 'survey'));
    const late = on.filter(({ planned }) => planned.findIndex(({ exercise }) => exercise.family === 'survey') > 2);
    return [...(on.length > 1 ? [`on ${on.length} days`] : []), ...late.map(({ day }) => `day ${day}: not first`)];
  },
  'at most two blocks only keep what is good': perDay(
    ({ planned }) =>
      planned.filter(({ reason }) => reason.kind === 'kept' || reason.kind === 'stale').length > 2 && 'more than two',
  ),
  'no exercise twice in a session': perDay(({ planned }) => {
    const keys = planned.map(({ exercise }) => exerciseKey(exercise));
    return new Set(keys).size < keys.length && keys.filter((key, i) => keys.indexOf(key) < i).join(', ');
  }),
  'from fifteen minutes on there are overtones and something musical': perDay(({ planned }, { minutes }) => {
    const stages = planned.map(({ exercise }) => familyById(exercise.family).stage);
    return minutes >= 15 && !(stages.includes('overtones') && stages.includes('wholeHorn')) && stages.join(', ');
  }),
  'altissimo comes after overtones, late, and not more than 90 s in twenty minutes': perDay(
    ({ planned }, { minutes }) => {
      const first = planned.findIndex(({ exercise }) => isHigh(exercise));
      if (first < 0) return undefined;
      const prepared = planned
        .slice(0, first)
        .some(({ exercise }) => familyById(exercise.family).stage === 'overtones');
      const soundsS = planned.reduce((sum, { exercise, tries }) => {
        const score = exerciseScore(exercise);
        const high = score.steps.filter((step) => zoneOf(step.soundedMidi) === 'altissimo');
        const beats = high.reduce((all, step) => all + (step.openEnd ? 4 : step.beats), 0);
        return sum + (tries * beats * 60) / score.tempoBpm;
      }, 0);
      if (!prepared) return 'not prepared';
      if (first < planned.length / 2) return 'early';
      return soundsS > (90 * minutes) / 20 ? `${Math.round(soundsS)} s` : undefined;
    },
  ),
  'the exercise meets the need at its loudness': perBlock(({ exercise, reason }, player) => {
    if (reason.kind !== 'pitch') return undefined;
    const bands = ['soft', 'medium', 'loud'] as const;
    const worst = bands.reduce((most, band) =>
      Math.abs(player.cents(reason.midi, band)) > Math.abs(player.cents(reason.midi, most)) + 3 ? band : most,
    );
    const alike = bands.every(
      (band) => Math.abs(player.cents(reason.midi, band) - player.cents(reason.midi, worst)) < 3,
    );
    const asked = { soft: ['pp', 'p'], medium: ['mp', 'mf'], loud: ['f', 'ff'] }[worst];
    // One step louder is how a soft one is made easier for a while.
    const near = asked.some(
      (text) => Math.abs(DYNAMICS.indexOf(text as Dynamic) - DYNAMICS.indexOf(exercise['dynamic'] as Dynamic)) <= 1,
    );
    return alike || !('dynamic' in exercise) || near
      ? undefined
      : `${String(exercise['dynamic'])} for a note that leans when ${worst}`;
  }),
  'range and partials are those of the level': perBlock(({ exercise }, player) => {
    const top = { new: 88, home: 90, advanced: 102 }[player.level];
    const most = { new: 3, home: 5, advanced: 8 }[player.level];
    const { steps } = exerciseScore(exercise);
    if (steps.some((step) => step.soundedMidi > top && step.partialNumber === 1)) return 'too high';
    return steps.some((step) => step.partialNumber > most) ? 'too many partials' : undefined;
  }),
  'in two weeks every family that fits the level comes round': (player, days) => {
    if (player.minutes < 15) return [];
    const played = new Set(days.flatMap(({ planned }) => planned.map(({ exercise }) => exercise.family)));
    const known = LEVELS.indexOf(player.level);
    return FAMILIES.filter(
      ({ id, stage, teaching: { planned } }) =>
        planned &&
        LEVELS.indexOf(planned.from) <= known &&
        planned.slot !== 'measure' &&
        !played.has(id) &&
        // What wants overtones that are not there yet waits for them.
        !(['overtones', 'altissimo'].includes(stage) && planned.turn?.(beginner) === undefined),
    ).map(({ id }) => id);
  },
  'what was left comes back easier, another day': (_, days) =>
    days.flatMap(({ day, planned, before }) =>
      planned.flatMap(({ exercise }) => {
        const last = before.findLast((digest) => exerciseKey(digest.parameters) === exerciseKey(exercise));
        return last?.decision === 'leave' && JSON.stringify(last.parameters) === JSON.stringify(exercise)
          ? [`day ${day}, ${exercise.family}`]
          : [];
      }),
    ),
  'the minutes are kept within a twentieth': perDay(({ planned }, { minutes }) => {
    const s = planned.reduce((sum, block) => sum + blockS(block), 0);
    return Math.abs(s / (60 * minutes) - 1) > 0.05 && `${(s / 60).toFixed(1)} min`;
  }),
};
const beginner = {
  horn: { id: 'alto' } as never,
  level: 'home',
  turn: 0,
  frontier: { tubeMidi: 58, partial: 2 },
  weakest: () => 67,
} as const;

function season(player: ModelledPlayer): PlayedDay[] {
  const random = new SeededRandom(7);
  const cells = new Map<string, Cell>();
  const recent: Digest[] = [];
  const days: PlayedDay[] = [];
  for (let day = 1; day <= DAYS; day++) {
    const nowMs = FIRST_MS + (day - 1) * DAY_MS;
    const dayText = new Date(nowMs).toISOString().slice(0, 10);
    const before = [...recent];
    const { instrumentId, minutes, level, goals } = player;
    const planned = planSession({
      instrumentId,
      minutes,
      level,
      goals,
      style: 'sweep',
      notes: hornMap(cells.values()),
      sources: ownSources(cells.values()),
      recent: before,
      quiet: false,
      nowMs,
      day: dayText,
    });
    const takes: Digest[] = [];
    let rest: readonly SessionBlock[] = planned;
    while (rest[0]) {
      const { exercise } = rest[0];
      const harderToday = takes.some(
        (take) =>
          take.decision === 'harder' &&
          [exerciseKey(take.parameters), exerciseKey({ ...take.parameters, ...take.next })].includes(
            exerciseKey(exercise),
          ),
      );
      const about = { startedAtMs: nowMs + takes.length * 60_000, day: dayText, taken: takes.length, harderToday };
      const take = takeOf(player, exercise, about, random);
      takes.push(take);
      rest = adapted(rest, { decision: take.decision, next: take.next });
    }
    for (const take of takes) {
      for (const cell of cellsAfter(take, (key) => cells.get(key))) cells.set(cell.key, cell);
      recent.push(take);
    }
    days.push({ day, planned, before, takes });
  }
  return days;
}

const { t } = i18next;
const nameOf = (midi: number) => noteName(midi, 'english');

/** A block as the player reads it. */
function line(block: SessionBlock): string {
  const { exercise, tries, betweenS, restS, reason } = block;
  const { fields, teaching } = familyById(exercise.family);
  const midi = mainNoteOf(teaching, exercise);
  const dynamics = ['softest', 'loudest', 'dynamic'].filter((name) => name in fields).map((name) => exercise[name]);
  const score = exerciseScore(exercise);
  const { longestBreathS } = breathBudget(score);
  const breath = longestBreathS > 0 ? `breath ${longestBreathS.toFixed(1)} s` : 'as long as it stays good';
  return [
    `**${t(`families.${exercise.family}.name`)}**`,
    ...(midi === undefined ? [] : [nameOf(midi)]),
    dynamics.join('–') || '–',
    `${scoreBeats(score)} beats at ${exercise.tempoBpm}, ${breath}`,
    `${tries} × with ${betweenS} s between, then ${restS} s (${(blockS(block) / 60).toFixed(1)} min)`,
    reasonText(t, nameOf, reason),
  ].join(' · ');
}

const seasons = PLAYERS.map((player) => ({ player, days: season(player) }));
const counts = Object.entries(RULES).map(([rule, objections]) => ({
  rule,
  each: seasons.map(({ player, days }) => objections(player, days)),
}));
const total = counts.reduce((sum, { each }) => sum + each.flat().length, 0);
const report = `# What a teacher would object to

Written by \`npm run bench:teacher\`: five modelled players (\`bench/modelledPlayers.ts\`) practise for ${DAYS} days, each day as planned and then
as the judge's next steps change it. Every rule below is counted over all their sessions. **These are models, not players.**

Objections in all: **${total}** in ${seasons.reduce((sum, { days }) => sum + days.length, 0)} sessions.

${table([
  ['rule', ...PLAYERS.map(({ name }) => name)],
  ...counts.map(({ rule, each }) => [rule, ...each.map((list) => String(list.length))]),
])}

${counts
  .flatMap(({ rule, each }) => (each.flat().length ? [`- ${rule}: ${each.flat().slice(0, 12).join('; ')}`] : []))
  .join('\n')}

${seasons
  .map(
    ({ player, days }) =>
      `## ${player.name}\n\n${days
        .filter(({ day }) => PRINTED.includes(day))
        .map(
          ({ day, planned }) =>
            `Day ${day}, ${player.minutes} minutes:\n\n${planned.map((block, i) => `${i + 1}. ${line(block)}`).join('\n')}`,
        )
        .join('\n\n')}`,
  )
  .join('\n\n')}
`;
writeFileSync('docs/teacher.md', report);
console.log(report);
