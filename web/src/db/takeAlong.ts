import type { IndexableType } from 'dexie';
import type { InnerHumDatabase } from './database';
import { rebuildDerived } from './derived';

/** What stays behind: the settings of a page that did not know the player's, and what takes tell, which is made anew. */
const STAYS: readonly string[] = ['settings', 'digests', 'cells', 'tones', 'milestones', 'reedUses'];

/** Puts what was played and written in one database into another, all of it or nothing; what is there already stays. */
export async function takeAlong(from: InnerHumDatabase, to: InnerHumDatabase): Promise<void> {
  const tables = from.tables.filter(({ name }) => !STAYS.includes(name));
  const brought = await Promise.all(
    tables.map(async (table) => [table.name, await table.toArray(), await table.toCollection().primaryKeys()] as const),
  );
  await to.transaction('rw', to.tables, async (transaction) => {
    for (const [name, rows, keys] of brought) {
      const table = transaction.table<object, IndexableType>(name);
      const { auto, keyPath } = table.schema.primKey;
      const isThere = new Set((await table.toCollection().primaryKeys()).map((key) => JSON.stringify(key)));
      // Numbers that a table gives by itself are another row's there.
      const without = (row: object) => Object.fromEntries(Object.entries(row).filter(([field]) => field !== keyPath));
      if (auto) await table.bulkAdd(rows.map(without));
      else await table.bulkAdd(rows.filter((_, i) => !isThere.has(JSON.stringify(keys[i]))));
    }
    await rebuildDerived(transaction);
  });
}
