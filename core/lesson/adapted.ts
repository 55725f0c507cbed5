import { familyById, type Stage } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import { blockS } from './lasts';
import { VERDICT_S, type SessionBlock } from './session';

/** Rest of who tires, before one easy block, seconds. */
export const TIRED_REST_S = 120;
const EASY_TRIES = 2;
const EASY_STAGES: readonly Stage[] = ['longTones', 'swells'];

function isEasy({ exercise }: SessionBlock): boolean {
  return EASY_STAGES.includes(familyById(exercise.family).stage);
}

function asEasy(block: SessionBlock): SessionBlock {
  return { ...block, tries: EASY_TRIES, reason: { kind: 'easy', midi: block.reason.midi } };
}

/** So many exercises of a sitting that had to be left are enough. */
const ENOUGH_LEFT = 2;

/** Whether a sitting has just become enough: a second exercise had to be left. `decisions` of its takes, oldest first. */
export function isEnough(decisions: readonly Decision[]): boolean {
  const left = decisions.filter((decision) => decision === 'leave').length;
  return left === ENOUGH_LEFT && decisions.at(-1) === 'leave';
}

/** What a take of a session told, for {@link adapted}. */
export interface Outcome {
  readonly decision: Decision;
  /** whether the judge heard the player tire, or it {@link isEnough} */
  readonly tired?: boolean;
  readonly next: Readonly<Record<string, number | string | boolean>>;
  /** how long the try lasted with the rest after it, seconds; as planned when left out */
  readonly lastsS?: number;
}

const tryS = ({ exercise, betweenS = VERDICT_S }: Pick<SessionBlock, 'exercise' | 'betweenS'>): number =>
  blockS({ exercise, tries: 1, restS: betweenS });

/** How many tries may fit into some seconds, one at least. */
export const triesIn = (seconds: number, block: Pick<SessionBlock, 'exercise' | 'betweenS'>): number =>
  Math.max(1, Math.round(seconds / tryS(block)));

/**
 * The rest of a session after a take of its first block: one try less; the tries that follow are made easier or harder as
 * the judge says; left for today, the block goes, and its time is a rest: nobody who tires is given more to do. Of who
 * tires one easy block is left. What is played as written is changed by nothing but the clock.
 */
export function adapted(rest: readonly SessionBlock[], { decision, next, tired, lastsS }: Outcome): SessionBlock[] {
  const [block, ...others] = rest;
  if (!block) return [];
  if (block.asWritten) return oneTryLess(block, lastsS ?? tryS(block), others);
  if (tired) return others.filter(isEasy).slice(0, 1).map(asEasy);
  if (decision === 'leave') return others;
  return oneTryLess({ ...block, exercise: { ...block.exercise, ...next } }, lastsS ?? tryS(block), others);
}

/** By the clock a try is begun while half of one fits into what is left. */
function oneTryLess(block: SessionBlock, overS: number, others: readonly SessionBlock[]): SessionBlock[] {
  if (block.leftS === undefined)
    return block.tries > 1 ? [{ ...block, tries: block.tries - 1 }, ...others] : [...others];
  const leftS = block.leftS - overS;
  return leftS < tryS(block) / 2 ? [...others] : [{ ...block, leftS, tries: triesIn(leftS, block) }, ...others];
}
