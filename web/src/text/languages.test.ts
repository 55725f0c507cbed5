import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { NOTE_NAME_SYSTEMS } from '@inner-hum/core/theory';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { LANGUAGE_IDS, LANGUAGES, languageFor, type Language } from '../base/languages';
import { de } from './de';
import { en } from './en';
import { es } from './es';
import { formatDate, formatNumber, formatSigned } from './format';
import { fr } from './fr';
import { i18next, speak } from './i18n';
import { it as italian } from './it';

const CATALOGUES = { de, fr, it: italian, es } as const;
const others = Object.entries(CATALOGUES) as [Exclude<Language, 'en'>, typeof de][];

function entries(node: object, path = ''): [string, string][] {
  return Object.entries(node).flatMap(([key, value]: [string, unknown]) =>
    typeof value === 'string'
      ? [[`${path}${key}`, value] as [string, string]]
      : entries(value as object, `${path}${key}.`),
  );
}
const blanksOf = (text: string) => [...text.matchAll(/\{\{(\w+)\}\}/g)].map(([, name]) => name!).sort();
const english = new Map(entries(en));

/** A key without the ending of its plural form. */
const PLURAL = /_(zero|one|two|few|many|other)$/;
const stemOf = (key: string) => key.replace(PLURAL, '');
const plurals = new Set([...english.keys()].filter((key) => PLURAL.test(key)).map(stemOf));

describe.each(others)('the catalogue in %s', (language, catalogue) => {
  const words = new Map(entries(catalogue));
  const stems = new Set([...words.keys()].map(stemOf));
  const lacks = [...new Set([...english.keys()].map(stemOf))].filter((key) => !stems.has(key));
  // What it lacks is no fault: the page says it in English, and this line says it to who translates.
  it(`lacks ${lacks.length} texts ${lacks.join(', ')}`, () => expect(lacks.length).toBeLessThan(english.size / 2));
  it('has nothing that English has not', () => {
    const known = new Set([...english.keys()].map(stemOf));
    expect(
      [...words.keys()].filter((key) => !english.has(key) && !(PLURAL.test(key) && known.has(stemOf(key)))),
    ).toEqual([]);
  });
  it('has the plural forms of its own rules', () => {
    // A form for numbers from a million on is never said here.
    const forms = new Intl.PluralRules(language).resolvedOptions().pluralCategories.filter((form) => form !== 'many');
    const needs = ['fr', 'it', 'es'].includes(language)
      ? forms
      : new Intl.PluralRules(language).resolvedOptions().pluralCategories;
    const without = [...plurals].filter(
      (stem) => stems.has(stem) && needs.some((form) => !words.has(`${stem}_${form}`)),
    );
    expect(without).toEqual([]);
  });
  it('has the blanks that English has', () => {
    // A plural form may say its number in a word.
    const asked = (key: string, text: string) =>
      blanksOf(text).filter((name) => !(name === 'count' && PLURAL.test(key)));
    const differ = [...words].filter(
      ([key, text]) =>
        `${asked(key, text)}` !== `${asked(key, english.get(key) ?? english.get(`${stemOf(key)}_other`)!)}`,
    );
    expect(differ.map(([key]) => key)).toEqual([]);
  });
  it('is not left in English', () => {
    const same = [...english].filter(
      ([key, text]) => words.get(key) === text && /[a-z]{4,} [a-z]{3,} [a-z]/.test(text),
    );
    expect(same.map(([key]) => key)).toEqual([]);
  });
});

describe('keys', () => {
  const sources = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) return /text\/(en|de|fr|it|es)$/.test(path) ? [] : sources(path);
      return /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name) ? [readFileSync(path, 'utf8')] : [];
    });
  it('none is there that nothing says', () => {
    const code = sources('web/src').join('\n');
    const whole = new Set([...code.matchAll(/'([\w.]+)'/g)].map(([, text]) => text!));
    const patterns = [...code.matchAll(/`([\w.]+\.(?:\$\{[^}]*\}[\w.]*)+)`/g)].map(
      ([, text]) =>
        new RegExp(
          `^${text!.replace(/\./g, '\\.').replace(/\\\.?\$\{[^}]*\}|\$\{[^}]*\}/g, (blank) => (blank.startsWith('\\') ? '\\.' : '') + '[\\w.]+')}$`,
        ),
    );
    const said = (key: string) => whole.has(key) || patterns.some((pattern) => pattern.test(key));
    const unsaid = [...english.keys()].filter((key) => {
      const bare = key.replace(/_\w+$/, '');
      return !said(key) && !said(bare);
    });
    expect(unsaid).toEqual([]);
  });
});

describe('a language', () => {
  afterEach(() => speak('en'));
  it.each([
    [['de-AT', 'en'], 'de'],
    [['nl', 'fr-CA'], 'fr'],
    [['xx'], 'en'],
    [[], 'en'],
  ] as const)('for readers of %j is %s', (wanted, language) => expect(languageFor(wanted)).toBe(language));
  it('says in English what it lacks', async () => {
    await speak('it');
    for (const language of ['en', 'it']) i18next.removeResourceBundle(language, 'translation');
    i18next.addResourceBundle('it', 'translation', { ...italian, log: { ...italian.log, empty: undefined } });
    expect(i18next.t('log.title')).toBe(italian.log?.title);
    await vi.waitFor(() => expect(i18next.t('log.empty')).toBe(en.log.empty));
    i18next.removeResourceBundle('it', 'translation');
  });
  it('has note names of its own', () => {
    for (const id of LANGUAGE_IDS) expect(NOTE_NAME_SYSTEMS).toContain(LANGUAGES[id].noteNames);
  });
  it('is spoken once it is loaded, with its plurals, numbers and dates', async () => {
    await speak('de');
    expect(i18next.t('log.takes', { count: 1 })).toBe('1 Take');
    expect(i18next.t('log.takes', { count: 3 })).toBe('3 Takes');
    expect([formatNumber(-3.25, 1), formatSigned(1234.5, 1)]).toEqual(['−3,3', '+1234,5']);
    expect(formatDate(new Date(2026, 10, 3, 18, 20), 'momentOfYear')).toBe('3. Nov. 2026, 18:20');
    await speak('fr');
    expect(i18next.t('today.tries', { count: 1 })).toBe('une fois');
    expect(formatDate(new Date(2026, 10, 3), 'weekday')).toBe('mardi');
    await speak('it');
    expect(i18next.t('log.takes', { count: 2 })).toBe('2 riprese');
    await speak('es');
    expect(i18next.t('log.takes', { count: 2 })).toBe('2 tomas');
  });
});
