import { store } from '.';
import { noticed } from './notices';
import { settingsLoaded } from './settings';
import {
  changedParts,
  loadSettings,
  onStoredSettings,
  storeChanges,
  storedSettings,
} from '../db/settings/storedSettings';
import { leaveOver, storeLeftOver } from '../db/settings/leftOver';
import { detailOf } from '../base/detailOf';
import type { Settings } from '../db/settings/settings';

/**
 * Loads the settings and from then on keeps the store and the database the same: only what changed here is written, what
 * another page changed is taken over, and a change that could not be written is told and written with the next one. What
 * a page that goes had no time to write, the next one writes.
 */
export async function keepSettings(): Promise<void> {
  await storeLeftOver();
  const { settings: first, aside } = await loadSettings();
  store.dispatch(settingsLoaded(first));
  if (aside.length > 0)
    store.dispatch(
      noticed({
        key: 'app.settingsAside',
        values: { count: aside.length, parts: partsOf(aside.map((setAside) => setAside.path)) },
      }),
    );
  /** What the database holds as far as this page knows. */
  let stored = first;
  let pending: Partial<Settings> = {};
  /** what it held before the first change that is pending */
  let before = first;
  let onTheWay: Partial<Settings> = {};
  let writing = Promise.resolve();
  store.subscribe(() => {
    const { settings } = store.getState();
    const changes = changedParts(stored, settings);
    if (Object.keys(changes).length === 0) return;
    if (Object.keys(pending).length === 0) before = stored;
    stored = settings;
    pending = { ...pending, ...changes };
    writing = writing.then(write);
  });
  async function write(): Promise<void> {
    const changes = pending;
    const known = before;
    if (Object.keys(changes).length === 0) return;
    pending = {};
    onTheWay = changes;
    try {
      await storeChanges(changes, known);
    } catch (error) {
      pending = { ...changes, ...pending };
      before = known;
      store.dispatch(noticed({ key: 'app.settingsNotStored', values: { detail: detailOf(error) } }));
    } finally {
      onTheWay = {};
    }
  }
  window.addEventListener('pagehide', () => leaveOver({ ...onTheWay, ...pending }));
  // Taken over in line with our own writes: what the database held before one of them must not undo it here.
  onStoredSettings(() => void (writing = writing.then(takeOver)));
  async function takeOver(): Promise<void> {
    const theirs = await storedSettings().catch(() => undefined); // the next change is read again
    if (!theirs || Object.keys(pending).length > 0) return;
    const { settings } = store.getState();
    const other = Object.fromEntries(
      Object.entries(changedParts(settings, theirs)).filter(
        ([name, value]) => JSON.stringify(value) !== JSON.stringify(settings[name as keyof Settings]),
      ),
    );
    if (Object.keys(other).length === 0) return;
    stored = { ...settings, ...other };
    store.dispatch(settingsLoaded(stored));
  }
}

/** Names of the parts, each once: "goals, rulers". */
function partsOf(paths: readonly string[]): string {
  return [...new Set(paths.map((path) => path.split(/[.[]/)[0]))].join(', ');
}
