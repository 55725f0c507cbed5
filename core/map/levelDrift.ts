import { median } from '@inner-hum/core/measure';
import type { Digest } from '../history/digest';

/** So many levels of the newest day, and of the days before it, tell whether the level has moved. Our choice. */
const LEAST = { newest: 6, before: 12 } as const;
/** The days before that are looked at. */
const BEFORE_DAYS = 14;
const DAY_MS = 86_400_000;
/** Moved by this much, dB, and for so many of the levels the same way. */
const MOVED_DB = 5;
const SHARE = 0.8;

/** How far everything moved, dB: louder, or softer, negative; and the newest take that shows it. */
export interface LevelDrift {
  readonly db: number;
  readonly takeId: string;
}

/**
 * By how much everything was louder (or softer, negative) on the newest day than on the days before, on the same horn in the
 * same room, dB; undefined while it is as it was. A player gets louder on some notes; all notes at once are the microphone.
 */
export function levelDrift(
  digests: readonly Pick<Digest, 'takeId' | 'day' | 'startedAtMs' | 'setup' | 'seen'>[],
): LevelDrift | undefined {
  const last = digests.reduce<(typeof digests)[number] | undefined>(
    (newest, digest) => (newest && newest.startedAtMs >= digest.startedAtMs ? newest : digest),
    undefined,
  );
  if (!last) return undefined;
  const samePlace = digests.filter(
    ({ setup, startedAtMs }) =>
      setup.instrumentId === last.setup.instrumentId &&
      setup.room === last.setup.room &&
      last.startedAtMs - startedAtMs < BEFORE_DAYS * DAY_MS,
  );
  const levels = (of: typeof samePlace) =>
    of.flatMap(({ seen }) => seen.flatMap(({ values }) => values.levelAgainstPlanDb ?? []));
  const now = levels(samePlace.filter(({ day }) => day === last.day));
  const before = levels(samePlace.filter(({ day }) => day !== last.day));
  if (now.length < LEAST.newest || before.length < LEAST.before) return undefined;
  const wasDb = median(before);
  const movedDb = median(now) - wasDb;
  const sameWay = now.filter((db) => (db - wasDb) * movedDb > 0).length;
  return Math.abs(movedDb) >= MOVED_DB && sameWay >= SHARE * now.length
    ? { db: movedDb, takeId: last.takeId }
    : undefined;
}
