import type { TakeRecord, WholeTake } from '@inner-hum/core/formats';
import { DEMO_TAG } from '@inner-hum/core/plan';
import { addDigests, removeDigests, toldTables } from './digests';
import { database } from './database';

/**
 * Keeps a take, all of it or nothing, and forgets its draft. When there is no room its sound is left out, and if need be
 * all other sound goes: measures never do.
 */
export async function keepTake(take: WholeTake): Promise<void> {
  try {
    await keepWhole(take);
  } catch (error) {
    if (!isOutOfRoom(error)) throw error;
    const { record, frames } = take;
    await keepWhole({ record, frames }).catch(async (again: unknown) => {
      if (!isOutOfRoom(again)) throw again;
      await database.sounds.clear();
      await keepWhole({ record, frames });
    });
  }
}

function isOutOfRoom(error: unknown): boolean {
  const inner = (error as { inner?: unknown }).inner ?? error;
  return (inner as { name?: string }).name === 'QuotaExceededError';
}

async function keepWhole(take: WholeTake): Promise<void> {
  const { takes, frames, sounds, drafts, draftPieces } = database;
  await database.transaction('rw', [takes, frames, sounds, drafts, draftPieces, ...toldTables()], async () => {
    await putTake(take);
    await addDigests([take.record]);
    await drafts.delete(take.record.id);
    await draftPieces.where('takeId').equals(take.record.id).delete();
  });
}

/** Whether any take is here, without counting them. */
export async function hasTakes(): Promise<boolean> {
  return (await database.takes.limit(1).primaryKeys()).length > 0;
}

/** Adds takes that are not here yet, all or none; gives how many were new. */
export async function mergeTakes(whole: readonly WholeTake[]): Promise<number> {
  const { takes, frames, sounds } = database;
  return database.transaction('rw', [takes, frames, sounds, ...toldTables()], async () => {
    const added: TakeRecord[] = [];
    for (const take of whole) {
      if (await takes.get(take.record.id)) continue;
      await putTake(take);
      added.push(take.record);
    }
    await addDigests(added);
    return added.length;
  });
}

async function putTake({ record, frames, sound }: WholeTake): Promise<void> {
  await database.takes.put(record);
  await database.frames.put({ takeId: record.id, bytes: frames });
  if (sound) await database.sounds.put({ takeId: record.id, ...sound });
}

/** A take with its frames and sound, or undefined when it is not here. */
export async function wholeTake(id: string): Promise<WholeTake | undefined> {
  const { takes, frames, sounds } = database;
  return database.transaction('r', [takes, frames, sounds], async () => {
    const record = await takes.get(id);
    const row = await frames.get(id);
    if (!record || !row) return undefined;
    const sound = await sounds.get(id);
    return {
      record,
      frames: row.bytes,
      ...(sound && { sound: { sampleRateHz: sound.sampleRateHz, samples: sound.samples } }),
    };
  });
}

/** Removes a take and gives it back, so that it can be put again. */
export async function removeTake(id: string): Promise<WholeTake | undefined> {
  const { takes, frames, sounds } = database;
  return database.transaction('rw', [takes, frames, sounds, ...toldTables()], async () => {
    const whole = await wholeTake(id);
    await Promise.all([takes.delete(id), frames.delete(id), sounds.delete(id)]);
    await removeDigests([id]);
    return whole;
  });
}

/** Removes all takes of the demo data. */
export async function removeDemoTakes(): Promise<void> {
  const { takes, frames, sounds, digests } = database;
  await database.transaction('rw', [takes, frames, sounds, ...toldTables()], async () => {
    const ids = await digests.where('tags').equals(DEMO_TAG).primaryKeys();
    await Promise.all([takes.bulkDelete(ids), frames.bulkDelete(ids), sounds.bulkDelete(ids)]);
    await removeDigests(ids);
  });
}

export async function changeNote(id: string, note: string): Promise<void> {
  await database.takes.update(id, { note });
}
