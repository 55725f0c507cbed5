import { i18next } from '../text/i18n';
import { store } from '.';
import { noticed, noticeDismissed } from './notices';
import { settingsChanged, type Settings } from './settings';
import { removeTake, restoreTake } from '../db/takes';
import { detailOf } from '../base/detailOf';

interface Undo {
  readonly text: string;
  readonly run: () => unknown;
}

/** What was deleted since the page was opened, the latest last. */
const deleted: Undo[] = [];

/** Tells of a deletion and offers to undo it; each can be undone, one after the other, until the page is left. */
export function deletionTold(text: string, run: Undo['run']): void {
  deleted.push({ text, run });
  store.dispatch(noticed({ text, undos: deleted.length }));
}

/** Undoes the latest deletion and offers the one before it. */
export async function undoLast(): Promise<void> {
  const last = deleted.pop();
  store.dispatch(noticeDismissed());
  try {
    await last?.run();
  } catch (error) {
    if (last) deleted.push(last);
    store.dispatch(noticed({ text: i18next.t('app.undoFailed', { detail: detailOf(error) }) }));
    return;
  }
  const before = deleted.at(-1);
  if (before) store.dispatch(noticed({ text: before.text, undos: deleted.length }));
}

/** Puts a take into the bin and offers the undo. */
export async function deleteTake(id: string): Promise<void> {
  try {
    if (await removeTake(id)) deletionTold(i18next.t('take.deleted'), () => restoreTake(id));
  } catch (error) {
    store.dispatch(noticed({ text: i18next.t('app.notDeleted', { detail: detailOf(error) }) }));
  }
}

/** Changes settings so that something is gone, and offers to have it back. */
export function deleteFromSettings(changes: Partial<Settings>, text: string): void {
  const { settings } = store.getState();
  const before = Object.fromEntries(Object.keys(changes).map((name) => [name, settings[name as keyof Settings]]));
  store.dispatch(settingsChanged(changes));
  deletionTold(text, () => void store.dispatch(settingsChanged(before)));
}
