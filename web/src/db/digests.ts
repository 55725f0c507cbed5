import { freePlay } from '@inner-hum/core/families';
import {
  cellsAfter,
  cellsFrom,
  cellsWithout,
  milestonesOf,
  olderIn,
  QUANTITIES,
  reedUseKey,
  reedUses,
  tonesAfter,
  tonesKey,
  tonesWithout,
  withOlder,
  type Cell,
  type Digest,
  type KindSeen,
  type Observation,
} from '@inner-hum/core/history';
import type { TakeRecord } from '@inner-hum/core/take';
import { database } from './database';
import { digestIfSound, isDamagedRow, rebuildDerived } from './derived';

/** The tables that hold what takes tell; a transaction that adds or removes takes is over these too. */
export function toldTables() {
  const { digests, cells, tones, milestones, reedUses } = database;
  return [digests, cells, tones, milestones, reedUses];
}

/** Makes all that takes tell anew from the takes. */
export async function rebuildTold(): Promise<void> {
  await database.transaction('rw', [database.takes, ...toldTables()], (transaction) => rebuildDerived(transaction));
}

/** Does something that reads what takes told; where a row of that is damaged, all of it is made anew first. */
export async function mendingTold<T>(work: () => PromiseLike<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!isDamagedRow(error)) throw error;
    await rebuildTold();
    return work();
  }
}

/** Adds what takes tell, inside the caller's transaction over takes and {@link toldTables}. */
export async function addDigests(records: readonly TakeRecord[]): Promise<void> {
  const { digests, cells, tones } = database;
  // The same take twice is the same once.
  const here = await digests
    .where('takeId')
    .anyOf(records.map(({ id }) => id))
    .primaryKeys();
  if (here.length > 0) await removeDigests(here);
  const added = records.flatMap((record) => digestIfSound(record) ?? []);
  await digests.bulkPut(added);
  await addFirsts(added);
  await changeReedUses(added, 1);
  const days = await known(tones, dayKeys(added));
  await tones.bulkPut([...tonesAfter(added, (key) => days.get(key)).values()]);
  if (added.length > MANY) return rebuildCells(new Set(added.map((digest) => digest.setupKey)));
  for (const digest of added) {
    const keys = cellsAfter(digest, () => undefined).map((cell) => cell.key);
    const before = await known(cells, keys);
    await cells.bulkPut(cellsAfter(digest, (key) => before.get(key)));
  }
}
/** From so many takes on, making the cells of their set-ups anew is quicker. */
const MANY = 20;

/** Takes away what takes told, inside the caller's transaction. */
export async function removeDigests(takeIds: readonly string[]): Promise<void> {
  const { digests, tones } = database;
  const gone = (await digests.bulkGet([...takeIds])).flatMap((entry) => entry ?? []);
  const ids = new Set(takeIds);
  await digests.bulkDelete([...takeIds]);
  const days = [...(await known(tones, dayKeys(gone))).values()].map((day) => tonesWithout(day, ids));
  await tones.bulkPut(days.filter((day) => day.takeIds.length > 0));
  await tones.bulkDelete(days.filter((day) => day.takeIds.length === 0).map((day) => day.key));
  await removeFirsts(takeIds);
  await changeReedUses(gone, -1);
  if (gone.length > 1) return rebuildCells(new Set(gone.map((digest) => digest.setupKey)));
  for (const digest of gone) await takeFromCells(digest);
}

/** Adds takes to the use of their reeds, or takes them away. */
async function changeReedUses(changed: readonly Digest[], times: 1 | -1): Promise<void> {
  const keys = new Set(changed.flatMap((digest) => reedUseKey(digest) ?? []));
  const before = await known(database.reedUses, [...keys]);
  const after = [...reedUses(changed, (key) => before.get(key), times).values()];
  await database.reedUses.bulkPut(after.filter(({ takes }) => takes > 0));
  await database.reedUses.bulkDelete(after.filter(({ takes }) => takes <= 0).map(({ key }) => key));
}

