import { format } from 'date-fns';

/** A number with a true minus sign and a fixed number of decimals. */
export function formatNumber(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}

/** The same with a plus for what is above 0. */
export function formatSigned(value: number, decimals: number): string {
  const text = formatNumber(value, decimals);
  return value > 0 && Number(text) !== 0 ? `+${text}` : text;
}

/** The day of a moment in the player's own zone, as yyyy-mm-dd. */
export function dayOf(moment: Date): string {
  return format(moment, 'yyyy-MM-dd');
}

/** When a take was played, as those who look back need it. */
export function whenOf(startedAt: string): { readonly startedAtMs: number; readonly day: string } {
  const moment = new Date(startedAt);
  return { startedAtMs: moment.getTime(), day: dayOf(moment) };
}
