import { migrate, type TakeRecord } from '@inner-hum/core/take';
import type { Table } from 'dexie';

/** Every take in today's form. */
export async function migrateTakes(table: Table<TakeRecord>): Promise<void> {
  await table.toCollection().modify((_, row) => {
    row.value = migrate(row.value) as TakeRecord;
  });
}

interface WithRecord {
  readonly record: TakeRecord;
}

/** Every record that a row of a table holds in today's form. */
export async function migrateRecords(table: Table<WithRecord>): Promise<void> {
  await table.toCollection().modify((_, row) => {
    row.value = { ...row.value, record: migrate(row.value.record) as TakeRecord };
  });
}
