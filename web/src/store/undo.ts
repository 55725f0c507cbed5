import { store } from '.';
import { noticed, noticeDismissed, type Said } from './notices';
import { settingsChanged } from './settings';
import { removeStudent } from '../db/students';
import { removeTake, restoreTake } from '../db/takes';
import { detailOf } from '../base/detailOf';
import type { Settings } from '../db/settings/settings';

interface Undo {
  readonly said: Said;
  readonly run: () => unknown;
}

/** What was deleted since the page was opened, the latest last. */
const deleted: Undo[] = [];

/** Tells of a deletion and offers to undo it; each can be undone, one after the other, until the page is left. */
function deletionTold(said: Said, run: Undo['run']): void {
  deleted.push({ said, run });
  store.dispatch(noticed({ ...said, undos: deleted.length }));
}

/** Undoes the latest deletion and offers the one before it. */
export async function undoLast(): Promise<void> {
  const last = deleted.pop();
  store.dispatch(noticeDismissed());
  try {
    await last?.run();
  } catch (error) {
    if (last) deleted.push(last);
    store.dispatch(noticed({ key: 'app.undoFailed', values: { detail: detailOf(error) } }));
    return;
  }
  const before = deleted.at(-1);
  if (before) store.dispatch(noticed({ ...before.said, undos: deleted.length }));
}

/** Puts a take into the bin and offers the undo. */
export async function deleteTake(id: string): Promise<void> {
  try {
    if (await removeTake(id)) deletionTold({ key: 'take.deleted' }, () => restoreTake(id));
  } catch (error) {
    store.dispatch(noticed({ key: 'app.notDeleted', values: { detail: detailOf(error) } }));
  }
}

/** Removes what a student gave and offers the undo. */
export async function deleteStudent(id: string, name: string): Promise<void> {
  try {
    const restore = await removeStudent(id);
    if (restore) deletionTold({ key: 'exercise.removed', values: { name } }, restore);
  } catch (error) {
    store.dispatch(noticed({ key: 'app.notDeleted', values: { detail: detailOf(error) } }));
  }
}

/** Changes settings so that something is gone, and offers to have it back. */
export function deleteFromSettings(changes: Partial<Settings>, said: Said): void {
  const { settings } = store.getState();
  const before = Object.fromEntries(Object.keys(changes).map((name) => [name, settings[name as keyof Settings]]));
  store.dispatch(settingsChanged(changes));
  deletionTold(said, () => void store.dispatch(settingsChanged(before)));
}
