import 'fake-indexeddb/auto';
import { beforeEach, expect, it } from 'vitest';
import type { KeptRecording } from '@inner-hum/core/formats';
import { database } from './database';
import {
  addToShelf,
  eachForBackup,
  keepInBackup,
  markedPart,
  markOnShelf,
  mergeShelf,
  ownToneOf,
  removeFromShelf,
  shelfList,
} from './shelf';

beforeEach(() => Promise.all(database.tables.map((table) => table.clear())));
const sound = Float32Array.from({ length: 8000 }, (_, i) => Math.sin(i / 9));

it('keeps a recording apart from the takes, its list without the sound', async () => {
  const id = await addToShelf('kept.wav', 8000, sound);
  const [row] = await shelfList();
  expect(row).toMatchObject({ id, name: 'kept.wav', lengthS: 1, fromS: 0, toS: 1 });
  expect(Object.keys(row!)).not.toContain('samples');
  expect([await database.takes.count(), await database.digests.count()]).toEqual([0, 0]);
});

it('gives the part that is marked', async () => {
  const id = await addToShelf('kept.wav', 8000, sound);
  await markOnShelf(id, 0.25, 0.5);
  const part = markedPart((await database.shelfSounds.get(id))!, (await database.shelf.get(id))!);
  expect(part).toHaveLength(2000);
  expect(part[0]).toBeCloseTo(sound[2000]!, 3);
});

it('takes a recording off with its sound, and puts both back', async () => {
  const id = await addToShelf('kept.wav', 8000, sound);
  const restore = await removeFromShelf(id);
  expect([await database.shelf.count(), await database.shelfSounds.count()]).toEqual([0, 0]);
  await restore!();
  expect((await database.shelfSounds.get(id))?.samples).toHaveLength(8000);
  expect(await shelfList()).toHaveLength(1);
  expect(await removeFromShelf('another')).toBeUndefined();
});

it('knows no own tone where nothing was played', async () => {
  expect(await ownToneOf(67, 'alto')).toBeUndefined();
});

it('goes into a backup only where the player wants it, and comes back from it once', async () => {
  const [kept, other] = [await addToShelf('kept.wav', 8000, sound), await addToShelf('other.wav', 8000, sound)];
  await markOnShelf(kept, 0.25, 0.5);
  await keepInBackup(kept, true);
  const given: KeptRecording[] = [];
  await eachForBackup((recording) => given.push(recording));
  expect(given).toMatchObject([{ id: kept, name: 'kept.wav', fromS: 0.25, toS: 0.5, sampleRateHz: 8000 }]);
  await Promise.all([database.shelf.delete(kept), database.shelfSounds.delete(kept)]);
  expect(await mergeShelf(given)).toBe(1);
  expect(await mergeShelf(given)).toBe(0);
  expect(await database.shelf.get(kept)).toMatchObject({ lengthS: 1, fromS: 0.25, toS: 0.5, inBackup: true });
  expect((await database.shelfSounds.get(kept))?.samples).toHaveLength(8000);
  expect((await shelfList()).map(({ id }) => id).sort()).toEqual([kept, other].sort());
});
