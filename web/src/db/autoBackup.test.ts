// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { store } from '../store';
import { backUpWhenDue, chooseFolder, folderName } from './autoBackup';
import { database } from './database';

const zip = vi.hoisted(() => vi.fn(() => Promise.resolve(new Blob(['all']))));
vi.mock('./backup', () => ({ backupService: () => ({ zip }) }));

const { settings } = store.getState();
const DAY_MS = 86_400_000;

/** A folder that writes when it may; a database keeps no functions, so what is kept of it is given back its own. */
const folder = {
  name: 'Tone',
  permission: 'granted' as PermissionState,
  fails: false,
  written: 0,
  queryPermission: () => Promise.resolve(folder.permission),
  getFileHandle: () =>
    folder.fails
      ? Promise.reject(new Error('the disk is full'))
      : Promise.resolve({
          createWritable: () =>
            Promise.resolve({ write: () => Promise.resolve(), close: () => Promise.resolve(void folder.written++) }),
        }),
};

beforeEach(async () => {
  Object.assign(folder, { permission: 'granted', fails: false, written: 0 });
  zip.mockClear();
  const rows = new Map<unknown, unknown>();
  vi.spyOn(database.settings, 'put').mockImplementation((row) => {
    rows.set(row.name, row);
    return Promise.resolve(row.name) as never;
  });
  vi.spyOn(database.settings, 'get').mockImplementation((name) => Promise.resolve(rows.get(name)) as never);
  vi.stubGlobal('showDirectoryPicker', () => Promise.resolve(folder));
  vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-05-10T08:00:00Z') });
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

describe('the backup to a folder of the player’s', () => {
  it('is due where the last one was written by a clock that was ahead', async () => {
    vi.setSystemTime(Date.now() + 30 * DAY_MS);
    await chooseFolder(settings);
    vi.setSystemTime(Date.now() - 30 * DAY_MS);
    await backUpWhenDue(settings);
    expect(folder.written).toBe(2);
  });

  it('is written when the folder is chosen, and then when a day has gone by', async () => {
    expect(await chooseFolder(settings)).toBe('Tone');
    expect([await folderName(), folder.written]).toEqual(['Tone', 1]);
    vi.setSystemTime(Date.now() + DAY_MS - 1000);
    await backUpWhenDue(settings);
    expect(folder.written).toBe(1);
    vi.setSystemTime(Date.now() + 2000);
    await backUpWhenDue(settings);
    await backUpWhenDue(settings);
    expect(folder.written).toBe(2);
  });

  it('is left alone where no folder is chosen, the player thinks better of it, or may not be asked', async () => {
    await backUpWhenDue(settings);
    vi.stubGlobal('showDirectoryPicker', () => Promise.reject(new DOMException('', 'AbortError')));
    expect(await chooseFolder(settings)).toBeUndefined();
    expect(await folderName()).toBeUndefined();
    vi.stubGlobal('showDirectoryPicker', () => Promise.resolve(folder));
    await chooseFolder(settings);
    folder.permission = 'prompt';
    vi.setSystemTime(Date.now() + 2 * DAY_MS);
    await backUpWhenDue(settings);
    expect(folder.written).toBe(1);
  });

  it('that fails says why, and is tried again with the next take', async () => {
    await chooseFolder(settings);
    vi.setSystemTime(Date.now() + 2 * DAY_MS);
    folder.fails = true;
    await expect(backUpWhenDue(settings)).rejects.toThrow('the disk is full');
    folder.fails = false;
    await backUpWhenDue(settings);
    expect(folder.written).toBe(2);
  });

  it('is not begun by a second page while one is at it', async () => {
    await chooseFolder(settings);
    vi.setSystemTime(Date.now() + 2 * DAY_MS);
    const locks = { request: (_: string, __: object, work: (lock: null) => unknown) => Promise.resolve(work(null)) };
    vi.stubGlobal('navigator', { locks });
    await backUpWhenDue(settings);
    expect(folder.written).toBe(1);
  });
});
