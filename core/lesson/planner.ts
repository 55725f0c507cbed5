import { blockOf, isAllowed, isLip, isTooLong, secondsOf, triesAllowed, type Item } from './lessonRules';
import { loadToday, type Load } from './load';
import type { Candidate } from './made';
import type { PlanFor } from './planFor';
import { stateOf, type LessonState } from './lessonState';
import { FILLERS, proposalsFor, TUNES_FROM_MIN } from './proposals';
import { withSpare } from './rests';
import { MINUTES, type SessionBlock } from './session';
import { SLOTS } from './slots';
import { standingOf, type Standing } from './standing';

/** A block has two tries at least, a look and a short lesson aside. */
const LEAST_TRIES = 2;
/** On its first two days a target's ways stay together; from then on they are mixed with others. */
const TOGETHER_DAYS = 2;
/** What has spare time gets one try more: targets first. */
const MORE_TRIES = ['target', 'music', 'pillar'] as const;

/**
 * The lesson of a day, as a teacher lays it out: it tunes and warms up, works on few targets in two ways each, goes round
 * what the program is for, looks about, and ends in music. The minutes may be fewer than the usual ones that `load` was told from.
 * The same data and day give the same lesson.
 * @throws RangeError when minutes are not from 5 to 90
 */
export function planSession(plan: PlanFor, load: Load = loadToday(plan)): SessionBlock[] {
  const { minutes } = plan;
  if (!(minutes >= MINUTES.min && minutes <= MINUTES.max))
    throw new RangeError(`minutes must be from ${MINUTES.min} to ${MINUTES.max}, got ${minutes}`);
  const state = stateOf(plan, standingOf(plan), load);
  let items: Item[] = [];
  const take = (proposer: ReturnType<typeof proposalsFor>[number]) => {
    const next = firstAllowed(proposer, state, items);
    if (next) items = [...items, next];
    return next !== undefined;
  };
  for (const proposer of proposalsFor(state)) take(proposer);
  if (load.kind !== 'goalDay') while (FILLERS.some((filler) => take(filler)));
  const ordered = inOrder(withMoreTries(items, 60 * minutes), state.standing);
  return withSpare(ordered.map(blockOf), 60 * minutes);
}

/** The first candidate of a proposer that no rule refuses, with as many tries as the rules leave it. */
function firstAllowed(
  { part, tries, candidates }: ReturnType<typeof proposalsFor>[number],
  state: LessonState,
  items: readonly Item[],
): Item | undefined {
  const least = part === 'warmUp' || state.plan.minutes < TUNES_FROM_MIN ? 1 : LEAST_TRIES;
  // What is not in the lesson yet comes before what is.
  const often = ({ family }: Candidate) => items.filter((item) => item.family === family).length;
  for (const candidate of candidates(state, items).toSorted((a, b) => often(a) - often(b)))
    for (const wanted of tries > least ? [tries, least] : [tries]) {
      const item = { ...candidate, part, tries: triesAllowed({ ...candidate, part, tries: wanted }) };
      if (isAllowed({ ...state, items, item })) return item;
    }
  return undefined;
}

/** One try more where there is time. */
function withMoreTries(items: readonly Item[], budgetS: number): Item[] {
  let all = [...items];
  for (const part of MORE_TRIES)
    items.forEach((item, i) => {
      const more = { ...item, tries: item.tries + 1 };
      if (item.part !== part || isLip(item) || triesAllowed(more) < more.tries || isTooLong(more, budgetS / 60)) return;
      const longer = all.with(i, more);
      if (secondsOf(longer) <= budgetS) all = longer;
    });
  return all;
}

/** In the order of a practice; who tires has overtones while the lip is fresh, and ends with what is easy. */
function inOrder(items: readonly Item[], { tires }: Standing): Item[] {
  const order = tires ? ['tune', 'wake', 'measure', 'overtones', 'places', 'low', 'altissimo', 'music'] : [...SLOTS];
  const stage = ({ slot, part }: Item) => {
    if (part === 'easy') return order.length;
    if (part === 'warmUp') return order.indexOf('wake');
    return order.indexOf(part === 'music' ? 'music' : slot === 'wake' ? 'places' : slot);
  };
  const stages = [...new Set(items.map(stage))].sort((a, b) => a - b);
  return stages.flatMap((at) => mixed(items.filter((item) => stage(item) === at)));
}

/** Within a stage: a new target's ways one after another, an older one's with something else between. */
function mixed(items: readonly Item[]): Item[] {
  const left = [...items];
  const out: Item[] = [];
  while (left.length > 0) {
    const last = out.at(-1)?.target;
    const together = last !== undefined && last.days.length < TOGETHER_DAYS;
    const at = left.findIndex(({ target }) => (together ? target === last : last === undefined || target !== last));
    out.push(...left.splice(Math.max(0, at), 1));
  }
  return out;
}
