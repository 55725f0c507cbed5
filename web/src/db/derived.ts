import {
  cellsFrom,
  digestOf,
  milestonesOf,
  isCell,
  isDigest,
  isMilestone,
  isReedUse,
  isTonesOfDay,
  reedUses,
  tonesAfter,
  type Digest,
} from '@inner-hum/core/history';
import type { TakeRecord } from '@inner-hum/core/take';
import type { Dexie, Transaction } from 'dexie';
import { whenOf } from '../base/days';

/** A row that takes told and that is not what it should be. Nothing is lost by it: it is made anew from the takes. */
class DamagedRow extends Error {
  constructor(readonly table: string) {
    super(`a row of ${table} is damaged`);
  }
}

/** Whether an error, or what it came of, is a damaged row of what takes told. */
export function isDamagedRow(error: unknown): boolean {
  return error instanceof DamagedRow || (error as { inner?: unknown } | null)?.inner instanceof DamagedRow;
}

/** The tables that hold what takes tell, each with what its rows must be. */
const CHECKS = {
  digests: isDigest,
  cells: isCell,
  tones: isTonesOfDay,
  milestones: isMilestone,
  reedUses: isReedUse,
} as const;

/** From now on a damaged row of these tables is a {@link DamagedRow} to whoever reads it. */
export function guardDerived(database: Dexie): void {
  for (const [name, isRight] of Object.entries(CHECKS))
    database.table(name).hook('reading', (row: unknown) => {
      if (row !== undefined && !isRight(row)) throw new DamagedRow(name);
      return row;
    });
}

/** Makes all that takes tell anew, inside a transaction; takes that can't be told from are left out. */
export async function rebuildDerived(transaction: Pick<Transaction, 'table'>): Promise<void> {
  const digests: Digest[] = [];
  await transaction.table<TakeRecord>('takes').each((take) => {
    const digest = digestIfSound(take);
    if (digest) digests.push(digest);
  });
  for (const [name, rows] of [
    ['digests', digests],
    ['cells', cellsFrom(digests).values()],
    ['tones', tonesAfter(digests).values()],
    ['milestones', milestonesOf(digests).values()],
    ['reedUses', reedUses(digests).values()],
  ] as const) {
    await transaction.table(name).clear();
    await transaction.table(name).bulkPut([...rows]);
  }
}

/** The digest of a take in the player's own time zone; undefined of a damaged one. */
export function digestIfSound(record: TakeRecord): Digest | undefined {
  try {
    const digest = digestOf(record, whenOf(record.startedAt));
    return isDigest(digest) ? digest : undefined;
  } catch {
    return undefined;
  }
}
