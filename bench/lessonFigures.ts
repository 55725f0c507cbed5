import { breathBudget } from '@inner-hum/core/exercise';
import { exerciseKey, exerciseScore, familyById } from '@inner-hum/core/families';
import { isSecure } from '@inner-hum/core/judge';
import { blockS, pillarOf, PILLARS, standingOf, targetsOf, tryOf, type SessionBlock } from '@inner-hum/core/lesson';
import { zoneOf } from '@inner-hum/core/theory';
import type { PlayedSession } from './season';
import { isCheck, isLip } from './ruleParts';

const FROM_DAY = 4;
/** From this day on a target's ways are mixed with others. */
const OLD_FROM_DAY = 3;
const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0);
const triesOf = (blocks: readonly SessionBlock[]) => sum(blocks.map(({ tries }) => tries));
const secondsOf = (blocks: readonly SessionBlock[]) => sum(blocks.map(blockS));
const isMusic = ({ exercise }: SessionBlock) =>
  exercise.family === 'ownPassage' || familyById(exercise.family).stage === 'wholeHorn';
const percent = (part: number, of: number) => Math.round((100 * part) / Math.max(1e-9, of));

/** Starts of the note that is started most in a block. */
function startsOf({ exercise, tries }: SessionBlock): number {
  const counts = new Map<number, number>();
  for (const { attack, soundedMidi } of exerciseScore(exercise).steps)
    if (attack !== 'slurred') counts.set(soundedMidi, (counts.get(soundedMidi) ?? 0) + 1);
  return tries * Math.max(0, ...counts.values());
}

/** Of the tries of targets from their third day on, those that follow another block, percent. */
function afterAnother(lessons: readonly (readonly SessionBlock[])[]): number {
  const old = lessons.flatMap((own) =>
    own.filter(({ reason }) => 'target' in reason && reason.target && reason.target.day >= OLD_FROM_DAY),
  );
  return percent(old.length, triesOf(old));
}

/** Of the tries of targets those that tell of it at its own loudness, and of these those that were inside, percent. */
function ownDemand(sessions: readonly PlayedSession[]): string {
  let [all, told, inside] = [0, 0, 0];
  for (const { planned, takes } of sessions)
    for (const take of takes) {
      const block = planned.find(
        ({ exercise, reason }) =>
          'target' in reason && reason.target && exerciseKey(exercise) === exerciseKey(take.parameters),
      );
      if (!block || !('target' in block.reason)) continue;
      const { kind, midi, band, value } = block.reason;
      const need = { reason: kind, midi, size: 1, value, ...(band && { band }) };
      const own = take.seen.flatMap((one) => tryOf({ reason: kind, midis: [midi], need }, one) ?? []);
      all++;
      told += Number(own.length > 0);
      inside += Number(own.length > 0 && own.every((one) => one.inside));
    }
  return `${percent(told, all)} %, ${percent(inside, told)} % of them inside`;
}

/** A want is looked for among targets within so many lessons, and worked on on so many days. */
const WANTS = { largest: 6, lessons: 6, days: 3, atLesson: 10 } as const;

/** Of the largest wants that are known after ten lessons, those that are a target within six more, and that have their days. */
function largestWants(sessions: readonly PlayedSession[]): string {
  const played = sessions.filter(({ planned }) => planned.length > 0);
  const from = played[WANTS.atLesson];
  const soon = played[WANTS.atLesson + WANTS.lessons];
  const last = played.at(-1);
  if (!from || !soon || !last) return 'too few lessons';
  const wants = standingOf(from.plan).groups.flatMap(({ needs }) => needs);
  const largest = wants.toSorted((a, b) => b.size - a.size).slice(0, WANTS.largest);
  const has = (of: PlayedSession, reason: string, midi: number) =>
    targetsOf(of.plan).find((target) => target.reason === reason && target.midis.includes(midi));
  const taken = largest.filter(({ reason, midi }) => has(soon, reason, midi));
  const worked = largest.filter(({ reason, midi }) => {
    const target = has(last, reason, midi);
    return target && (target.lessons >= WANTS.days || target.state === 'secure');
  });
  return `${taken.length} and ${worked.length} of ${largest.length}`;
}

