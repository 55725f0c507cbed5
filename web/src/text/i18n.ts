import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import type { Catalogue } from './catalogue';
import type { Language } from '../base/languages';

/** Each catalogue is loaded when its language is wanted, and only then. */
const CATALOGUES: Readonly<Record<Language, () => Promise<Catalogue>>> = {
  en: async () => (await import('./en')).en,
  de: async () => (await import('./de')).de,
  fr: async () => (await import('./fr')).fr,
  it: async () => (await import('./it')).it,
  es: async () => (await import('./es')).es,
};

void i18next.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: false,
  resources: {},
  interpolation: { escapeValue: false },
  initAsync: false,
});

/** Speaks a language from now on, its catalogue loaded first. Rejects when that can't be had; the one before then stays. */
export async function speak(language: Language): Promise<void> {
  if (!i18next.hasResourceBundle(language, 'translation'))
    i18next.addResourceBundle(language, 'translation', await CATALOGUES[language]());
  await i18next.changeLanguage(language);
}

export { i18next };
