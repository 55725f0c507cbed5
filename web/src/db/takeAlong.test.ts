import { IDBFactory, IDBKeyRange } from 'fake-indexeddb';
import { expect, it } from 'vitest';
import { InnerHumDatabase } from './database';
import { takeAlong } from './takeAlong';
import { toldTake } from '../testing/takes';

it('all that was played and written goes along; what is there already stays, and settings are the player’s', async () => {
  const [from, to] = [new IDBFactory(), new IDBFactory()].map(
    (indexedDB) => new InnerHumDatabase({ indexedDB, IDBKeyRange }),
  ) as [InnerHumDatabase, InnerHumDatabase];
  const told = (id: string, name: string) => ({ ...toldTake('a', 2, 5).record, id, startedAt: name });
  await from.takes.bulkPut([told('here', '2026-01-09T10:00:00.000Z'), told('both', '2026-01-09T11:00:00.000Z')]);
  await from.entries.add({ list: 'goals', place: 0, value: 'from here' });
  await from.settings.put({ name: 'settings', value: 'of a page that knew nothing' });
  await to.takes.bulkPut([told('there', '2026-01-09T12:00:00.000Z'), told('both', '2026-01-09T13:00:00.000Z')]);
  await to.entries.add({ list: 'goals', place: 0, value: 'from there' });
  await to.settings.put({ name: 'settings', value: 'the player’s' });
  await takeAlong(from, to);
  expect((await to.takes.toCollection().primaryKeys()).sort()).toEqual(['both', 'here', 'there']);
  expect((await to.takes.get('both'))?.startedAt).toContain('T13');
  expect((await to.digests.toCollection().primaryKeys()).sort()).toEqual(['both', 'here', 'there']);
  expect((await to.entries.toArray()).map(({ value }) => value)).toEqual(['from there', 'from here']);
  expect((await to.settings.get('settings'))?.value).toBe('the player’s');
  expect(await from.takes.count()).toBe(2);
});
