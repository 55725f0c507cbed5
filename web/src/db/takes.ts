import type { WholeTake } from '@inner-hum/core/take';
import { DEMO_TAG } from '@inner-hum/core/history';
import { addDigests, mendingTold, removeDigests, toldTables } from './digests';
import { database, type BinRow } from './database';

const BYTES_PER_SAMPLE = 2;
/** Room that is made for a take, in its own size: the browser needs some for itself. */
const ROOM = 1.5;
/** Deleted takes can be had back for so long. */
const BIN_DAYS = 30;
const DAY_MS = 86_400_000;

/** How a take was kept where there was no room for all of it. */
export interface Kept {
  readonly soundKept: boolean;
  /** older takes whose sound was dropped to make room */
  readonly dropped: number;
}

/**
 * Keeps a take, all of it or nothing, and forgets its draft. When there is no room, the oldest sound that is not pinned
 * goes, but only in the transaction that thereby succeeds; when even that does not help, the take is kept without its
 * own sound. Measures never go.
 * @throws the browser's QuotaExceededError when there is no room even so; then nothing was changed
 */
export async function keepTake(take: WholeTake, pinned: readonly string[] = []): Promise<Kept> {
  const { record, frames, sound } = take;
  const bare = { record, frames };
  const attempts: (() => Promise<Kept>)[] = [
    async () => (await keepWhole(take), { soundKept: sound !== undefined, dropped: 0 }),
    async () => ({ soundKept: sound !== undefined, dropped: await keepWhole(take, pinned) }),
    ...(sound
      ? [
          async () => (await keepWhole(bare), { soundKept: false, dropped: 0 }),
          async () => ({ soundKept: false, dropped: await keepWhole(bare, pinned) }),
        ]
      : []),
  ];
  let last: unknown;
  for (const attempt of attempts)
    try {
      return await mendingTold(attempt);
    } catch (error) {
      if (!isOutOfRoom(error)) throw error;
      last = error;
    }
  throw last;
}

/** Whether an error says that the browser has no room left. */
export function isOutOfRoom(error: unknown): boolean {
  const { name, inner } = (error ?? {}) as { name?: string; inner?: unknown };
  return name === 'QuotaExceededError' || (inner !== undefined && isOutOfRoom(inner));
}

/** One transaction; with `pinned` the oldest other sounds go first. Gives how many went. */
async function keepWhole(take: WholeTake, pinned?: readonly string[]): Promise<number> {
  const { takes, frames, sounds, drafts, draftPieces } = database;
  return database.transaction('rw', [takes, frames, sounds, drafts, draftPieces, ...toldTables()], async () => {
    const dropped = pinned ? await dropOldestSounds(ROOM * bytesOf(take), pinned) : 0;
    await putTakes([take]);
    await addDigests([take.record]);
    await drafts.delete(take.record.id);
    await draftPieces.where('takeId').equals(take.record.id).delete();
    return dropped;
  });
}

function bytesOf({ frames, sound }: WholeTake): number {
  return frames.length + BYTES_PER_SAMPLE * (sound?.samples.length ?? 0);
}

/** Drops sounds that are not pinned, the oldest first, until so many bytes are free; inside the caller's transaction. */
async function dropOldestSounds(bytes: number, pinned: readonly string[]): Promise<number> {
  const { sounds, digests } = database;
  const here = new Set(await sounds.toCollection().primaryKeys());
  let freed = 0;
  let dropped = 0;
  for (const id of await digests.orderBy('startedAtMs').primaryKeys()) {
    if (freed >= bytes) break;
    if (!here.has(id) || pinned.includes(id)) continue;
    freed += BYTES_PER_SAMPLE * ((await sounds.get(id))?.samples.length ?? 0);
    await sounds.delete(id);
    dropped++;
  }
  return dropped;
}

/** Whether any take is here, without counting them. */
export async function hasTakes(): Promise<boolean> {
  return (await database.takes.limit(1).primaryKeys()).length > 0;
}

/** Takes are put so many at a time; how much of adding them that is, as measured: the rest is what they tell. */
const AT_ONCE = 100;
const PUT_SHARE = 0.5;

/** Adds takes that are not here yet, all or none; gives how many were new. */
export async function mergeTakes(whole: readonly WholeTake[], onShare?: (share: number) => void): Promise<number> {
  const { takes, frames, sounds } = database;
  return mendingTold(() =>
    database.transaction('rw', [takes, frames, sounds, ...toldTables()], async () => {
      const here = new Set(
        await takes
          .where(':id')
          .anyOf(whole.map(({ record }) => record.id))
          .primaryKeys(),
      );
      const added = [...new Map(whole.map((take) => [take.record.id, take])).values()].filter(
        ({ record }) => !here.has(record.id),
      );
      for (let i = 0; i < added.length; i += AT_ONCE) {
        await putTakes(added.slice(i, i + AT_ONCE));
        onShare?.((PUT_SHARE * i) / added.length);
      }
      onShare?.(PUT_SHARE);
      await addDigests(added.map(({ record }) => record));
      return added.length;
    }),
  );
}

