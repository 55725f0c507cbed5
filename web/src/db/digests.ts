import {
  cellsAfter,
  cellsFrom,
  milestonesOf,
  QUANTITIES,
  tonesAfter,
  tonesKey,
  tonesWithout,
  type Digest,
} from '@inner-hum/core/plan';
import type { TakeRecord } from '@inner-hum/core/take';
import { database } from './database';
import { DamagedRow, digestIfSound, rebuildDerived } from './derived';

/** The tables that hold what takes tell; a transaction that adds or removes takes is over these too. */
export function toldTables() {
  const { digests, cells, tones, milestones } = database;
  return [digests, cells, tones, milestones];
}

/** Makes all that takes tell anew from the takes. */
export async function rebuildTold(): Promise<void> {
  await database.transaction('rw', [database.takes, ...toldTables()], rebuildDerived);
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

/** Whether an error, or what it came of, is a damaged row of what takes told. */
export function isDamagedRow(error: unknown): boolean {
  return error instanceof DamagedRow || (error as { inner?: unknown } | null)?.inner instanceof DamagedRow;
}

/** Adds what takes tell, inside the caller's transaction over takes and {@link toldTables}. */
export async function addDigests(records: readonly TakeRecord[]): Promise<void> {
  const { digests, cells, tones } = database;
  const added = records.flatMap((record) => digestIfSound(record) ?? []);
  await digests.bulkPut(added);
  await addFirsts(added);
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
  await rebuildCells(new Set(gone.map((digest) => digest.setupKey)));
}

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
