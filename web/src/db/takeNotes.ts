import type { TakeRemark } from '@inner-hum/core/take';
import type { Routine } from '@inner-hum/core/lesson';
import { database } from './database';

/** Puts a teacher's remarks on the takes that they are about; gives how many of those takes are here. */
export async function putRemarks({ from, remarks = [] }: Pick<Routine, 'from' | 'remarks'>): Promise<number> {
  const { takes } = database;
  return database.transaction('rw', takes, async () => {
    const found = new Set<string>();
    for (const { takeId, beat, text } of remarks) {
      const remark = { beat, text, from };
      const isSame = (other: TakeRemark) => other.beat === beat && other.text === text && other.from === from;
      const take = await takes.get(takeId);
      if (!take) continue;
      found.add(takeId);
      await takes.update(takeId, { remarks: [...(take.remarks ?? []).filter((other) => !isSame(other)), remark] });
    }
    return found.size;
  });
}

export async function changeNote(id: string, note: string): Promise<void> {
  await database.takes.update(id, { note });
}
