import { exerciseKey, exerciseScore, familyById } from '@inner-hum/core/families';
import { altissimoS, blockS, restBetweenS } from './lasts';
import { slotOf } from './slots';
import type { Load } from './load';
import { isNew, isSettling, isStarting, newAtMost } from './newness';
import type { Candidate } from './made';
import { pillarOfExercise } from './pillars';
import type { PlanFor } from './planFor';
import type { Role } from './roles';
import type { SessionBlock } from './session';
import type { Standing } from './standing';
import type { Target } from './targets';

/** What a block of a lesson is for. */
export type Part = 'tune' | 'warmUp' | 'measure' | 'target' | 'pillar' | 'look' | 'music' | 'easy';

/** A block of a lesson while it is put together. */
export interface Item extends Candidate {
  readonly part: Part;
  readonly tries: number;
  readonly target?: Target;
  readonly role?: Role;
}

/** What a rule is asked with: the lesson so far, the block that might come into it, and the player. */
export interface LessonCase {
  readonly items: readonly Item[];
  readonly item: Item;
  readonly plan: PlanFor;
  readonly standing: Standing;
  readonly load: Load;
}

/** No note is started more often than this in one exercise, and on the lip. */
const STARTS = { plain: 12, lip: 6 } as const;
/** Most tries of a block; most blocks of a family, usually and of who knows few; most families on a first day. */
const MOST = { tries: 4, blocks: 2, blocksAtFirst: 4, families: 5 } as const;
/** Days of practice on which wants are not known yet: plain tones on many notes. */
export const FIRST_DAYS = 3;
/** No block takes more than 14 % of a lesson, or two minutes where that is more. */
const BLOCK = { leastS: 120, share: 0.14 } as const;
/** Sounding altissimo in twenty minutes at most, seconds. */
const ALTISSIMO_SHARE = 90 / (20 * 60);
/** Most of the time that the tuner and the warm-up have together. */
const WARM_UP_SHARE = 0.2;
/** Most of the time that low starts on air have. */
const AIR_SHARE = 0.06;
/** Most of the time that music has, and any one kind of work; from ten minutes on. */
const MOST_SHARE = { music: 0.18, pillar: 0.24, fromMin: 10 } as const;
/** The lip rests so long after what is hard on it, seconds. */
const LIP_REST_S = 30;
/** So much of the time is left for longer rests: a lesson sounds for half of it at most. */
const REST_SHARE = 0.15;
/** Most blocks of a lesson, from its minutes on; the tuner and what measures aside. */
const BLOCKS: readonly (readonly [number, number])[] = [
  [0, 3],
  [7, 5],
  [10, 6],
  [15, 8],
  [20, 11],
  [30, 14],
  [45, 18],
  [60, 22],
  [90, 30],
];

const isCheck = ({ slot }: Pick<Candidate, 'slot'>) => slot === 'tune' || slot === 'measure';
/** Whether an exercise is hard on the lip. */
export const isLip = ({ family, exercise }: Pick<Candidate, 'family' | 'exercise'>): boolean =>
  ['overtones', 'altissimo'].includes(family.stage) || altissimoS(exercise) > 0;

/** How often the note that is started most is started in one pass. */
function startsOfOneNote({ exercise }: Pick<Candidate, 'exercise'>): number {
  const counts = new Map<number, number>();
  for (const { attack, soundedMidi } of exerciseScore(exercise).steps)
    if (attack !== 'slurred') counts.set(soundedMidi, (counts.get(soundedMidi) ?? 0) + 1);
  return Math.max(1, ...counts.values());
}

/** Of the tries of a block, those that the rules leave it. */
export function triesAllowed(item: Item): number {
  const most = STARTS[isLip(item) ? 'lip' : 'plain'];
  return Math.max(1, Math.min(item.tries, MOST.tries, Math.floor(most / startsOfOneNote(item))));
}

/** The block as it is played. */
export function blockOf({ family, exercise, reason, tries, part }: Item): SessionBlock {
  const betweenS = Math.max(restBetweenS(exercise), part === 'easy' ? 20 : 0);
  return {
    exercise,
    reason,
    tries,
    betweenS,
    restS: isLip({ family, exercise }) ? LIP_REST_S : Math.min(LIP_REST_S, betweenS),
  };
}

export const secondsOf = (items: readonly Item[]): number =>
  items.reduce((sum, item) => sum + blockS(blockOf(item)), 0);

/** Who dwells stays on fewer things. */
const DWELL_SHARE = 0.75;

function mostBlocks({ minutes, style }: PlanFor): number {
  const usual = BLOCKS.findLast(([from]) => minutes >= from)![1];
  return style === 'dwell' ? Math.max(2, Math.round(DWELL_SHARE * usual)) : usual;
}

/** Whether a block takes too much of a lesson. */
function isTooLong(item: Item, minutes: number): boolean {
  return item.tries > 1 && secondsOf([item]) > Math.max(BLOCK.leastS, BLOCK.share * 60 * minutes);
}

