// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { writeBackup, writeBackupZip } from '@inner-hum/core/formats';
import { beforeEach, expect, it } from 'vitest';
import { toldTake } from '../testing/takes';
import { backupFunctions } from './backupFunctions';
import { database } from './database';
import { keepTake } from './takes';

beforeEach(() => Promise.all(database.tables.map((table) => table.clear())));
const { record, frames, sound } = toldTake('a', 2, 5);
const takes = Array.from({ length: 240 }, (_, i) => ({
  record: { ...record, id: `take-${i}`, measures: [{ kind: 'silent' as const }] },
  frames,
  ...(sound && { sound }),
}));

it.each([
  ['zip', () => new Blob([new Uint8Array(writeBackupZip(takes, record.startedAt, { a4Hz: 442 }))])],
  ['json', () => new Blob([writeBackup(takes, record.startedAt, { a4Hz: 442 })])],
])('a %s is restored with its share told, always forward; what is here is not added twice', async (_, made) => {
  await keepTake(takes[7]!);
  const shares: number[] = [];
  const restored = await backupFunctions.restore(made(), (share) => shares.push(share));
  expect(restored).toMatchObject({ kind: 'merged', added: 239, alreadyHere: 1, aside: [], wasEmpty: false });
  expect(restored).toMatchObject({ settings: { a4Hz: 442 } });
  expect(await database.takes.count()).toBe(240);
  expect(await database.digests.count()).toBe(240);
  expect(shares.length).toBeGreaterThan(8);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect(shares.at(-1)).toBeLessThanOrEqual(1);
});

it('what is no backup changes nothing', async () => {
  expect(await backupFunctions.restore(new Blob(['{"format":"other"}']))).toMatchObject({
    kind: 'refused',
    reason: 'otherFile',
  });
  expect(await database.takes.count()).toBe(0);
});
