import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import type { Catalogue } from './catalogue';
import type { Language } from '../base/languages';

/** What the first screen says, of each language. */
const FIRST: Readonly<Record<Language, () => Promise<Catalogue>>> = {
  en: async () => (await import('./en/first')).firstWords,
  de: async () => (await import('./de/first')).firstWords,
  fr: async () => (await import('./fr/first')).firstWords,
  it: async () => (await import('./it/first')).firstWords,
  es: async () => (await import('./es/first')).firstWords,
};

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

const add = (language: Language, words: Catalogue) =>
  i18next.addResourceBundle(language, 'translation', words, true, true);
/** Whether all words of a language are here, known by one that the first screen does not say. */
const isWhole = (language: Language) => i18next.exists('log.title', { lng: language, fallbackLng: language });

/** Loads a catalogue; what was noted of a missing text before gives way to its words. */
async function load(language: Language): Promise<void> {
  if (!isWhole(language)) add(language, await CATALOGUES[language]());
}

let chosen: () => void;
/** Kept once it was tried to speak a language: until then nobody has said which. */
const languageChosen = new Promise<void>((resolve) => (chosen = resolve));

/** Speaks a language from now on, its words loaded first. Rejects when these can't be had; the one before then stays. */
async function speakOnce(language: Language, words: Promise<void>): Promise<void> {
  try {
    await words;
    await i18next.changeLanguage(language);
  } finally {
    chosen();
  }
}

/** The same with the whole catalogue. */
export const speak = (language: Language) => speakOnce(language, load(language));

/** The same with the words of the first screen alone; {@link withAllWords} loads the others. */
export const speakFirst = (language: Language) =>
  speakOnce(
    language,
    isWhole(language) ? Promise.resolve() : FIRST[language]().then((words) => void add(language, words)),
  );

/** Has the words of the first screen fetched, and speaks none of them. */
export const fetchFirst = (language: Language) => FIRST[language]();

/** A place, once all words of what is spoken are there: it says more than the first screen. Where they can't be had, English. */
export async function withAllWords<Place>(place: Promise<Place>): Promise<Place> {
  const [loaded] = await Promise.all([
    place,
    languageChosen.then(() => load(i18next.language as Language)).catch(() => load('en').catch(() => undefined)),
  ]);
  return loaded;
}

export { i18next };
