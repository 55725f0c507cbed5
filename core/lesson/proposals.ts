import { forSeams } from './candidates';
import { goalNow } from './goalSteps';
import { goalWork } from './goalWork';
import {
  comingBack,
  longestUnheard,
  matchedLastTime,
  missedMost,
  newAndDue,
  plainTones,
  tunesAbout,
  waysFor,
  wholeHorn,
} from './lessonCandidates';
import { FIRST_DAYS, secondsOf, type Item, type Part } from './lessonRules';
import { openOf, type LessonState } from './lessonState';
import type { Candidate } from './made';
import { rolesOf } from './roles';
import { mostWants } from './targets';
import { easyTones, survey, tuning, waking } from './warmUp';

/** Something that a lesson may have, with its candidates, the best first, by what is in the lesson so far. */
interface Proposer {
  readonly id: string;
  readonly part: Part;
  readonly tries: number;
  /** when it comes at all; always when left out */
  readonly when?: (state: LessonState) => boolean;
  readonly candidates: (
    state: LessonState,
    items: readonly Item[],
  ) => readonly (Candidate & Pick<Item, 'target' | 'role'>)[];
}

/** Tries of a block; the rules leave fewer of what starts one note often. */
const TRIES = 3;
/** From ten minutes on there is time for the tuner first, from 45 on for a third way of a target. */
export const TUNES_FROM_MIN = 10;
const THIRD_WAY_FROM_MIN = 45;
/** Evenness between neighbours has a block from twenty minutes on. */
const SEAM_FROM_MIN = 20;
/** Share of the minutes up to which music is added. */
const MUSIC_SHARE = 0.15;
/** At five minutes every third lesson has one kind of work of its own. */
const PILLAR_EVERY = 3;
/** A goal is worked on in two of three sessions. */
const GOAL_EVERY = 3;

const isShort = ({ plan }: LessonState) => plan.minutes < TUNES_FROM_MIN;
const isLong = (state: LessonState) => !isShort(state);
const lessonOf = ({ standing }: LessonState) => standing.days.length;

/** A way of the n-th open target, of its n-th role today. */
const way = (target: number, role: number): Proposer => ({
  id: `target ${target + 1}, way ${role + 1}`,
  part: 'target',
  tries: TRIES,
  when: (state) => role < 2 || state.plan.minutes >= THIRD_WAY_FROM_MIN,
  candidates: (state) => {
    const own = openOf(state)[target];
    if (own) return waysFor(own, rolesOf(own)[role]!, state);
    // In the first days plain tones stand where wants are not known yet; later the kinds of work have the time.
    const { days, theme } = state.standing;
    const isFirst = theme.kind === 'start' || days.length < FIRST_DAYS;
    return isFirst && target < mostWants(state.plan.minutes) ? plainTones(target, role, state) : [];
  },
});
const tune = (target: number): Proposer => ({
  id: `a tune about target ${target + 1}`,
  part: 'music',
  tries: TRIES,
  candidates: (state) => (target > 0 && !openOf(state)[target] ? [] : tunesAbout(openOf(state)[target], state)),
});
const pillar: Proposer = { id: 'what is missed most', part: 'pillar', tries: TRIES, candidates: missedMost };
const look: Proposer = { id: 'a look around', part: 'look', tries: 1, candidates: longestUnheard };
const music: Proposer = {
  id: 'music, where there is too little',
  part: 'music',
  tries: TRIES,
  candidates: (state, items) =>
    secondsOf(items.filter(({ part }) => part === 'music')) < MUSIC_SHARE * 60 * state.plan.minutes
      ? wholeHorn(state)
      : [],
};
const goal: Proposer = {
  id: 'the goal',
  part: 'target',
  tries: TRIES,
  // A passage is fed each time.
  when: (state) => lessonOf(state) % GOAL_EVERY !== GOAL_EVERY - 1 || goalNow(state.plan)?.exercise !== undefined,
  candidates: ({ plan, standing }) => goalWork(plan, standing).filter(({ slot }) => slot !== 'music'),
};
const tuner: Proposer = {
  id: 'the tuner',
  part: 'tune',
  tries: 1,
  candidates: ({ plan, standing }) => [tuning(plan, standing) ?? []].flat(),
};
const warmUp: Proposer = {
  id: 'what wakes the horn',
  part: 'warmUp',
  tries: 2,
  candidates: ({ plan, standing }) => waking(plan, standing),
};

const easyEnd: Proposer = {
  id: 'an easy end',
  part: 'easy',
  tries: 2,
  when: ({ standing }) => standing.tiredLately,
  candidates: ({ plan, standing }) => easyTones(plan, standing),
};

/** What a lesson of ten minutes and more would have, the most wanted first. */
const USUAL: readonly Proposer[] = [
  tuner,
  warmUp,
  {
    id: 'the survey',
    part: 'measure',
    tries: 1,
    when: ({ load }) => load.kind !== 'second',
    candidates: ({ plan, standing }) => [survey(plan, standing) ?? []].flat(),
  },
  { id: 'what was matched last time, cold', part: 'look', tries: 1, candidates: matchedLastTime },
  way(0, 0),
  way(0, 1),
  goal,
  {
    id: 'the goal’s passage',
    part: 'music',
    tries: TRIES,
    candidates: ({ plan, standing }) => goalWork(plan, standing).filter(({ slot }) => slot === 'music'),
  },
  tune(0),
  easyEnd,
  easyEnd,
  { id: 'what is new and due again', part: 'pillar', tries: TRIES, candidates: newAndDue },
  pillar,
  look,
  music,
  way(1, 0),
  way(1, 1),
  pillar,
  { id: 'what comes back', part: 'look', tries: 2, candidates: comingBack },
  goal,
  {
    id: 'evenness between neighbours',
    part: 'target',
    tries: TRIES,
    when: ({ plan }) => plan.minutes >= SEAM_FROM_MIN,
    candidates: ({ plan, standing }) => forSeams(plan, standing).slice(0, 2),
  },
  way(2, 0),
  way(2, 1),
  music,
  pillar,
  tune(1),
  way(3, 0),
  way(3, 1),
  pillar,
  way(0, 2),
  way(1, 2),
  way(2, 2),
];

/** Under ten minutes: one target, another note each day, a tune; every third lesson one kind of work of its own. */
const SHORT: readonly Proposer[] = [
  { ...pillar, when: (state) => lessonOf(state) % PILLAR_EVERY === PILLAR_EVERY - 1 },
  way(0, 0),
  goal,
  look,
  tune(0),
  way(0, 1),
  pillar,
];

/** On its day a goal is warmed up for and tried once. */
const GOAL_DAY: readonly Proposer[] = [
  tuner,
  warmUp,
  { ...goal, tries: 1, when: () => true, candidates: ({ plan, standing }) => goalWork(plan, standing) },
];

/** What a lesson would have, the most wanted first. */
export function proposalsFor(state: LessonState): readonly Proposer[] {
  const all = state.load.kind === 'goalDay' ? GOAL_DAY : isLong(state) ? USUAL : SHORT;
  return all.filter(({ when }) => when?.(state) ?? true);
}

/** What fills a lesson that has time left: music to its share, then round and round what is missed. */
export const FILLERS: readonly Proposer[] = [
  music,
  pillar,
  {
    ...pillar,
    id: 'a plain tone more',
    candidates: (state, items) => plainTones(items.length, items.length % 2, state),
  },
];
