import { i18next } from './i18n';
import { LANGUAGES, type Language } from '../base/languages';

/** Numbers and dates are written as in the language that is spoken. */
const locale = () => LANGUAGES[i18next.language as Language].locale;

/** Made once each: to make one takes longer than to use it many times. */
const made = new Map<string, Intl.NumberFormat | Intl.DateTimeFormat>();
function once<Format extends Intl.NumberFormat | Intl.DateTimeFormat>(key: string, make: () => Format): Format {
  const found = made.get(key) as Format | undefined;
  if (found) return found;
  const format = make();
  made.set(key, format);
  return format;
}

/** A number with a true minus sign and a fixed number of decimals. */
export function formatNumber(value: number, decimals: number): string {
  const numbers = once(
    `${locale()} ${decimals}`,
    () =>
      new Intl.NumberFormat(locale(), {
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
        useGrouping: false,
      }),
  );
  const text = numbers.format(Math.abs(value));
  return value < 0 && /[1-9]/.test(text) ? `−${text}` : text;
}

/** The same with a plus for what is above 0. */
export function formatSigned(value: number, decimals: number): string {
  const text = formatNumber(value, decimals);
  return value > 0 && /[1-9]/.test(text) ? `+${text}` : text;
}

/** How a date can be written. */
const DATES = {
  day: { day: 'numeric', month: 'short' },
  dayOfYear: { day: 'numeric', month: 'short', year: 'numeric' },
  moment: { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  momentOfYear: { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' },
  long: { day: 'numeric', month: 'long', year: 'numeric' },
  weekdayAndDay: { weekday: 'long', day: 'numeric', month: 'long' },
  weekdayAndYear: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  weekday: { weekday: 'long' },
  weekdayShort: { weekday: 'short' },
  weekdayLetter: { weekday: 'narrow' },
  time: { hour: '2-digit', minute: '2-digit' },
} as const satisfies Readonly<Record<string, Intl.DateTimeFormatOptions>>;

/** A moment in the player's own zone, written as the language does. */
export function formatDate(moment: Date | number, kind: keyof typeof DATES): string {
  return once(`${locale()} ${kind}`, () => new Intl.DateTimeFormat(locale(), DATES[kind])).format(moment);
}

/** The name of a day of the week, counted from Monday. */
export function weekdayName(day: number, kind: 'weekday' | 'weekdayShort'): string {
  return formatDate(new Date(2024, 0, 1 + day), kind);
}
