import type { KeptRecording } from '@inner-hum/core/formats';
import { fromInt16, toInt16 } from '@inner-hum/core/take';
import { newId } from '../base/plainOrigin';
import { database, type ShelfRow, type ShelfSoundRow } from './database';
import { findTakes } from './search';

/** Longest recording that is kept on the shelf, seconds: a page of music, not an album. */
export const MOST_SHELF_S = 600;
/** So many of the newest takes of a note are looked through for one with its sound. */
const LOOKED_THROUGH = 60;
/** An own tone is set against a model when it lasts so long, seconds. */
const LEAST_S = 0.8;

/** Puts a recording on the shelf; it goes into no log and no map, and into a backup only on wish. @returns its id */
export async function addToShelf(name: string, sampleRateHz: number, samples: Float32Array): Promise<string> {
  const id = newId();
  const lengthS = samples.length / sampleRateHz;
  await database.transaction('rw', database.shelf, database.shelfSounds, async () => {
    await database.shelf.add({ id, name, addedAt: new Date().toISOString(), lengthS, fromS: 0, toS: lengthS });
    await database.shelfSounds.add({ id, sampleRateHz, samples: toInt16(samples) });
  });
  return id;
}

/** What is on the shelf, newest first. */
export function shelfList(): Promise<ShelfRow[]> {
  return database.shelf.orderBy('addedAt').reverse().toArray();
}

/** Which part of a recording is learnt from, seconds. */
export async function markOnShelf(id: string, fromS: number, toS: number): Promise<void> {
  await database.shelf.update(id, { fromS, toS });
}

/** Whether a recording goes into backups. */
export async function keepInBackup(id: string, inBackup: boolean): Promise<void> {
  await database.shelf.update(id, { inBackup });
}

/** Gives the recordings that are wanted in backups, one after the other. */
export async function eachForBackup(give: (kept: KeptRecording) => void): Promise<void> {
  for (const { id, name, addedAt, fromS, toS } of (await shelfList()).filter(({ inBackup }) => inBackup)) {
    const sound = await database.shelfSounds.get(id);
    if (sound) give({ ...sound, name, addedAt, fromS, toS });
  }
}

/** Puts recordings of a backup on the shelf that are not there yet. @returns how many */
export async function mergeShelf(kept: readonly KeptRecording[]): Promise<number> {
  return database.transaction('rw', database.shelf, database.shelfSounds, async () => {
    let added = 0;
    for (const { id, name, addedAt, fromS, toS, sampleRateHz, samples } of kept) {
      if (await database.shelf.get(id)) continue;
      const lengthS = samples.length / sampleRateHz;
      await database.shelf.add({ id, name, addedAt, lengthS, fromS, toS: Math.min(toS, lengthS), inBackup: true });
      await database.shelfSounds.put({ id, sampleRateHz, samples });
      added++;
    }
    return added;
  });
}

/** Takes a recording off the shelf. @returns what puts it back; undefined where it was not there */
export async function removeFromShelf(id: string): Promise<(() => Promise<unknown>) | undefined> {
  const tables = [database.shelf, database.shelfSounds] as const;
  return database.transaction('rw', tables, async () => {
    const [row, sound] = await Promise.all([database.shelf.get(id), database.shelfSounds.get(id)]);
    if (!row) return undefined;
    await Promise.all([database.shelf.delete(id), database.shelfSounds.delete(id)]);
    return () =>
      database.transaction('rw', tables, () =>
        Promise.all([database.shelf.put(row), sound && database.shelfSounds.put(sound)]),
      );
  });
}

/** The part of a recording that is learnt from. */
export function markedPart(
  { samples, sampleRateHz }: ShelfSoundRow,
  { fromS, toS }: Pick<ShelfRow, 'fromS' | 'toS'>,
): Float32Array<ArrayBuffer> {
  return fromInt16(samples.slice(Math.round(fromS * sampleRateHz), Math.round(toS * sampleRateHz)));
}

/** The player's newest tone of a written note that can be heard: its take and which step of it. */
export async function ownToneOf(
  writtenMidi: number,
  instrumentId: string,
): Promise<{ readonly takeId: string; readonly stepIndex: number } | undefined> {
  const { takes } = await findTakes(
    { tags: [`size:${instrumentId}`, `note:${writtenMidi}`], since: '' },
    LOOKED_THROUGH,
  );
  for (const { id, measures, score, source } of takes) {
    const stepIndex = measures.findIndex(
      (step, i) =>
        step.kind === 'sounded' &&
        step.endS - step.onsetS >= LEAST_S &&
        score.steps[i]?.soundedMidi === writtenMidi &&
        !score.steps[i].hum,
    );
    if (stepIndex < 0) continue;
    if (source.kind === 'standIn' || (await database.sounds.where('takeId').equals(id).count()) > 0)
      return { takeId: id, stepIndex };
  }
  return undefined;
}