async function putTakes(whole: readonly WholeTake[]): Promise<void> {
  await database.takes.bulkPut(whole.map(({ record }) => record));
  await database.frames.bulkPut(whole.map(({ record, frames }) => ({ takeId: record.id, bytes: frames })));
  await database.sounds.bulkPut(whole.flatMap(({ record, sound }) => (sound ? [{ takeId: record.id, ...sound }] : [])));
}

/** Puts a take judged anew in the place of the old one, with what it tells; its sound, when given, too. */
export async function replaceTake(take: WholeTake): Promise<void> {
  const { takes, frames, sounds } = database;
  await mendingTold(() =>
    database.transaction('rw', [takes, frames, sounds, ...toldTables()], async () => {
      await putTakes([take]);
      await addDigests([take.record]);
    }),
  );
}

/** A take with its frames and sound, or undefined when it is not here. */
export async function wholeTake(id: string): Promise<WholeTake | undefined> {
  return (await wholeTakes([id]))[0];
}

/** Takes with their frames and sound, in the order of their names; those that are not here are left out. */
export async function wholeTakes(ids: readonly string[]): Promise<WholeTake[]> {
  const { takes, frames, sounds } = database;
  return database.transaction('r', [takes, frames, sounds], async () => {
    const [records, rows, heard] = await Promise.all([
      takes.bulkGet([...ids]),
      frames.bulkGet([...ids]),
      sounds.bulkGet([...ids]),
    ]);
    return records.flatMap((record, i): WholeTake[] => {
      const [row, sound] = [rows[i], heard[i]];
      if (!record || !row) return [];
      const { sampleRateHz, samples } = sound ?? {};
      return [{ record, frames: row.bytes, ...(sampleRateHz && samples && { sound: { sampleRateHz, samples } }) }];
    });
  });
}

/** The rows of a take as they are, also damaged ones; undefined when there is none. */
export async function rawTake(id: string): Promise<Omit<BinRow, 'deletedAtMs'> | undefined> {
  const { takes, frames, sounds } = database;
  return database.transaction('r', [takes, frames, sounds], async () => {
    const [record, row, sound] = await Promise.all([takes.get(id), frames.get(id), sounds.get(id)]);
    return record && { takeId: id, record, ...(row && { frames: row }), ...(sound && { sound }) };
  });
}

/** How many takes there are, and those that no list shows because nothing tells when they were: damaged ones. */
export async function countedTakes(): Promise<{ readonly all: number; readonly unlisted: readonly string[] }> {
  const { takes } = database;
  const all = await takes.count();
  if ((await takes.orderBy('startedAt').count()) === all) return { all, unlisted: [] };
  const shown = new Set(await takes.orderBy('startedAt').primaryKeys());
  return { all, unlisted: (await takes.toCollection().primaryKeys()).filter((id) => !shown.has(id)) };
}

/** Puts a take into the bin; whether it was here. */
export async function removeTake(id: string, nowMs = Date.now()): Promise<boolean> {
  const { takes, frames, sounds, bin } = database;
  return mendingTold(() =>
    database.transaction('rw', [takes, frames, sounds, bin, ...toldTables()], async () => {
      const raw = await rawTake(id);
      if (!raw) return false;
      await bin.put({ ...raw, deletedAtMs: nowMs });
      await Promise.all([takes.delete(id), frames.delete(id), sounds.delete(id)]);
      await removeDigests([id]);
      return true;
    }),
  );
}

/** Takes a take out of the bin as it was; whether it was there. */
export async function restoreTake(id: string): Promise<boolean> {
  const { takes, frames, sounds, bin } = database;
  return mendingTold(() =>
    database.transaction('rw', [takes, frames, sounds, bin, ...toldTables()], async () => {
      const row = await bin.get(id);
      if (!row) return false;
      await takes.put(row.record);
      if (row.frames) await frames.put(row.frames);
      if (row.sound) await sounds.put(row.sound);
      await addDigests([row.record]);
      await bin.delete(id);
      return true;
    }),
  );
}

/** What is in the bin, deleted last first. */
export async function binnedTakes(): Promise<BinRow[]> {
  return database.bin.orderBy('deletedAtMs').reverse().toArray();
}

/** Empties the bin for good. */
export async function emptyBin(): Promise<void> {
  await database.bin.clear();
}

/** Removes what has been in the bin for longer than thirty days. */
export async function emptyOldBin(nowMs = Date.now()): Promise<void> {
  await database.bin
    .where('deletedAtMs')
    .below(nowMs - BIN_DAYS * DAY_MS)
    .delete();
}

/** Removes all takes of the demo data, for good: the demo can be had again. */
export async function removeDemoTakes(): Promise<void> {
  const { takes, frames, sounds, digests } = database;
  await mendingTold(() =>
    database.transaction('rw', [takes, frames, sounds, ...toldTables()], async () => {
      const ids = await digests.where('tags').equals(DEMO_TAG).primaryKeys();
      await Promise.all([takes.bulkDelete(ids), frames.bulkDelete(ids), sounds.bulkDelete(ids)]);
      await removeDigests(ids);
    }),
  );
}
