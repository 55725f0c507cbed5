const MONTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
/** Nobody practised before, and no goal lies farther away: what is written so is a slip. */
const YEARS = { from: 1900, to: 2200 } as const;

/** Whether a value is a day that there is, written yyyy-mm-dd, from 1900 to 2200. */
export function isDay(value: unknown): value is string {
  if (typeof value !== 'string' || !/^\d{4}-\d\d-\d\d$/.test(value)) return false;
  const [year, month, date] = value.split('-').map(Number) as [number, number, number];
  if (year < YEARS.from || year > YEARS.to || month < 1 || month > 12) return false;
  const leaps = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  return date >= 1 && date <= MONTHS[month - 1]! + (leaps && month === 2 ? 1 : 0);
}
