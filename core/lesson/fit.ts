import type { Candidate } from './made';
import { altissimoS, blockS, LEAST_REST_S, restBetweenS } from './lasts';
import type { Lesson, Part } from './lesson';
import { VERDICT_S, type SessionBlock } from './session';

/** Tries of a block: more is rehearsing, and of what is hard on the lip fewer. */
const MOST_TRIES = { plain: 10, hard: 8, warmUp: 6, easy: 6, few: 24 } as const;

/** Rests: between tries and between blocks at most, and of the lip after overtones and altissimo, seconds. */
const REST_S = { between: 20, longest: 30, most: 75, lip: 30, easy: 20 } as const;
/** Sounding altissimo in twenty minutes at most, seconds. */
const ALTISSIMO_SHARE = 90 / (20 * 60);

/** What was chosen for a part of the lesson. */
export interface Chosen extends Candidate {
  readonly part: Part;
}

/** Whether a block is played once, whatever time there is. */
const once = ({ slot }: Chosen) => slot === 'measure' || slot === 'tune';

/**
 * The chosen as blocks that fill the lesson: each has its part's share of the time in tries and their rests; what is left
 * over rests between them. What does not fit is left out, the last of what only keeps first.
 */
export function fitted(chosen: readonly Chosen[], { seconds }: Lesson, budgetS: number): SessionBlock[] {
  let kept = [...chosen];
  while (kept.length > 1 && costOf(kept.map((one) => blockOf(one, 1))) > budgetS)
    kept = kept.toSpliced(leastWanted(kept), 1);
  const count = (part: Part) => kept.filter((one) => one.part === part).length;
  const shares = kept.reduce((sum, { part }) => sum + seconds[part] / count(part), 0);
  const wantedS = ({ part }: Chosen) => ((seconds[part] / count(part)) * budgetS) / shares;
  let blocks = kept.map((one) => blockOf(one, 1));
  const highS = (of: readonly SessionBlock[]) =>
    of.reduce((sum, { exercise, tries }) => sum + tries * altissimoS(exercise), 0);
  // Each has its fair number of tries; where there is too little to do for the time, more than that.
  for (const most of [mostTries, () => MOST_TRIES.few]) {
    if (most !== mostTries && costOf(rested(blocks)) >= budgetS) break;
    for (let more = true; more;) {
      more = false;
      // The block that is farthest from its share gets the next try.
      const order = kept
        .map((one, i) => ({ i, missingS: wantedS(one) - blockS(blocks[i]!) }))
        .sort((a, b) => b.missingS - a.missingS);
      for (const { i } of order) {
        const block = blocks[i]!;
        const longer = blocks.with(i, { ...block, tries: block.tries + 1 });
        if (once(kept[i]!) || block.tries >= most(kept[i]!) || costOf(longer) > budgetS) continue;
        if (altissimoS(block.exercise) > 0 && highS(longer) > ALTISSIMO_SHARE * budgetS) continue;
        blocks = longer;
        more = true;
        break;
      }
      if (most !== mostTries && costOf(rested(blocks)) >= budgetS) break;
    }
  }
  const between = withSpareBetween(blocks, budgetS, REST_S.between);
  return withSpareBetween(withSpareAfter(between, budgetS), budgetS, REST_S.longest);
}

/** What is loud, high or an overtone is hard on the lip. */
function mostTries({ family, exercise, part, reason }: Chosen): number {
  if (reason.kind === 'easy') return MOST_TRIES.easy;
  if (part === 'warmUp') return MOST_TRIES.warmUp;
  const hard = ['overtones', 'altissimo'].includes(family.stage) || restBetweenS(exercise) > LEAST_REST_S;
  return hard ? MOST_TRIES.hard : MOST_TRIES.plain;
}

function blockOf({ family, exercise, reason }: Chosen, tries: number): SessionBlock {
  const betweenS = Math.max(restBetweenS(exercise), reason.kind === 'easy' ? REST_S.easy : 0);
  const lip = ['overtones', 'altissimo'].includes(family.stage) || altissimoS(exercise) > 0;
  return { exercise, reason, tries, betweenS, restS: lip ? REST_S.lip : Math.min(REST_S.lip, betweenS) };
}

/** The blocks with the longest rests that they may have. */
function rested(blocks: readonly SessionBlock[]): SessionBlock[] {
  return blocks.map((block) => ({
    ...block,
    betweenS: Math.max(REST_S.longest, block.betweenS ?? 0),
    restS: REST_S.most,
  }));
}

/** What time is left over as rest after the blocks; none after the last. */
function withSpareAfter(blocks: readonly SessionBlock[], budgetS: number): SessionBlock[] {
  const eachS = Math.max(0, budgetS - costOf(blocks)) / Math.max(1, blocks.length - 1);
  return blocks.map((block, i) => {
    const last = i === blocks.length - 1;
    return { ...block, restS: last ? VERDICT_S : Math.round(Math.min(REST_S.most, block.restS + eachS)) };
  });
}

/** What time is left over as rest between the tries, up to so long: who plays for long rests longer. */
function withSpareBetween(blocks: readonly SessionBlock[], budgetS: number, mostS: number): SessionBlock[] {
  const gaps = blocks.reduce((sum, block) => sum + block.tries - 1, 0);
  const eachS = Math.max(0, budgetS - costOf(blocks)) / Math.max(1, gaps);
  return blocks.map((block) => {
    const betweenS = block.betweenS ?? VERDICT_S;
    return { ...block, betweenS: Math.round(Math.min(Math.max(mostS, betweenS), betweenS + eachS)) };
  });
}

function costOf(blocks: readonly SessionBlock[]): number {
  return blocks.reduce((sum, block) => sum + blockS(block), 0);
}

/** Which is missed least when there is no time for all: the last that only keeps, then the last of the theme. */
function leastWanted(kept: readonly Chosen[]): number {
  for (const part of ['keep', 'theme', 'music'] as const) {
    const own = kept.filter((one) => one.part === part).length;
    if (own > (part === 'theme' ? 1 : 0) || part === 'music') {
      const at = kept.findLastIndex((one) => one.part === part);
      if (at >= 0) return at;
    }
  }
  return kept.length - 1;
}
