import { storeChanges } from './storedSettings';
import type { Settings } from './settings';

/** Where changes wait that a closed page had no time to store: a database takes longer than a page has when it goes. */
const KEY = 'inner-hum changes of a closed page';

/** Puts changes away at once, to be stored by the next page; with none, nothing waits any more. */
export function leaveOver(changes: Partial<Settings>): void {
  try {
    if (Object.keys(changes).length > 0) localStorage.setItem(KEY, JSON.stringify(changes));
    else localStorage.removeItem(KEY);
  } catch {
    // No room, or no such storage here: the database has been asked all the same.
  }
}

/**
 * Stores what the page before this one had no time for; whatever it holds is read like any stored setting. Where that
 * fails it waits for the page after this one, and the settings are read all the same. Never rejects.
 */
export async function storeLeftOver(): Promise<void> {
  try {
    await storeIt();
  } catch {
    // No such storage here, or no room in the database: it waits on.
  }
}

async function storeIt(): Promise<void> {
  const text = localStorage.getItem(KEY);
  if (text === null) return;
  let changes: unknown;
  try {
    changes = JSON.parse(text);
  } catch {
    changes = undefined; // cut short as it was written: there is nothing to read in it
  }
  if (typeof changes === 'object' && changes !== null && !Array.isArray(changes)) await storeChanges(changes);
  localStorage.removeItem(KEY);
}
