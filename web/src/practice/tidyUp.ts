import type { WholeTake } from '@inner-hum/core/take';
import { detailOf } from '../base/detailOf';
import { backUpWhenDue } from '../db/autoBackup';
import type { Settings } from '../db/settings/settings';
import { keepWithinBudget } from '../db/soundBudget';
import type { Kept } from '../db/takes';
import { store } from '../store';
import { noticed } from '../store/notices';

/** What follows a kept take in the background: sound within its budget, a promise of storage, the day's backup. */
export async function tidyUp(settings: Settings): Promise<void> {
  await keepWithinBudget(1e6 * settings.soundBudgetMb, settings.pinned);
  await (navigator as Partial<Navigator>).storage?.persist();
  await backUpWhenDue(settings);
}

/** Tells where a take could not be kept with all its sound, or cost another's. */
export function tellKept({ sound }: WholeTake, { soundKept, dropped }: Kept): void {
  const lost = sound !== undefined && !soundKept;
  if (dropped === 0 && !lost) return;
  const what = lost ? (dropped > 0 ? 'both' : 'own') : 'older';
  store.dispatch(noticed({ key: `stand.noRoom.${what}`, values: { count: dropped } }));
}

export function tellUntidy(error: unknown): void {
  store.dispatch(noticed({ key: 'stand.untidy', values: { detail: detailOf(error) } }));
}
