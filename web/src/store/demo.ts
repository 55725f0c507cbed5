import type { WholeTake } from '@inner-hum/core/take';
import { addDays, differenceInCalendarDays, subDays } from 'date-fns';
import { store } from '.';
import { demoComes } from './notices';
import { settingsChanged } from './settings';
import { backupService } from '../db/backup';
import { hasTakes, mergeTakes } from '../db/takes';
import { dayOf } from '../base/days';
import { HOME } from '../base/home';
import type { GearItem } from '../db/settings/gear';
import type { Settings } from '../db/settings/settings';

/** Whether the address asks for the demo data (?demo). */
export function asksForDemo(): boolean {
  return new URL(location.href).searchParams.has('demo');
}

/** Opens the demo data when the address asks for it and nothing has been played here yet. */
export async function openDemo(): Promise<void> {
  if (!asksForDemo()) return;
  if (!(await hasTakes())) {
    store.dispatch(demoComes(true));
    store.dispatch(settingsChanged({ source: 'standIn', ...demoSettings() }));
    try {
      const response = await fetch(`${HOME}demo/season.zip`);
      const backup = await backupService().read(new Uint8Array(await response.arrayBuffer()));
      if (backup.kind === 'read') await mergeTakes(backup.takes.map(movedTo(backup.takes)));
    } finally {
      store.dispatch(demoComes(false));
    }
  }
  const address = new URL(location.href);
  address.searchParams.delete('demo');
  history.replaceState(null, '', address);
}

/** What the player of the demo has said: reeds, mouthpieces, rooms, and the show that wants soft low entries. */
function demoSettings(): Partial<Settings> {
  const reed = (name: string, instrumentId: 'alto' | 'baritoneLowA', strength: string): GearItem => ({
    part: 'reed',
    name,
    instrumentId,
    cut: 'plain',
    strength,
    openedOn: dayOf(subDays(new Date(), 58)),
  });
  const horns = ['alto', 'baritoneLowA'] as const;
  return {
    gear: [
      ...horns.flatMap((horn) => [reed('first', horn, '2½'), reed('second', horn, '3'), reed('third', horn, '2½')]),
      { part: 'mouthpiece', name: 'own', instrumentId: 'alto' },
      { part: 'mouthpiece', name: 'borrowed', instrumentId: 'baritoneLowA' },
      { part: 'room', name: 'kitchen' },
      { part: 'room', name: 'band room' },
    ],
    fitted: {
      alto: { reed: 'first', mouthpiece: 'own' },
      baritoneLowA: { reed: 'first', mouthpiece: 'borrowed' },
    },
    room: 'kitchen',
    level: 'home',
    practices: ['longTones', 'lowStarts', 'swells', 'descents', 'overtones', 'scales'],
    askedOn: dayOf(subDays(new Date(), 58)),
    goals: horns.map((instrumentId) => ({
      kind: 'softLowEntry',
      instrumentId,
      midi: instrumentId === 'alto' ? 58 : 57,
      by: dayOf(addDays(new Date(), 12)),
    })),
  };
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
