import { store } from '.';
import { noticed, noticeDismissed, type Said } from './notices';
import { inverseOf, type ListChange } from './lists';
import { listsChanged, settingsChanged } from './settings';
import { removeFromShelf } from '../db/shelf';
import { removeStudent } from '../db/students';
import { removeTake, restoreTake } from '../db/takes';
import { detailOf } from '../base/detailOf';
import type { RunningSession } from '../db/settings/session';

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

/** Takes a recording off the shelf and offers the undo. */
export async function deleteFromShelf(id: string, name: string): Promise<void> {
  try {
    const restore = await removeFromShelf(id);
    if (restore) deletionTold({ key: 'exercise.removed', values: { name } }, restore);
  } catch (error) {
    store.dispatch(noticed({ key: 'app.notDeleted', values: { detail: detailOf(error) } }));
  }
}

/** Removes entries of lists and offers to have them back; what came since stays. */
export function deleteEntries(changes: readonly ListChange[], said: Said): void {
  const undo = inverseOf(store.getState().settings, changes);
  store.dispatch(listsChanged(changes));
  deletionTold(said, () => void store.dispatch(listsChanged(undo)));
}

/** Begins another session and offers to have the one before back, as long as nothing of the new one was played. */
export function replaceSession(session: RunningSession, said: Said): void {
  const { session: before } = store.getState().settings;
  store.dispatch(settingsChanged({ session }));
  if (!before) return;
  deletionTold(said, () => {
    const untouched = store.getState().settings.session === session;
    store.dispatch(untouched ? settingsChanged({ session: before }) : noticed({ key: 'routines.underWay' }));
  });
}
