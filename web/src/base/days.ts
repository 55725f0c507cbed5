import { formatISO } from 'date-fns';

/** The day of a moment in the player's own zone, as yyyy-mm-dd. */
export function dayOf(moment: Date): string {
  return formatISO(moment, { representation: 'date' });
}

/** Noon of a day, yyyy-mm-dd, in the player's own zone: no change of the clock puts it on another day. */
export function noonOf(day: string): Date {
  return new Date(`${day}T12:00`);
}

/** When a take was played, as those who look back need it. */
export function whenOf(startedAt: string): { readonly startedAtMs: number; readonly day: string } {
  const moment = new Date(startedAt);
  return { startedAtMs: moment.getTime(), day: dayOf(moment) };
}
