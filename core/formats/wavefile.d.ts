declare module 'wavefile/dist/wavefile.js' {
  import type * as wavefile from 'wavefile';
  /** The CommonJS build, which Node and bundlers read alike. */
  const build: typeof wavefile;
  export default build;
}
