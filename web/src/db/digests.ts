import { cellsAfter, cellsFrom, digestOf, type Digest } from '@inner-hum/core/plan';
import type { TakeRecord } from '@inner-hum/core/formats';
import { whenOf } from '../shared/format';
import { database } from './database';

/** The digest of a take in the player's own time zone. */
export function digestFor(record: TakeRecord): Digest {
  return digestOf(record, whenOf(record.startedAt));
}

/** Adds takes to the map, inside the caller's transaction over takes, digests and cells. */
export async function addDigests(records: readonly TakeRecord[]): Promise<void> {
  const { digests, cells } = database;
  const added = records.map(digestFor);
  await digests.bulkPut(added);
  if (added.length > MANY) return rebuildCells(new Set(added.map((one) => one.setupKey)));
  for (const digest of added) {
    const keys = cellsAfter(digest, () => undefined).map((cell) => cell.key);
    const known = new Map((await cells.bulkGet(keys)).flatMap((cell) => (cell ? [[cell.key, cell] as const] : [])));
    await cells.bulkPut(cellsAfter(digest, (key) => known.get(key)));
  }
}
/** From so many takes on, making the cells of their set-ups anew is quicker. */
const MANY = 20;

/** Takes away what takes told, inside the caller's transaction. */
export async function removeDigests(takeIds: readonly string[]): Promise<void> {
  const { digests } = database;
  const gone = (await digests.bulkGet([...takeIds])).flatMap((one) => one ?? []);
  await digests.bulkDelete([...takeIds]);
  await rebuildCells(new Set(gone.map((one) => one.setupKey)));
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