/** Lessons by the figures that a lesson is to keep: what a teacher would count first. */
export function lessonFigures(sessions: readonly PlayedSession[]) {
  const played = sessions.filter(({ planned }) => planned.length > 0);
  const works = played.map((session) => ({
    ...session,
    blocks: session.planned.filter(({ exercise }) => !isCheck(exercise)),
  }));
  const blocks = works.flatMap((work) => work.blocks);
  // What wakes, looks about or is music is no block.
  const practised = blocks.filter(({ reason }) => !['warmUp', 'look', 'music', 'tuneAbout'].includes(reason.kind));
  const late = works.filter(({ day, load }) => day >= FROM_DAY && load.minutes >= 10);
  const massed = late.filter(({ blocks: own }) => {
    const by = new Map<string, number>();
    for (const { exercise, tries: count } of own)
      by.set(exerciseKey(exercise), (by.get(exerciseKey(exercise)) ?? 0) + count);
    return Math.max(0, ...by.values()) > 0.35 * triesOf(own);
  });
  const all = secondsOf(played.flatMap(({ planned }) => planned));
  const work = secondsOf(blocks);
  const pillars = PILLARS.map((pillar) => {
    const has = ({ exercise }: SessionBlock) => pillarOf(familyById(exercise.family)) === pillar;
    const at = works.map((one) => one.blocks.some(has));
    let [gap, longest] = [0, 0];
    for (const there of at) longest = Math.max(longest, (gap = there ? 0 : gap + 1));
    return `${pillar} ${percent(secondsOf(blocks.filter(has)), work)} % (gap ${longest})`;
  });
  const soundsS = sum(
    played.flatMap(({ planned }) =>
      planned.map(({ exercise, tries: count }) => count * breathBudget(exerciseScore(exercise)).totalS),
    ),
  );
  const waits = played.flatMap(({ planned }) =>
    planned.slice(0, -1).filter(({ restS, betweenS = 0 }) => Math.max(restS, betweenS) > 45),
  );
  const keeps = works.flatMap(({ plan, blocks: own }) =>
    own.filter(({ reason }) => reason.kind === 'keeps').map((block) => ({ plan, block })),
  );
  const untrue = keeps.filter(
    ({ plan, block }) =>
      !isSecure(plan.recent.filter(({ parameters }) => exerciseKey(parameters) === exerciseKey(block.exercise))),
  );
  const targets = sessions.length > 0 ? targetsOf(sessions.at(-1)!.plan) : [];
  return {
    'tries a block': (triesOf(practised) / Math.max(1, practised.length)).toFixed(1),
    'after another target': `${afterAnother(works.map((work) => work.blocks))} %`,
    'at own demand': ownDemand(sessions),
    'largest wants: a target soon, worked on': largestWants(sessions),
    'blocks of seven tries': `${percent(blocks.filter((block) => block.tries >= 7).length, blocks.length)} %`,
    'over 12 starts': blocks.filter((block) => startsOf(block) > (isLip(block.exercise) ? 6 : 12)).length,
    'massed lessons': `${massed.length} of ${late.length}`,
    'families a lesson': (
      sum(works.map(({ blocks: own }) => new Set(own.map(({ exercise }) => exercise.family)).size)) / works.length
    ).toFixed(1),
    families: new Set(blocks.map(({ exercise }) => exercise.family)).size,
    pillars: pillars.join(', '),
    'Air into tone': `${percent(secondsOf(blocks.filter(({ exercise }) => exercise.family === 'airIntoTone')), work)} %`,
    music: `${percent(secondsOf(blocks.filter(isMusic)), all)} %`,
    sounding: `${percent(soundsS, all)} %`,
    'long waits': waits.length,
    'minutes planned of those there are': `${percent(all, sum(played.map(({ load }) => 60 * load.minutes)))} %`,
    'keeps, untrue': `${untrue.length} of ${keeps.length}`,
    'palm loud': blocks.filter(
      ({ exercise }) => zoneOf(Number(exercise['writtenMidi'] ?? 0)) === 'palm' && exercise['dynamic'] === 'f',
    ).length,
    targets: ['open', 'secure', 'rests']
      .map((state) => `${targets.filter((target) => target.state === state).length} ${state}`)
      .join(', '),
  };
}
