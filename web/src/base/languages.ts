import type { NoteNameSystem } from '@inner-hum/core/theory';

/** The languages of the interface, each with its own name for itself and the note names that are usual in it. */
export const LANGUAGES = {
  en: { name: 'English', locale: 'en-GB', noteNames: 'english' },
  de: { name: 'Deutsch', locale: 'de', noteNames: 'german' },
  fr: { name: 'Français', locale: 'fr', noteNames: 'french' },
  it: { name: 'Italiano', locale: 'it', noteNames: 'italian' },
  es: { name: 'Español', locale: 'es', noteNames: 'fixedDo' },
} as const satisfies Readonly<
  Record<string, { readonly name: string; readonly locale: string; readonly noteNames: NoteNameSystem }>
>;

export type Language = keyof typeof LANGUAGES;
export const LANGUAGE_IDS = Object.keys(LANGUAGES) as Language[];

/** The first of a reader's languages that the interface is written in, such as 'de' for ['nl', 'de-AT']; else English. */
export function languageFor(wanted: readonly string[]): Language {
  const ids: readonly string[] = wanted.map((tag) => tag.toLowerCase().split('-')[0]!);
  return (ids.find((id) => id in LANGUAGES) as Language | undefined) ?? 'en';
}
