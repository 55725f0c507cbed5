import { beatSeconds } from '@inner-hum/core/exercise';
import { exerciseScore, familyById, STAGES } from '@inner-hum/core/families';
import { dynamicPosition, zoneOf } from '@inner-hum/core/theory';
import { lessonOf, SLOTS, slotOf, type Slot } from './lesson';
import { NEED_REASONS } from './needs';
import type { PlanFor } from './planFor';
import { altissimoS, proposals, threeNotes, tryS, type Proposal } from './proposals';
import { VERDICT_S, type SessionBlock } from './session';

export const MINUTES = { min: 5, max: 90 } as const;
/** Tries of a block: more is rehearsing, fewer is no try. Who dwells stays longer on fewer things. */
const TRIES = { least: 2, sweep: 4, dwell: 6 } as const;
/** A block stays under this, seconds; what is longer by itself is tried once. */
const MOST_BLOCK_S = { sweep: 180, dwell: 300 } as const;
/** So much of the time may be left over; more is filled with another place. */
const FILLED = 0.97;
const MOST_EXTRA = 24;
/** A block lasts at least so long, seconds, as far as so many tries make it. */
const LEAST_BLOCK_S = 62;
const MOST_TRIES = 4;
/** Rests: between tries and between blocks at least, at most, and of the lip after overtones and altissimo, seconds. */
const REST_S = { least: 8, between: 25, most: 60, lip: 30 } as const;
/** Five minutes are one middle, one low and one palm note. */
const THREE_NOTES_UP_TO_MIN = 7;
/** A family stands in a session so often at most. */
const MOST_OF_A_FAMILY = 3;
/** At most so many blocks only keep what is good, or bring back what is due. */
const MOST_KEPT = 2;
/** With fewer notes on the map than this a session begins by filling it, once. */
const FEW_NOTES = 9;
const SURVEY_EVERY_DAYS = 5;
/** Sounding altissimo in twenty minutes at most, seconds. */
const ALTISSIMO_S = 90 / 20;
/** No two blocks for the same reason within so many semitones: neighbours gain from each other. */
const NEIGHBOURS = 2;
const LOUD_FROM = 0.7;
const DAY_MS = 86_400_000;

/**
 * A session of so many minutes, as a teacher lays it out: a block stays on one thing for two to four tries with its rests,
 * then moves on; what the map, the lattice, the goals and the last weeks ask for most, in the order of a practice. The same
 * data and day give the same session.
 * @throws RangeError when minutes are not from 5 to 90
 */
export function planSession(plan: PlanFor): SessionBlock[] {
  const { minutes } = plan;
  if (!(minutes >= MINUTES.min && minutes <= MINUTES.max))
    throw new RangeError(`minutes must be from ${MINUTES.min} to ${MINUTES.max}, got ${minutes}`);
  const budgetS = 60 * minutes;
  if (minutes <= THREE_NOTES_UP_TO_MIN) return timed(threeNotes(plan).map(asBlock), plan);
  const all = proposals(plan);
  let best: SessionBlock[] = [];
  for (let extra = 0; extra <= MOST_EXTRA; extra++) {
    const blocks = timed(chosenFor(plan, all, extra).map(asBlock), plan);
    if (blocks.length < best.length) break;
    best = blocks;
    if (costOf(withoutSpare(blocks)) >= FILLED * budgetS) break;
  }
  return best;
}

/** How long a block lasts: its tries with count-ins, the rests between them, and the rest after the last, seconds. */
export function blockS(block: Omit<SessionBlock, 'reason'>): number {
  const { exercise, tries, restS, betweenS = VERDICT_S } = block;
  const score = exerciseScore(exercise);
  const oneS = tryS(exercise) + score.countInBeats * beatSeconds(score);
  return tries * oneS + (tries - 1) * betweenS + Math.max(VERDICT_S, restS);
}

