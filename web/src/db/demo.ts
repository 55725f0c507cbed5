import type { WholeTake } from '@inner-hum/core/formats';
import { addDays, differenceInCalendarDays } from 'date-fns';
import { store } from '../store';
import { settingsChanged } from '../store/settings';
import { database } from './database';
import { mergeTakes } from './takes';

/** Opens the demo data when the address asks for it (?demo) and nothing has been played here yet. */
export async function openDemo(): Promise<void> {
  const address = new URL(location.href);
  if (!address.searchParams.has('demo')) return;
  address.searchParams.delete('demo');
  history.replaceState(null, '', address);
  if ((await database.takes.count()) > 0) return;
  store.dispatch(settingsChanged({ source: 'standIn' }));
  const { readBackup } = await import('@inner-hum/core/formats');
  const response = await fetch('/demo/season.json');
  const backup = readBackup(await response.text());
  if (backup.kind === 'read') await mergeTakes(backup.takes.map(movedTo(backup.takes)));
}

/** Moves the season by whole days, so that its last evening was yesterday. */
function movedTo(takes: readonly WholeTake[]): (take: WholeTake) => WholeTake {
  const last =
    takes
      .map((take) => take.record.startedAt)
      .sort()
      .at(-1) ?? '';
  const days = differenceInCalendarDays(new Date(), new Date(last)) - 1;
  return ({ record, ...rest }) => ({
    ...rest,
    record: { ...record, startedAt: addDays(new Date(record.startedAt), days).toISOString() },
  });
}
