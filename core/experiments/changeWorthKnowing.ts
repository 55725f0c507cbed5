import { compare, type Comparison } from './compare';
import type { Digest } from '../history/digest';

const DAY_MS = 86_400_000;
/** Lately against the weeks before. */
const LATELY_DAYS = 14;
const BEFORE_DAYS = 42;
/** What a player can do something with. */
const TOLD = new Set(['pitchCentreCents', 'pitchSteadinessCents', 'responseS', 'softestDb']);

/** The surest change of one note between the last fortnight and the four weeks before it; undefined when none is sure. */
export function changeWorthKnowing(
  digests: readonly Digest[],
  nowMs: number,
  random: () => number,
): Comparison | undefined {
  const age = (digest: Digest) => (nowMs - digest.startedAtMs) / DAY_MS;
  const lately = digests.filter((digest) => age(digest) < LATELY_DAYS);
  const before = digests.filter((digest) => age(digest) >= LATELY_DAYS && age(digest) < BEFORE_DAYS);
  const sure = compare(before, lately, random).filter(
    (comparison) => comparison.midi !== undefined && comparison.decided && TOLD.has(comparison.quantity),
  );
  const clear = ({ difference, from, to }: Comparison) => Math.abs(difference) / Math.max(1e-9, to - from);
  return sure.sort((a, b) => clear(b) - clear(a))[0];
}