/** What is in the session: the most wanted of each slot, one thing once. */
function chosenFor(plan: PlanFor, all: readonly Proposal[], extra: number): Proposal[] {
  const high = all.some((proposal) => proposal.slot === 'altissimo');
  const lesson = lessonOf(plan.minutes, plan.style, { measures: surveyIsDue(plan), altissimo: high });
  const chosen: Proposal[] = [];
  const kept = () => chosen.filter(({ reason }) => reason.kind === 'stale' || reason.kind === 'kept').length;
  const fits = (proposal: Proposal) =>
    !chosen.some((other) => other.family === proposal.family && isNear(other, proposal)) &&
    !(
      isNeed(proposal) && chosen.some((other) => other.reason.kind === proposal.reason.kind && isNear(other, proposal))
    ) &&
    (proposal.reason.kind !== 'stale' || kept() < MOST_KEPT);
  const isFor = (slot: Slot, proposal: Proposal) =>
    proposal.slot === slot || (slot === 'places' && lesson.lowAmongPlaces && proposal.slot === 'low');
  const pick = (slot: Slot, families: 'new' | 'any') => {
    const next = all.find(
      (proposal) =>
        isFor(slot, proposal) &&
        fits(proposal) &&
        // Bends and the small tube go with overtones, not in their place.
        (slot !== 'overtones' ||
          proposal.family.stage === 'overtones' ||
          chosen.some((other) => other.slot === slot)) &&
        chosen.filter((other) => other.family === proposal.family).length <
          (families === 'any' ? MOST_OF_A_FAMILY : 1) &&
        (slot !== 'altissimo' || withinAltissimo([...chosen, proposal], plan.minutes)),
    );
    if (next) chosen.push(next);
    return next !== undefined;
  };
  for (const slot of SLOTS)
    for (let i = 0; i < lesson.blocks[slot] + (slot === 'places' ? extra : 0); i++) {
      // More places rather than the same family again; another place of it when all had their turn.
      if (!pick(slot, 'new') && slot !== 'measure' && !pick(slot, 'any'))
        (['places', 'low', 'music', 'overtones'] as const).some((other) => pick(other, 'any'));
    }
  return chosen.sort(
    (a, b) => SLOTS.indexOf(a.slot) - SLOTS.indexOf(b.slot) || stageOf(a) - stageOf(b) || noteOf(a) - noteOf(b),
  );
}

const stageOf = ({ family }: Proposal) => STAGES.indexOf(family.stage);

/** Whether the map is thin, and no survey was played lately. */
function surveyIsDue({ notes, recent, nowMs }: PlanFor): boolean {
  const lately = recent.some(
    ({ family, startedAtMs }) =>
      slotOf(familyById(family)) === 'measure' && nowMs - startedAtMs < SURVEY_EVERY_DAYS * DAY_MS,
  );
  return notes.length < FEW_NOTES && !lately;
}

function isNear(a: Proposal, b: Proposal): boolean {
  return Math.abs(noteOf(a) - noteOf(b)) <= NEIGHBOURS;
}

/** Whether a note asked for it. */
function isNeed({ reason }: Proposal): boolean {
  return (NEED_REASONS as readonly string[]).includes(reason.kind);
}

function noteOf({ exercise, family }: Proposal): number {
  return Number(exercise[family.teaching.mainNote ?? ''] ?? 67);
}

function withinAltissimo(chosen: readonly Proposal[], minutes: number): boolean {
  const sounds = chosen.reduce((sum, { exercise }) => sum + TRIES.least * altissimoS(exercise), 0);
  return sounds <= ALTISSIMO_S * minutes;
}

function asBlock(proposal: Proposal): SessionBlock {
  const { exercise, reason } = proposal;
  const block = { exercise, reason, betweenS: betweenS(exercise), restS: restAfterS(proposal) };
  const alone = blockS({ ...block, tries: TRIES.least }) > MOST_BLOCK_S.sweep;
  const once = alone || proposal.slot === 'measure';
  if (once) return { ...block, tries: 1 };
  // Short tries more often: a block is worth settling into.
  let tries: number = TRIES.least;
  while (tries < MOST_TRIES && blockS({ ...block, tries }) < LEAST_BLOCK_S) tries++;
  return { ...block, tries };
}

