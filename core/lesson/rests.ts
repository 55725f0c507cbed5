import { blockS } from './lasts';
import { VERDICT_S, type SessionBlock } from './session';

/** Rests between tries, and after a block, at most, seconds: nobody waits longer without a reason. */
const MOST_S = { between: 20, longest: 30, after: 45 } as const;

/** The blocks with the time that is left over as rest: between their tries first, after them, and between the tries again. */
export function withSpare(blocks: readonly SessionBlock[], budgetS: number): SessionBlock[] {
  const between = withSpareBetween(blocks, budgetS, MOST_S.between);
  return withSpareBetween(withSpareAfter(between, budgetS), budgetS, MOST_S.longest);
}

/** After the blocks; none after the last. */
function withSpareAfter(blocks: readonly SessionBlock[], budgetS: number): SessionBlock[] {
  const eachS = Math.max(0, budgetS - costOf(blocks)) / Math.max(1, blocks.length - 1);
  return blocks.map((block, i) => {
    const last = i === blocks.length - 1;
    return { ...block, restS: last ? VERDICT_S : Math.round(Math.min(MOST_S.after, block.restS + eachS)) };
  });
}

/** Between the tries, up to so long: who plays for long rests longer. */
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
