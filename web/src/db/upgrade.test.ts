import 'fake-indexeddb/auto';
import { Dexie } from 'dexie';
import { beforeAll, expect, it } from 'vitest';
import { toldTake } from '../testing/takes';
import { InnerHumDatabase } from './database';

const take = toldTake('a', 1, 12).record;

/** The layout before trends were kept by day, with a take and a digest as they were then. */
beforeAll(async () => {
  const older = new Dexie('inner-hum');
  older.version(5).stores({
    takes: 'id, startedAt',
    frames: 'takeId',
    sounds: 'takeId',
    drafts: 'takeId',
    draftPieces: '++id, takeId',
    settings: 'name',
    digests: 'takeId, startedAtMs, setupKey, *tags',
    cells: 'key, instrumentId, setupKey',
  });
  await older.table('takes').put(take);
  await older.table('digests').put({ takeId: 'a', startedAtMs: 1, tags: ['size:tenor'], setupKey: '' });
  await older.table('cells').put({ key: 'stale', instrumentId: 'tenor', setupKey: '' });
  older.close();
});

it('an older database keeps its takes; what they tell is made anew', async () => {
  const database = new InnerHumDatabase();
  expect(await database.takes.toArray()).toEqual([take]);
  expect(await database.digests.toArray()).toMatchObject([{ takeId: 'a', startedAtMs: Date.parse(take.startedAt) }]);
  expect(await database.digests.where('tags').equals('note:67').count()).toBe(1);
  expect(new Set((await database.cells.toArray()).map((one) => one.midi))).toEqual(new Set([67]));
  expect((await database.tones.toArray()).map((one) => [...one.value])).toEqual([[12]]);
  expect((await database.firsts.toArray()).map((one) => one.kind)).toEqual(['held']);
  database.close();
});
