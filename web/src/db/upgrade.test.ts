import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { Dexie } from 'dexie';
import { beforeEach, expect, it } from 'vitest';
import { toldTake } from '../testing/takes';
import { digestOf } from '@inner-hum/core/history';
import { migrate } from '@inner-hum/core/take';
import { whenOf } from '../base/days';
import { InnerHumDatabase } from './database';

const take = toldTake('a', 1, 12).record;
const TABLES = {
  takes: 'id, startedAt',
  frames: 'takeId',
  sounds: 'takeId',
  drafts: 'takeId',
  draftPieces: '++id, takeId',
  settings: 'name',
  digests: 'takeId, startedAtMs, setupKey, *tags',
  cells: 'key, instrumentId, setupKey',
};
const WITH_BIN = { ...TABLES, tones: 'key', firsts: 'key, takeId', bin: 'takeId, deletedAtMs' };
const older = { takeId: 'a', startedAtMs: 1, tags: ['size:tenor', 'exercise:swell 67'], setupKey: '' };

/** A database as an older version left it. */
async function leftBy(version: number, tables: Record<string, string>, kept: object): Promise<void> {
  const before = new Dexie('inner-hum');
  before.version(version).stores(tables);
  await before.table('takes').put(kept);
  await before.table('digests').put(older);
  await before.table('cells').put({ key: 'stale', instrumentId: 'tenor', setupKey: '' });
  before.close();
}

beforeEach(() => Dexie.delete('inner-hum'));

it('of the first layout that was published: takes and settings stay, and all tables of today are there', async () => {
  const before = new Dexie('inner-hum');
  const { takes, frames, sounds, drafts, draftPieces, settings } = TABLES;
  before.version(1).stores({ takes, frames, sounds, drafts, draftPieces, settings });
  await before.table('takes').put(take);
  await before.table('settings').put({ name: 'settings', value: { a4Hz: 442 } });
  before.close();
  const database = new InnerHumDatabase();
  expect(await database.digests.toArray()).toMatchObject([{ takeId: 'a' }]);
  expect((await database.settings.get('settings'))?.value).toEqual({ a4Hz: 442 });
  expect([...database.backendDB().objectStoreNames].sort()).toEqual(database.tables.map(({ name }) => name).sort());
  database.close();
});

it('before trends were kept by day: takes stay, what they tell is made anew', async () => {
  await leftBy(5, TABLES, take);
  const database = new InnerHumDatabase();
  expect(await database.takes.toArray()).toEqual([migrate(take)]);
  expect(await database.digests.toArray()).toMatchObject([{ takeId: 'a', startedAtMs: Date.parse(take.startedAt) }]);
  expect(await database.digests.where('tags').equals('note:67').count()).toBe(1);
  expect(new Set((await database.cells.toArray()).map((cell) => cell.midi))).toEqual(new Set([67]));
  expect((await database.tones.toArray()).map((day) => [...day.value])).toEqual([[12]]);
  expect((await database.milestones.toArray()).map((milestone) => milestone.kind)).toEqual(['held']);
  database.close();
});

it('before tones had a level of their own: it is absent, and exercises are found by today’s key', async () => {
  const older = ['levelDb', 'colourTravelPartials'];
  const measures = take.measures.map((step) =>
    Object.fromEntries(Object.entries(step).filter(([name]) => !older.includes(name))),
  );
  await leftBy(7, WITH_BIN, { ...take, measures });
  const database = new InnerHumDatabase();
  const [kept] = await database.takes.toArray();
  expect(kept!.measures[0]).toMatchObject({ levelDb: { kind: 'absent', reason: 'olderVersion' } });
  expect(await database.digests.where('tags').equals('exercise:swell 67').count()).toBe(0);
  expect(await database.digests.where('tags').equals('exercise:swell 67 growFade breath').count()).toBe(1);
  database.close();
});

it('before firsts were called milestones: they are there under that name alone', async () => {
  await leftBy(8, WITH_BIN, take);
  const database = new InnerHumDatabase();
  expect((await database.milestones.toArray()).map((milestone) => milestone.takeId)).toEqual(['a']);
  expect([...database.backendDB().objectStoreNames]).not.toContain('firsts');
  expect(await database.takes.count()).toBe(1);
  database.close();
});

it.each([
  ['made from the takes', (digest: object) => digest],
  ['made from them where a digest is damaged, too', (digest: object) => ({ ...digest, lastsS: 'long' })],
])('before the use of reeds was kept: it is %s', async (_, left) => {
  const record = { ...take, setup: { ...take.setup, reed: 'first' } };
  const before = new Dexie('inner-hum');
  before.version(9).stores({ ...WITH_BIN, firsts: null, milestones: 'key, takeId' });
  await before.table('takes').put(record);
  await before.table('digests').put(left(digestOf(record, whenOf(record.startedAt))));
  before.close();
  const database = new InnerHumDatabase();
  expect(await database.reedUses.toArray()).toMatchObject([{ reed: 'first', instrumentId: 'tenor', takes: 1, of: 1 }]);
  expect(await database.digests.count()).toBe(1);
  database.close();
});

it('before lists had rows of their own: own exercises, goals, routines and remarks are all there, in their order', async () => {
  const goals = [62, 60].map((midi) => ({ kind: 'longTone', midi, by: '2027-01-31', instrumentId: 'alto' }));
  const own = [{ name: 'low', exercise: usualExercise(familyById('swell'), 'alto') }];
  const before = new Dexie('inner-hum');
  before.version(10).stores({ ...WITH_BIN, firsts: null, milestones: 'key, takeId', reedUses: 'key, instrumentId' });
  await before.table('settings').put({ name: 'settings', value: { a4Hz: 442, goals, own, remarks: 'none' } });
  before.close();
  const database = new InnerHumDatabase();
  const entries = await database.entries.toArray();
  expect(entries.map(({ list, value }) => [list, value])).toEqual([
    ['goals', goals[0]],
    ['goals', goals[1]],
    ['own', own[0]],
  ]);
  // What is no list stays, to be set aside when it is read.
  expect((await database.settings.get('settings'))?.value).toEqual({ a4Hz: 442, remarks: 'none' });
  expect(database.upgrading).toBe(true);
  database.close();
});