/** Rest between two tries: as long as the tone after loud or high ones, a breath after the others. */
function betweenS(exercise: Proposal['exercise']): number {
  const score = exerciseScore(exercise);
  const hard = score.steps.filter(
    (step) =>
      ['palm', 'altissimo'].includes(zoneOf(step.soundedMidi)) ||
      step.dynamics.some((point) => (point.position ?? dynamicPosition(point.dynamic)) >= LOUD_FROM),
  );
  const longestS = Math.max(
    0,
    ...hard.map((step) => (step.openEnd ? tryS(exercise) : step.beats * beatSeconds(score))),
  );
  return Math.round(Math.max(REST_S.least, longestS));
}

/** Overtones and altissimo want a rest of the lip after them. */
function restAfterS({ family, exercise }: Proposal): number {
  const lip = ['overtones', 'altissimo'].includes(family.stage) || altissimoS(exercise) > 0;
  return lip ? REST_S.lip : betweenS(exercise);
}

/** The blocks brought to the time there is: fewer of them when they are too many, more tries and longer rests when there is time. */
function timed(blocks: readonly SessionBlock[], { minutes, style }: PlanFor): SessionBlock[] {
  const budgetS = 60 * minutes;
  let kept = [...blocks];
  // What is in the middle of the lesson goes first: waking, overtones and music are its frame.
  while (kept.length > 1 && costOf(kept) > budgetS) kept = kept.toSpliced(leastWanted(kept), 1);
  for (let more = true; more;) {
    more = false;
    kept.forEach((block, i) => {
      const longer = { ...block, tries: block.tries + 1 };
      const most = block.tries === 1 ? 1 : TRIES[style];
      if (block.tries >= most || blockS(longer) > MOST_BLOCK_S[style] || costOf(kept.with(i, longer)) > budgetS) return;
      kept[i] = longer;
      more = true;
    });
  }
  return withSpareBetween(withSpareAfter(kept, budgetS), budgetS);
}

/** What time is left over as rest after the blocks; none after the last. */
function withSpareAfter(blocks: readonly SessionBlock[], budgetS: number): SessionBlock[] {
  const eachS = Math.max(0, budgetS - costOf(blocks)) / Math.max(1, blocks.length - 1);
  return blocks.map((block, i) => {
    const last = i === blocks.length - 1;
    return { ...block, restS: last ? VERDICT_S : Math.round(Math.min(REST_S.most, block.restS + eachS)) };
  });
}

/** What is left over even then as rest between the tries: who plays for long rests longer. */
function withSpareBetween(blocks: readonly SessionBlock[], budgetS: number): SessionBlock[] {
  const gaps = blocks.reduce((sum, block) => sum + block.tries - 1, 0);
  const eachS = Math.max(0, budgetS - costOf(blocks)) / Math.max(1, gaps);
  return blocks.map((block) => {
    const betweenS = block.betweenS ?? REST_S.least;
    return { ...block, betweenS: Math.round(Math.min(Math.max(REST_S.between, betweenS), betweenS + eachS)) };
  });
}

function costOf(blocks: readonly SessionBlock[]): number {
  return blocks.reduce((sum, block) => sum + blockS(block), 0);
}

/** Blocks with the rests that they need, before what time was left over went into them. */
function withoutSpare(blocks: readonly SessionBlock[]): SessionBlock[] {
  return blocks.map((block) => ({ ...block, restS: Math.min(block.restS, REST_S.lip) }));
}

/** Which block is missed least when there is no time for all: the last of the weakest places. */
function leastWanted(blocks: readonly SessionBlock[]): number {
  const middle = blocks.findLastIndex(
    ({ reason }) => !['warmUp', 'overtone', 'goal', 'firstMap'].includes(reason.kind),
  );
  return middle > 0 ? middle : blocks.length - 1;
}