/** Takes what one take told out of its cells; older takes fill the room that it leaves in them. */
async function takeFromCells(digest: Digest): Promise<void> {
  const { cells } = database;
  const keys = cellsAfter(digest, () => undefined).map((cell) => cell.key);
  const before = await known(cells, keys);
  const search = olderSeen();
  for (const { cell, room } of cellsWithout(digest, (key) => before.get(key))) {
    let filled = cell;
    for (const kind of ['asked', 'free'] as const)
      if (room[kind] > 0) filled = withOlder(filled, await search(cell, kind, room[kind]));
    if (filled.recent.length > 0) await cells.put(filled);
    else await cells.delete(cell.key);
  }
}

/** In the search for older observations so many takes are gone through at once, and so many digests read. */
const PASSED_AT_ONCE = 400;
const READ_AT_ONCE = 10;

/** Searches for observations that cells have not kept, of each the newest before those that it has; at most `most`. */
function olderSeen() {
  const { digests } = database;
  const read = new Map<string, Promise<ReadonlySet<string>>>();
  const tagged = (tag: string) => {
    const keys = read.get(tag) ?? Promise.resolve(digests.where('tags').equals(tag).primaryKeys()).then(asSet);
    read.set(tag, keys);
    return keys;
  };
  return async (cell: Cell, kind: KindSeen, most: number): Promise<Observation[]> => {
    const played = await tagged(`note:${cell.midi}`);
    const freely = kind === 'free' ? await tagged(`family:${freePlay.id}`) : undefined;
    const found: Observation[] = [];
    for (let passed = 0; found.length < most; passed += PASSED_AT_ONCE) {
      const newestFirst = digests.orderBy('startedAtMs').reverse().offset(passed).limit(PASSED_AT_ONCE);
      const keys = await newestFirst.primaryKeys();
      if (keys.length === 0) break;
      const ids = keys.filter((id) => played.has(id) && freely?.has(id) !== false);
      for (let i = 0; i < ids.length && found.length < most; i += READ_AT_ONCE)
        for (const digest of await digests.bulkGet(ids.slice(i, i + READ_AT_ONCE)))
          if (digest?.setupKey === cell.setupKey) found.push(...olderIn(digest, cell, kind));
    }
    return found.slice(0, most);
  };
}
const asSet = (ids: readonly string[]): ReadonlySet<string> => new Set(ids);

/** The rows of a table that are there, by key. */
async function known<Row extends { readonly key: string }>(
  table: { bulkGet(keys: string[]): PromiseLike<(Row | undefined)[]> },
  keys: readonly string[],
): Promise<ReadonlyMap<string, Row>> {
  const rows = await table.bulkGet([...keys]);
  return new Map(rows.flatMap((row) => (row ? [[row.key, row] as const] : [])));
}

function dayKeys(digests: readonly Digest[]): string[] {
  const days = new Set(digests.map((digest) => digest.day));
  return QUANTITIES.flatMap((quantity) => [...days].map((day) => tonesKey(quantity, day)));
}

async function addFirsts(added: readonly Digest[]): Promise<void> {
  const { milestones } = database;
  const fresh = [...milestonesOf(added).values()];
  const before = await known(milestones, [...fresh.map((milestone) => milestone.key)]);
  await milestones.bulkPut(
    fresh.filter((milestone) => milestone.startedAtMs < (before.get(milestone.key)?.startedAtMs ?? Infinity)),
  );
}

/** Each first that goes is looked for among the later takes, until all are found again. */
async function removeFirsts(takeIds: readonly string[]): Promise<void> {
  const { milestones, digests } = database;
  const gone = await milestones.where('takeId').anyOf(takeIds).toArray();
  if (gone.length === 0) return;
  const lost = new Set(gone.map((milestone) => milestone.key));
  await milestones.bulkDelete([...lost]);
  await digests
    .where('startedAtMs')
    .aboveOrEqual(Math.min(...gone.map((milestone) => milestone.startedAtMs)))
    .until(() => lost.size === 0)
    .each((digest) => {
      for (const milestone of milestonesOf([digest]).values())
        if (lost.delete(milestone.key)) void milestones.put(milestone);
    });
}

/** Makes the cells of set-ups anew from all that is kept of them. */
async function rebuildCells(setupKeys: ReadonlySet<string>): Promise<void> {
  const { digests, cells } = database;
  for (const key of setupKeys) {
    const fresh = cellsFrom(await digests.where('setupKey').equals(key).toArray());
    await cells.where('setupKey').equals(key).delete();
    await cells.bulkPut([...fresh.values()]);
  }
}
