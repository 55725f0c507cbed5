import { JUDGE_RULES } from '@inner-hum/core/judge';
import type { JudgedAnew, WholeTake } from '@inner-hum/core/take';
import { database } from './database';
import { addDigests, mendingTold, toldTables } from './digests';

/** Takes that other rules than today's judged, oldest first. */
export async function judgedOtherwise(): Promise<string[]> {
  const { takes } = database;
  const [all, today] = await Promise.all([
    takes.orderBy('startedAt').primaryKeys(),
    takes.where('judgedBy').equals(JUDGE_RULES).primaryKeys(),
  ]);
  const done = new Set(today);
  return all.filter((id) => !done.has(id));
}

/** A take with its frames, or undefined when they are not here. */
export async function measuredTake(id: string): Promise<Omit<WholeTake, 'sound'> | undefined> {
  const [record, row] = await Promise.all([database.takes.get(id), database.frames.get(id)]);
  return record && row && { record, frames: row.bytes };
}

/** Gives a take another result; all else of it stays as it is by then. Whether it was still here. */
export async function changeResult(id: string, result: JudgedAnew): Promise<boolean> {
  const { takes } = database;
  return mendingTold(() =>
    database.transaction('rw', [takes, ...toldTables()], async () => {
      const record = await takes.get(id);
      if (!record) return false;
      const judged = { ...record, ...result };
      await takes.put(judged);
      await addDigests([judged]);
      return true;
    }),
  );
}
