import type { en } from './en';

/** The same keys with the words of another language. */
export type Translated<Words> = {
  readonly [Key in keyof Words]: Words[Key] extends string ? string : Translated<Words[Key]>;
};

/** All interface text of a language: every key that English has, none besides. */
export type Catalogue = Translated<typeof en>;
