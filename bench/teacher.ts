import { breathBudget, scoreBeats } from '@inner-hum/core/exercise';
import { exerciseScore, familyById, mainNoteOf } from '@inner-hum/core/families';
import { blockS, standingOf, themeOf, type SessionBlock } from '@inner-hum/core/lesson';
import { noteName } from '@inner-hum/core/theory';
import { i18next } from '../web/src/text/i18n';
import '../web/src/testing/english';
import { reasonText, themeText } from '../web/src/text/reasonText';
import { lessonFigures } from './lessonFigures';
import { PLAYERS, type ModelledPlayer } from './modelledPlayers';
import { writePage } from './pages';
import { table } from './score';
import { seasonOf, thingOf, type PlayedSession } from './season';
import { RULES } from './teacherRules';

const DAYS = 84;
const TIRED_SEASONS = 12;
const PRINTED = [1, 2, 8, 30];
const PRINTED_PLAYERS = 4;

const LETTER = {
  usual: 'u',
  rest: 'R',
  second: '2',
  light: 'l',
  taper: 'T',
  goalDay: 'G',
  dayAfter: 'a',
  tired: 't',
  away: 'A',
} as const;

const { t } = i18next;
const nameOf = (midi: number) => noteName(midi, 'english');
const percent = (part: number, of: number) => `${((100 * part) / Math.max(1, of)).toFixed(0)} %`;
const isCheck = ({ exercise }: SessionBlock) => ['tuneUp', 'survey'].includes(exercise.family);
const played = (sessions: readonly PlayedSession[]) => sessions.filter(({ planned }) => planned.length > 0);

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

/** How a player's season went, in the figures that a teacher would ask for. */
function figures(player: ModelledPlayer, sessions: readonly PlayedSession[]): string[] {
  const days = played(sessions);
  const blocks = days.flatMap(({ planned }) => planned.filter((block) => !isCheck(block)));
  const first = new Set(
    (days[0]?.planned ?? []).map(({ exercise }) => exercise.family).filter((id) => id !== 'tuneUp'),
  );
  const its = blocks.filter(({ reason }) => reason.kind === 'round').length;
  const shared = days.slice(1).map(({ planned }, i) => {
    const last = new Set(days[i]!.planned.map(thingOf));
    const own = planned.filter((block) => !isCheck(block));
    return [own.filter((block) => last.has(thingOf(block))).length, own.length] as const;
  });
  const sharedOf = shared.reduce((sum, [, of]) => sum + of, 0);
  const families = new Set(days.flatMap(({ planned }) => planned.map(({ exercise }) => exercise.family)));
  return [
    player.name,
    String(first.size),
    percent(its, blocks.length),
    percent(
      shared.reduce((sum, [same]) => sum + same, 0),
      sharedOf,
    ),
    needsWorked(days),
    percent(...brokenLate(sessions)),
    String(families.size),
  ];
}

/** Of the three largest needs of each session, how many are worked on in it or in the two after it. */
function needsWorked(days: readonly PlayedSession[]): string {
  let [worked, of] = [0, 0];
  days.forEach(({ plan }, i) => {
    const { groups } = standingOf(plan);
    for (const { needs: own } of groups.slice(0, 3)) {
      const notes = new Set(own.map(({ midi }) => midi));
      const on = ({ exercise }: SessionBlock) =>
        notes.has(mainNoteOf(familyById(exercise.family).teaching, exercise) ?? -1);
      of++;
      if (days.slice(i, i + 3).some(({ planned }) => planned.some(on))) worked++;
    }
  });
  return of === 0 ? 'none' : percent(worked, of);
}

/** Takes that broke in the last quarter of a session's time, and all that were made there. */
function brokenLate(sessions: readonly PlayedSession[]): readonly [number, number] {
  const late = sessions.flatMap(({ takes, places }) => takes.filter((_, i) => places[i]! >= 0.75));
  return [late.filter(({ decision }) => decision === 'easier' || decision === 'leave').length, late.length];
}

const seasons = PLAYERS.map((player) => ({ player, sessions: seasonOf(player, DAYS) }));
const counts = Object.entries(RULES).map(([rule, objections]) => ({
  rule,
  each: seasons.map(({ player, sessions }) => objections(player, sessions)),
}));
const total = counts.reduce((sum, { each }) => sum + each.flat().length, 0);
const sessionCount = seasons.reduce((sum, { sessions }) => sum + played(sessions).length, 0);

const learner = seasons.find(({ player }) => player.name.includes('19 of 20'))!;
const tired = seasons.find(({ player }) => player.name.startsWith('tired'))!;
// One season has too few takes in its last quarters.
const tiredSeasons = Array.from({ length: TIRED_SEASONS }, (_, i) => seasonOf(tired.player, DAYS, undefined, i + 1));
const tiredLate = brokenLate(tiredSeasons.flat());
const partials = played(learner.sessions).flatMap(({ planned }) => {
  const ladder = planned.find(({ reason }) => reason.kind === 'overtone');
  return ladder?.reason.kind === 'overtone' ? [ladder.reason.partial] : [];
});

