import type { Digest } from '@inner-hum/core/plan';
import type { TakeRecord } from '@inner-hum/core/formats';
import { database } from './database';

/** What takes are looked for by: tags that all must be there, and the day from which on. */
export interface TakeFilter {
  readonly tags: readonly string[];
  /** yyyy-mm-dd; '' for all days */
  readonly since: string;
}

/** With fewer takes than this under a tag they are read at once; with more the days are gone through from today back. */
const FEW = 2000;

/** Digests that fit, newest first, at most `limit`. */
export async function findDigests({ tags, since }: TakeFilter, limit: number): Promise<Digest[]> {
  const { digests } = database;
  const fits = (one: Digest) => one.day >= since && tags.every((tag) => one.tags.includes(tag));
  const counts = await Promise.all(tags.map((tag) => digests.where('tags').equals(tag).count()));
  const fewest = counts.length > 0 ? Math.min(...counts) : Infinity;
  if (fewest > FEW) return digests.orderBy('startedAtMs').reverse().filter(fits).limit(limit).toArray();
  const own = await digests.where('tags').equals(tags[counts.indexOf(fewest)]!).toArray();
  return own
    .filter(fits)
    .sort((a, b) => b.startedAtMs - a.startedAtMs)
    .slice(0, limit);
}

/** Takes that fit, newest first, and whether there are more. */
export async function findTakes(filter: TakeFilter, limit: number): Promise<{ takes: TakeRecord[]; more: boolean }> {
  if (filter.tags.length === 0 && filter.since === '') {
    const takes = await database.takes
      .orderBy('startedAt')
      .reverse()
      .limit(limit + 1)
      .toArray();
    return { takes: takes.slice(0, limit), more: takes.length > limit };
  }
  const found = await findDigests(filter, limit + 1);
  const takes = await database.takes.bulkGet(found.slice(0, limit).map((one) => one.takeId));
  return { takes: takes.flatMap((take) => take ?? []), more: found.length > limit };
}
