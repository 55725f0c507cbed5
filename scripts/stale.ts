import { madeFrom, pageFile, PAGES, stateOf, type PageName } from '../bench/pages';

/** Tells which generated pages were made from another state of their sources; it fails nothing, since some take an hour. */
for (const name of Object.keys(PAGES) as PageName[])
  if (madeFrom(name) !== stateOf(name))
    console.log(`${pageFile(name)} was made from an earlier state: npm run ${PAGES[name].command}`);