const report = `# What a teacher would object to

Written by \`npm run bench:teacher\`: ${PLAYERS.length} modelled players (\`bench/modelledPlayers.ts\`) practise for ${DAYS} days, each day as planned and then
as the judge's next steps change it. The first five stay as they are; the others learn by spaced practice and forget, one has a horn
16 cents sharp, one a dead reed, one misses days. Every rule (\`bench/teacherRules.ts\`) is counted over all their sessions; none is let
off by its stage. **These are models, not players.**

Objections in all: **${total}** in ${sessionCount} sessions.

${table([
  ['rule', 'objections', 'of which'],
  ...counts.map(({ rule, each }) => [
    rule,
    String(each.flat().length),
    each.flat().slice(0, 3).join('; ').replaceAll('|', '/') || '–',
  ]),
])}

## The lessons in figures

All days of the season; a block is one uninterrupted run of one exercise, tuning and the survey aside.

${lessonTable()}

## The season in figures

${table([
  [
    'player',
    'families on day 1',
    '“its turn”',
    'exercise and note shared with the session before',
    'three largest needs worked on within three sessions',
    'broken in the last quarter',
    'families in the season',
  ],
  ...seasons.map(({ player, sessions }) => figures(player, sessions)),
])}

Of the player who tires, over ${TIRED_SEASONS} seasons drawn otherwise: ${tiredLate[0]} of ${tiredLate[1]} takes in the last quarter of a session broke, ${percent(...tiredLate)}.

Partials that the player who gets 19 of 20 right was led to, session by session with overtones: ${partials.slice(0, 16).join(', ')} ….

## Four days of four players, as they read them

${seasons
  .slice(0, PRINTED_PLAYERS)
  .map(
    ({ player, sessions }) =>
      `### ${player.name}\n\n${sessions
        .filter(({ day }) => PRINTED.includes(day))
        .map(({ day, load, planned, plan }) => {
          const head = `Day ${day}, ${load.minutes} minutes (${load.kind}). ${t('season.about', { theme: themeText(t, themeOf(plan), nameOf) })}`;
          return `${head}\n\n${planned.map((block, i) => `${i + 1}. ${line(block)}`).join('\n')}`;
        })
        .join('\n\n')}`,
  )
  .join('\n\n')}
`;
writePage('teacher', report);
console.log(report);
writePage('season', seasonPage());

/** What each player's lessons are made of. */
function lessonTable(): string {
  const rows = seasons.map(({ player, sessions }) => ({ player, figures: lessonFigures(sessions) }));
  return table([
    ['player', ...Object.keys(rows[0]!.figures)],
    ...rows.map(({ player, figures: own }) => [player.name, ...Object.values(own).map(String)]),
  ]);
}

/** A season of each player in one picture: what its weeks were about, and what each day did. */
function seasonPage(): string {
  return `# Twelve weeks of each player

Written by \`npm run bench:teacher\` beside [teacher.md](teacher.md). A row is a week: its theme, and of each day what it was: \`·\` no practice,
\`R\` rest, \`u\` usual, \`l\` light, \`t\` tired, \`T\` taper, \`G\` the goal's day, \`a\` the day after, \`A\` back after days away, \`2\` two sessions; then the blocks of the week by
why they were there. **These are models, not players.**

${seasons.map(({ player, sessions }) => `## ${player.name}\n\n${weeksOf(sessions)}`).join('\n\n')}
`;
}

function weeksOf(sessions: readonly PlayedSession[]): string {
  const rows = Array.from({ length: DAYS / 7 }, (_, week) => {
    const own = sessions.filter(({ day }) => Math.floor((day - 1) / 7) === week);
    const days = Array.from({ length: 7 }, (_day, i) => {
      const of = own.filter(({ day }) => day === week * 7 + i + 1);
      return of.length === 0 ? '·' : LETTER[of.at(-1)!.load.kind];
    }).join('');
    const kinds = new Map<string, number>();
    for (const { planned } of own)
      for (const block of planned)
        if (!isCheck(block)) kinds.set(block.reason.kind, (kinds.get(block.reason.kind) ?? 0) + 1);
    const why = [...kinds].sort((a, b) => b[1] - a[1]).map(([kind, count]) => `${kind} ${count}`);
    const about = own.length > 0 ? themeText(t, themeOf(own.at(-1)!.plan), nameOf) : '–';
    return [String(week + 1), about, `\`${days}\``, why.join(', ')];
  });
  return table([['week', 'about', 'days', 'why'], ...rows]);
}
