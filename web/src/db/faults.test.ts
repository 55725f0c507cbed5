import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { silentTake as take, toldTake as told } from '../testing/takes';
import { database } from './database';
import { beginDraft, addDraftPiece, draftIds } from './drafts';
import { rebuildTold } from './digests';
import { emptyOldBin, keepTake, removeTake, restoreTake, countedTakes, wholeTake } from './takes';

beforeEach(() => Promise.all(database.tables.map((table) => table.clear())));

/** Makes writes of sound fail for want of room while `full` says so. */
let full: () => boolean = () => false;
const noRoom = () => {
  if (full()) throw new DOMException('no room', 'QuotaExceededError');
};
database.sounds.hook('creating', noRoom);
afterEach(() => (full = () => false));

const soundsHere = async () => (await database.sounds.toCollection().primaryKeys()).sort();

describe('no room left', () => {
  it('a take is kept without its sound, and no other sound goes when that does not help', async () => {
    await keepTake(take('a', 1));
    await keepTake(take('b', 2));
    full = () => true;
    expect(await keepTake(take('c', 3))).toEqual({ soundKept: false, dropped: 0 });
    expect(await soundsHere()).toEqual(['a', 'b']);
    expect((await wholeTake('c'))?.record.id).toBe('c');
  });

  it('the oldest sound that is not pinned goes when that helps, and that is told', async () => {
    for (const id of ['a', 'b', 'c']) await keepTake(take(id, id.charCodeAt(0) - 96));
    // Room comes free with the first sound that goes.
    let tries = 0;
    full = () => tries++ === 0;
    expect(await keepTake(take('d', 4), ['a'])).toEqual({ soundKept: true, dropped: 2 });
    expect(await soundsHere()).toContain('a');
    expect(await soundsHere()).toContain('d');
  });

  it('another failure is thrown, and the draft stays', async () => {
    const { record } = take('a', 1);
    await beginDraft({ takeId: 'a', sampleRateHz: 44100, plan: { ...record, firstBeatS: 1 } });
    await addDraftPiece('a', Int16Array.from([1]));
    const broken = { ...take('a', 1), record: { ...record, id: undefined as never } };
    await expect(keepTake(broken)).rejects.toThrow();
    expect(await draftIds()).toEqual(['a']);
  });
});

describe('a write that fails', () => {
  let failing = { store: '', after: 0, error: '' };
  for (const table of database.tables)
    table.hook('creating', () => {
      if (table.name === failing.store && failing.after-- === 0) throw new DOMException('made to fail', failing.error);
    });
  afterEach(() => (failing = { store: '', after: 0, error: '' }));
  const STORES = ['takes', 'frames', 'sounds', 'digests', 'cells', 'tones', 'milestones'];
  const everything = async () =>
    Object.fromEntries(await Promise.all(database.tables.map(async (table) => [table.name, await table.toArray()])));

  it.each(
    STORES.flatMap((store) =>
      ['QuotaExceededError', 'DataError', 'AbortError'].flatMap((error) =>
        [0, 1].map((after) => ({ store, error, after })),
      ),
    ),
  )('$store, $error, after $after: the take is kept, or all is as it was and its draft stays', async (fault) => {
    await keepTake(told('a', 1, 12));
    const { record } = told('b', 2, 14);
    await beginDraft({ takeId: 'b', sampleRateHz: 44100, plan: { ...record, firstBeatS: 1 } });
    await addDraftPiece('b', Int16Array.from([1, 2, 3]));
    const before = await everything();
    failing = fault;
    const kept = await keepTake(told('b', 2, 14)).then(
      () => true,
      () => false,
    );
    failing = { store: '', after: 0, error: '' };
    if (kept) {
      expect((await wholeTake('b'))?.record).toEqual(record);
      expect(await draftIds()).toEqual([]);
      return;
    }
    expect(await everything()).toEqual(before);
    // What was in the way is gone: the same take is kept now.
    await keepTake(told('b', 2, 14));
    expect(await draftIds()).toEqual([]);
    expect(await database.digests.count()).toBe(2);
  });
});

describe('damaged rows of what takes tell', () => {
  it.each(['digests', 'cells', 'tones', 'milestones'] as const)(
    '%s are made anew when a take is kept',
    async (name) => {
      await keepTake(told('a', 1, 12));
      const [key] = await database.table(name).toCollection().primaryKeys();
      const keyPath = database.table(name).schema.primKey.keyPath as string;
      await database.table(name).put({ [keyPath]: key, instrumentId: 'tenor', setupKey: 'x' });
      await expect(database.table(name).toArray()).rejects.toThrow('damaged');
      await rebuildTold();
      expect(await database.table(name).count()).toBeGreaterThan(0);
      await keepTake(told('b', 2, 13));
      expect(await database.digests.count()).toBe(2);
    },
  );

  it('a damaged take does not keep the others from being told', async () => {
    await keepTake(told('a', 1, 12));
    await database.takes.put({ id: 'x', startedAt: 5 } as never);
    await rebuildTold();
    expect(await database.digests.toCollection().primaryKeys()).toEqual(['a']);
  });

  it('a take that no list can show is found', async () => {
    await keepTake(take('a', 1));
    await database.takes.put({ id: 'x' } as never);
    expect(await countedTakes()).toEqual({ all: 2, unlisted: ['x'] });
  });
});

describe('the bin', () => {
  it('gives back a take whole, a damaged one as it was, for thirty days', async () => {
    await keepTake(take('a', 1));
    await database.takes.put({ id: 'x', startedAt: 'never' } as never);
    const dayMs = 86_400_000;
    await removeTake('a', 0);
    await removeTake('x', 0);
    expect(await database.takes.count()).toBe(0);
    await emptyOldBin(29 * dayMs);
    expect(await restoreTake('x')).toBe(true);
    expect(await database.takes.get('x')).toEqual({ id: 'x', startedAt: 'never' });
    expect(await restoreTake('a')).toBe(true);
    expect(await wholeTake('a')).toEqual(take('a', 1));
    await removeTake('a', 0);
    await emptyOldBin(31 * dayMs);
    expect(await restoreTake('a')).toBe(false);
  });
});
