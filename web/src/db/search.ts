import { isDay } from '@inner-hum/core/exercise';
import {
  tonesKey,
  trend,
  type Digest,
  type Milestone,
  type Quantity,
  type TonesAsked,
  type Trend,
} from '@inner-hum/core/history';
import type { TakeRecord } from '@inner-hum/core/take';
import { database } from './database';

/** What takes are looked for by: tags that all must be there, and the day from which on. */
export interface TakeFilter {
  readonly tags: readonly string[];
  /** yyyy-mm-dd; '' for all days */
  readonly since: string;
  /** yyyy-mm-dd, the first day that is too late; left out for all days */
  readonly before?: string;
}

/** Digests that fit, newest first, at most `limit`. */
export async function findDigests(filter: TakeFilter, limit = Infinity): Promise<Digest[]> {
  return (await database.digests.bulkGet(await findIds(filter, limit))).flatMap((entry) => entry ?? []);
}

/** Takes that fit, newest first, and whether there are more. */
export async function findTakes(filter: TakeFilter, limit: number): Promise<{ takes: TakeRecord[]; more: boolean }> {
  if (filter.tags.length === 0 && filter.since === '' && filter.before === undefined) {
    const newest = database.takes.orderBy('startedAt').reverse();
    const takes = await newest.limit(limit + 1).toArray();
    return { takes: takes.slice(0, limit), more: takes.length > limit };
  }
  const ids = await findIds(filter, limit + 1);
  const takes = await database.takes.bulkGet(ids.slice(0, limit));
  return { takes: takes.flatMap((take) => take ?? []), more: ids.length > limit };
}

/** Takes that fit, newest first, at most `limit`. Only keys are gone through: in the index's own order that is quick. */
async function findIds({ tags, since, before }: TakeFilter, limit: number): Promise<string[]> {
  const times = database.digests.where('startedAtMs').between(dayMs(since, 0), dayMs(before ?? '', Infinity));
  const [inTime, tagged] = await Promise.all([times.primaryKeys(), tags.length > 0 ? idsTagged(tags) : undefined]);
  const found: string[] = [];
  for (let i = inTime.length - 1; i >= 0 && found.length < limit; i--)
    if (tagged?.has(inTime[i]!) !== false) found.push(inTime[i]!);
  return found;
}

/** Takes that carry all of some tags. */
async function idsTagged(tags: readonly string[]): Promise<ReadonlySet<string>> {
  const sets = await Promise.all(
    tags.map(async (tag) => new Set(await database.digests.where('tags').equals(tag).primaryKeys())),
  );
  return sets.reduce((all, set) => new Set([...all].filter((id) => set.has(id))));
}

/** A quantity over time in the takes that fit, of tones that fit `more` as well. */
export async function findTrend(
  quantity: Quantity,
  { tags, since }: TakeFilter,
  more: TonesAsked = {},
): Promise<Trend> {
  const [days, asked] = await Promise.all([
    database.tones.where('key').between(tonesKey(quantity, since), tonesKey(quantity, '~')).toArray(),
    askedBy(tags),
  ]);
  return trend(days, { ...asked, ...more });
}

/** Firsts that fit, newest first. */
export async function findFirsts({ tags, since }: TakeFilter): Promise<Milestone[]> {
  const [{ midi, instrumentId, takeIds }, all] = await Promise.all([askedBy(tags), database.milestones.toArray()]);
  return all
    .filter(
      (milestone) =>
        milestone.day >= since &&
        (midi === undefined || milestone.midi === midi) &&
        (instrumentId === undefined || milestone.instrumentId === instrumentId) &&
        takeIds?.has(milestone.takeId) !== false,
    )
    .sort((a, b) => b.startedAtMs - a.startedAtMs);
}

/** Tags as they are asked of tones: note and size of horn are known of each tone, the rest of whole takes. */
async function askedBy(tags: readonly string[]): Promise<TonesAsked> {
  const valueOf = (kind: string) => tags.find((tag) => tag.startsWith(kind))?.slice(kind.length);
  const [note, size] = [valueOf('note:'), valueOf('size:')];
  const others = tags.filter((tag) => !tag.startsWith('note:') && !tag.startsWith('size:'));
  return {
    ...(note !== undefined && { midi: Number(note) }),
    ...(size !== undefined && { instrumentId: size }),
    ...(others.length > 0 && { takeIds: await idsTagged(others) }),
  };
}

const dayMs = (day: string, otherwise: number) => (isDay(day) ? new Date(`${day}T00:00`).getTime() : otherwise);
