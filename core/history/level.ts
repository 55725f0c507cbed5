import { LEVELS, type Level } from '@inner-hum/core/families';
import type { Digest } from './digest';

/** So many of the newest takes tell how far a player is, over at least so many days. Our choice. */
const TAKES = { most: 60, least: 30 } as const;
const LEAST_DAYS = 8;
const UP_SHARE = 0.6;
const DOWN_SHARE = 0.6;

/**
 * How far a player is: what was said once, one step further when most of the last takes held, one step back when most of
 * them broke. Who has not said it is taken for new, until most of what is played holds. `recent` in any order.
 */
export function levelNow(
  said: Level | null,
  recent: readonly Pick<Digest, 'startedAtMs' | 'day' | 'decision'>[],
): Level {
  const from = said ?? LEVELS[0];
  const newest = [...recent].sort((a, b) => b.startedAtMs - a.startedAtMs).slice(0, TAKES.most);
  if (newest.length < TAKES.least || new Set(newest.map((digest) => digest.day)).size < LEAST_DAYS) return from;
  const share = (...decisions: readonly Digest['decision'][]) =>
    newest.filter((digest) => decisions.includes(digest.decision)).length / newest.length;
  const by = share('harder') >= UP_SHARE ? 1 : share('easier', 'leave') >= DOWN_SHARE ? -1 : 0;
  return LEVELS[Math.min(LEVELS.length - 1, Math.max(0, LEVELS.indexOf(from) + by))]!;
}
