import type { en } from './en';

/** The words of a language: what it lacks is said in English. Its own plural forms may stand beside those of English. */
type Translated<Words> = {
  readonly [Key in keyof Words]?: Words[Key] extends string ? string : Translated<Words[Key]>;
};

export type Catalogue = Translated<typeof en>;
