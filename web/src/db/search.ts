import type { Digest } from '@inner-hum/core/plan';
import type { TakeRecord } from '@inner-hum/core/formats';
import { database } from './database';

/** What takes are looked for by: tags that all must be there, and the day from which on. */
export interface TakeFilter {
  readonly tags: readonly string[];
  /** yyyy-mm-dd; '' for all days */
  readonly since: string;
}

/** Digests that fit, newest first, at most `limit`. Only keys are gone through; rows are read of what is shown. */
export async function findDigests({ tags, since }: TakeFilter, limit: number): Promise<Digest[]> {
  const { digests } = database;
  const from = since === '' ? 0 : new Date(`${since}T00:00`).getTime();
  const [inTime, ...tagged] = await Promise.all([
    digests.where('startedAtMs').aboveOrEqual(from).primaryKeys(),
    ...tags.map((tag) => digests.where('tags').equals(tag).primaryKeys()),
  ]);
  const sets = tagged.map((keys) => new Set(keys));
  const ids: string[] = [];
  for (let i = inTime.length - 1; i >= 0 && ids.length < limit; i--)
    if (sets.every((keys) => keys.has(inTime[i]!))) ids.push(inTime[i]!);
  return (await digests.bulkGet(ids)).flatMap((one) => one ?? []);
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
