/** A library or font that ships with the application; `web/licences.ts` puts them into the build. */
export interface Licence {
  readonly name: string;
  readonly version: string;
  /** short name of its licence, as the package gives it */
  readonly licence: string;
  /** whole text of its licence, empty where the package has none with it */
  readonly text: string;
}
