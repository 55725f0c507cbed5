import type { WholeTake } from '@inner-hum/core/formats';
import { keepTake, removeTake } from '../db/takes';
import { i18next } from '../i18n';
import { store } from '../store';
import { noticed, noticeDismissed } from '../store/notices';

const removed = new Map<string, WholeTake>();

/** Deletes a take and offers the undo. */
export async function deleteTake(id: string): Promise<void> {
  const take = await removeTake(id);
  if (!take) return;
  removed.set(id, take);
  store.dispatch(noticed({ text: i18next.t('take.deleted'), undoTakeId: id }));
}

export async function undoDelete(id: string): Promise<void> {
  const take = removed.get(id);
  if (take) await keepTake(take);
  removed.delete(id);
  store.dispatch(noticeDismissed());
}
