/** 1 January 1970 was the fourth day of its week. */
const FIRST_WEEKDAY = 3;

/** Days since 1970 of a day written yyyy-mm-dd. Source: days-from-civil, H. Hinnant 2013. */
export function dayNumber(day: string): number {
  const [year = 1970, month = 1, date = 1] = day.split('-').map(Number);
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const ofEra = y - 400 * era;
  const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + date - 1;
  return era * 146_097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468;
}

/** Weeks since 1970 of a day written yyyy-mm-dd; a week begins on Monday. */
export function weekNumber(day: string): number {
  return Math.floor((dayNumber(day) + FIRST_WEEKDAY) / 7);
}
