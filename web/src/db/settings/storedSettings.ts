import { liveQuery } from 'dexie';
import { database } from '../database';
import { entryChanges, isList, LISTS, listsTogether } from './entries';
import { readSettings, type ReadSettings, type SetAside } from './readSettings';
import type { Settings } from './settings';

const KEY = 'settings';
/** Where parts go that can't be understood, the newest last. */
const ASIDE_KEY = 'settingsAside';
/** So many set-aside parts are kept. */
const MOST_ASIDE = 200;

/**
 * Stored settings over the first ones, and what of them can't be understood and was not put aside before. It is put aside
 * as it was; the stored row keeps it too, since a newer version may have written it.
 */
export async function loadSettings(): Promise<ReadSettings> {
  return database.transaction('rw', [database.settings, database.entries], async () => {
    const { settings, aside } = readSettings(await storedValue());
    return { settings, aside: await putAside(aside) };
  });
}

/** The settings as they are stored, lists and all; undefined before any were. */
async function storedValue(): Promise<unknown> {
  const [row, entries] = await Promise.all([database.settings.get(KEY), database.entries.toArray()]);
  return listsTogether(row?.value, entries);
}

/** What was set aside of settings so far, oldest first. */
export async function setAside(): Promise<readonly SetAside[]> {
  const value = (await database.settings.get(ASIDE_KEY))?.value;
  return Array.isArray(value) ? (value as SetAside[]) : [];
}

/** Forgets what was set aside; in the stored row the values in use take its place. */
export async function forgetSetAside(): Promise<void> {
  await database.transaction('rw', [database.settings, database.entries], async () => {
    const { settings, aside } = readSettings(await storedValue());
    const names = new Set(aside.map(({ path }) => path.split(/[.[]/)[0]));
    await storeChanges(Object.fromEntries(Object.entries(settings).filter(([name]) => names.has(name))));
    await database.settings.delete(ASIDE_KEY);
  });
}

/** Gives those that were not there before. */
async function putAside(parts: readonly SetAside[]): Promise<readonly SetAside[]> {
  const before = await setAside();
  const known = new Set(before.map((part) => JSON.stringify(part)));
  const fresh = parts.filter((part) => !known.has(JSON.stringify(part)));
  if (fresh.length > 0)
    await database.settings.put({ name: ASIDE_KEY, value: [...before, ...fresh].slice(-MOST_ASIDE) });
  return fresh;
}

/**
 * Stores what changed and leaves the rest as it is there: another page may have changed that.
 *
 * @param before the settings as the caller knew them: of lists only what it took away goes; without it they become what
 * is given
 */
export async function storeChanges(changes: Partial<Settings>, before?: Settings): Promise<void> {
  await database.transaction('rw', [database.settings, database.entries], async () => {
    const value = (await database.settings.get(KEY))?.value;
    const stored = typeof value === 'object' && !Array.isArray(value) ? value : undefined;
    // A list that is given here lies in rows of its own from now on.
    const row = Object.entries({ ...stored, ...changes }).filter(([name]) => !(isList(name) && name in changes));
    await database.settings.put({ name: KEY, value: Object.fromEntries(row) });
    for (const list of LISTS) {
      const after = changes[list];
      if (!Array.isArray(after)) continue;
      const rows = await database.entries.where('list').equals(list).toArray();
      const { gone, put } = entryChanges(list, rows, before?.[list], after);
      await database.entries.bulkDelete([...gone]);
      await database.entries.bulkPut(put);
    }
  });
}

/** The top-level settings that differ. */
export function changedParts(before: Settings, after: Settings): Partial<Settings> {
  return Object.fromEntries(Object.entries(after).filter(([name, value]) => before[name as keyof Settings] !== value));
}

/** The settings as the database holds them; undefined before any were stored. */
export async function storedSettings(): Promise<Settings | undefined> {
  const value = await storedValue();
  return value === undefined ? undefined : readSettings(value).settings;
}

/** Calls back whenever the stored settings change, in this page or another; gives what ends it. */
export function onStoredSettings(call: () => void): () => void {
  const subscription = liveQuery(storedValue).subscribe({
    next: call,
    error: () => undefined, // the failed reading is told where it is asked for
  });
  return () => subscription.unsubscribe();
}
