import { blockOf, isAllowed, isLip, mayGrow, secondsOf, triesAllowed, type Item, type Part } from './lessonRules';
import { loadToday, type Load } from './load';
import type { Candidate } from './made';
import type { PlanFor } from './planFor';
import { stateOf, type LessonState } from './lessonState';
import { FILLERS, proposalsFor, TUNES_FROM_MIN } from './proposals';
import { withSpare } from './rests';
import { MINUTES, type SessionBlock } from './session';
import { SLOTS } from './slots';
import { standingOf, type Standing } from './standing';
import type { Target } from './targets';

/** A block has two tries at least, a look and a short lesson aside. */
const LEAST_TRIES = 2;
/** On its first two days a target's ways stay together; from then on they are mixed with others. */
const TOGETHER_DAYS = 2;
const isTogether = ({ days }: Target) => days.length < TOGETHER_DAYS;
/** What ends a lesson. */
const AT_THE_END: ReadonlySet<Part> = new Set(['music', 'easy']);
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
  const ordered = inOrder(withMoreTries(items, state), state.standing);
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

/** One try more where there is time, and no kind of work gets too much of it. */
function withMoreTries(items: readonly Item[], state: LessonState): Item[] {
  let all = [...items];
  for (const part of MORE_TRIES)
    items.forEach((item, i) => {
      const more = { ...item, tries: item.tries + 1 };
      if (item.part !== part || isLip(item) || !mayGrow({ ...state, items: all.toSpliced(i, 1), item: more })) return;
      const longer = all.with(i, more);
      if (secondsOf(longer) <= 60 * state.plan.minutes) all = longer;
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
  return apart(
    stages.reduce<Item[]>(
      (before, at) =>
        mixed(
          before,
          items.filter((item) => stage(item) === at),
        ),
      [],
    ),
  );
}

/** Where a stage has nothing to stand between two ways of an older target, the first block of the next stage does. */
function apart(items: readonly Item[]): Item[] {
  const out = [...items];
  for (let i = 1; i < out.length - 1; i++) {
    const [before, item, next] = [out[i - 1]!, out[i]!, out[i + 1]!];
    const isRun = item.target !== undefined && item.target === before.target && !isTogether(item.target);
    const mayMove = next.target !== item.target && !isLip(next) && !isLip(item) && !AT_THE_END.has(next.part);
    if (isRun && mayMove) [out[i], out[i + 1]] = [next, item];
  }
  return out;
}

/** What stands before, then a stage: a new target's ways one after another, an older one's with something else between. */
function mixed(before: readonly Item[], items: readonly Item[]): Item[] {
  const left = [...items];
  const out = [...before];
  while (left.length > 0) {
    const last = out.at(-1)?.target;
    const together = last !== undefined && isTogether(last);
    const at = left.findIndex(({ target }) => (together ? target === last : last === undefined || target !== last));
    out.push(...left.splice(Math.max(0, at), 1));
  }
  return out;
}