interface LessonRule {
  readonly id: string;
  /** whether the block may come into the lesson; a rule refuses, it never chooses */
  readonly allows: (of: LessonCase) => boolean;
  /** whether it is about time, and a block that grows is asked again */
  readonly ofTime?: true;
}

/** What no lesson breaks, whatever is wanted: each builds the lesson, tests it and is counted by the teacher's bench. */
export const LESSON_RULES: readonly LessonRule[] = [
  {
    id: 'fits into the minutes',
    allows: ({ items, item, plan }) => secondsOf([...items, item]) <= (1 - REST_SHARE) * 60 * plan.minutes,
  },
  {
    id: 'few things, each long enough',
    allows: ({ items, plan }) => items.filter((item) => !isCheck(item)).length < mostBlocks(plan),
  },
  { id: 'no block takes a lesson', ofTime: true, allows: ({ item, plan }) => !isTooLong(item, plan.minutes) },
  {
    id: 'nothing twice',
    allows: ({ items, item }) => !items.some((one) => exerciseKey(one.exercise) === exerciseKey(item.exercise)),
  },
  {
    id: 'no family over and over',
    allows: ({ items, item, standing }) =>
      item.part === 'easy' ||
      items.filter(({ family }) => family === item.family).length <
        (isStarting(standing) || standing.days.length < FIRST_DAYS ? MOST.blocksAtFirst : MOST.blocks),
  },
  {
    id: 'two ways of a target differ in role',
    allows: ({ items, item }) =>
      !item.target || !items.some(({ target, role }) => target === item.target && role === item.role),
  },
  { id: 'few starts of one note', allows: ({ item }) => item.tries === 1 || item.tries <= triesAllowed(item) },
  {
    id: 'tuning and warming up are short',
    allows: ({ items, item, plan }) =>
      !['tune', 'warmUp'].includes(item.part) ||
      (!items.some(({ part }) => part === item.part) &&
        secondsOf([...items.filter(({ part }) => part === 'tune' || part === 'warmUp'), item]) <=
          WARM_UP_SHARE * 60 * plan.minutes),
  },
  {
    id: 'air is a crumb',
    ofTime: true,
    allows: ({ items, item, plan }) =>
      item.family.stage !== 'lowEnd' ||
      secondsOf([...items.filter(({ family }) => family.stage === 'lowEnd'), item]) <= AIR_SHARE * 60 * plan.minutes,
  },
  {
    id: 'no kind of work takes all',
    ofTime: true,
    allows: ({ items, item, plan, standing }) => {
      if (plan.minutes < MOST_SHARE.fromMin || isStarting(standing)) return true;
      const kind = (one: Item) => (one.part === 'music' ? 'music' : pillarOfExercise(one.exercise));
      const own = kind(item);
      const share = secondsOf([...items.filter((one) => kind(one) === own), item]) / (60 * plan.minutes);
      return own === undefined || share <= MOST_SHARE[own === 'music' ? own : 'pillar'];
    },
  },
  {
    id: 'altissimo is short, after overtones, on good days',
    ofTime: true,
    allows: ({ items, item, plan, standing, load }) => {
      const s = ({ exercise, tries }: Item) => tries * altissimoS(exercise);
      if (s(item) === 0) return true;
      const sum = items.reduce((all, one) => all + s(one), s(item));
      const after = item.family.stage === 'overtones' || items.some(({ family }) => family.stage === 'overtones');
      const readied = [item, ...items].some(({ family }) => family.teaching.planned?.readiesAltissimo);
      const ready = standing.altissimoReady && readied && after;
      return ready && load.kind !== 'second' && sum <= ALTISSIMO_SHARE * 60 * plan.minutes;
    },
  },
  {
    id: 'little that is new',
    allows: ({ items, item, plan, standing, load }) => {
      if (item.part === 'warmUp' || !isNew(item.family, standing)) return true;
      if (items.some(({ family }) => family === item.family)) return true;
      const own = items.filter(({ part, family }) => part !== 'warmUp' && isNew(family, standing));
      const fresh = new Set(own.map(({ family }) => family));
      return fresh.size < newAtMost(plan, standing, load) && !isSettling(item.family, standing);
    },
  },
  {
    id: 'few families at first',
    allows: ({ items, item, standing }) => {
      const { days, newcomer, progress } = standing;
      if (days.length > 0 && !newcomer) return true;
      const met = [...items.map(({ family }) => family), ...(newcomer ? [...progress.keys()].map(familyById) : [])];
      if (isCheck(item) || met.includes(item.family)) return true;
      const counted = met.filter((family) => family.teaching.planned && !['tune', 'measure'].includes(slotOf(family)));
      const most = MOST.families + Math.floor(days.length / 4);
      return !item.family.teaching.planned || new Set(counted).size < most;
    },
  },
];

/** Whether a lesson may have a block beside what it has. */
export const isAllowed = (of: LessonCase): boolean => LESSON_RULES.every(({ allows }) => allows(of));

/** Whether a block of a lesson may grow to one more try beside the others. */
export const mayGrow = (of: LessonCase): boolean =>
  LESSON_RULES.every(({ allows, ofTime }) => !ofTime || allows(of)) && triesAllowed(of.item) === of.item.tries;
