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
  fallbackLng: 'en',
  resources: {},
  // Of what a language lacks we are told; the page shows English as soon as that is here.
  saveMissing: true,
  react: { bindI18nStore: 'added' },
  interpolation: { escapeValue: false },
  initAsync: false,
});

i18next.on('missingKey', () => void load('en').catch(() => undefined)); // without it a key stands for its words

/** Loads a catalogue; what was noted of a missing text before gives way to its words. */
async function load(language: Language): Promise<void> {
  if (!i18next.exists('app.name', { lng: language, fallbackLng: language }))
    i18next.addResourceBundle(language, 'translation', await CATALOGUES[language](), true, true);
}

/** Speaks a language from now on, its catalogue loaded first. Rejects when that can't be had; the one before then stays. */
export async function speak(language: Language): Promise<void> {
  await load(language);
  await i18next.changeLanguage(language);
}

export { i18next };
