import { familyById } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { Digest } from './digest';

/** How well a take went, as its verdict decided. */
const WELL: Readonly<Record<Decision, number>> = { harder: 3, again: 2, easier: 1, leave: 0 };

/**
 * The best take of an exercise by what its family is for: the verdict's decision first, which weighs the aim, then the
 * fewest findings, then the longest good tone where holding is the aim, then the largest share within the pitch window.
 * Undefined for none.
 */
export function bestTake(takes: readonly Digest[]): Digest | undefined {
  return takes.reduce<Digest | undefined>((best, take) => (best && !isBetter(take, best) ? best : take), undefined);
}

/**
 * The take with most to do, by the same order from its other end. Undefined where all went alike, or well enough to go
 * on from.
 */
export function weakestTake(takes: readonly Digest[]): Digest | undefined {
  const weakest = takes.reduce<Digest | undefined>(
    (last, take) => (last && !isBetter(last, take) ? last : take),
    undefined,
  );
  return weakest && weakest.decision !== 'harder' && takes.some((take) => isBetter(take, weakest))
    ? weakest
    : undefined;
}

function isBetter(take: Digest, than: Digest): boolean {
  const other = worth(than);
  const differs = worth(take).findIndex((value, i) => value !== other[i]);
  return differs >= 0 && worth(take)[differs]! > other[differs]!;
}

function worth({ family, decision, findings, holds, shareInWindow }: Digest): readonly number[] {
  const holding = familyById(family).teaching.aims?.includes('held') ?? false;
  const heldS = holding ? Math.max(0, ...holds.map((held) => held.holdS)) : 0;
  return [WELL[decision], -findings.length, heldS, shareInWindow];
}
