import { copyFile, readdir, readFile, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { unzipSync, zipSync } from 'fflate';
import type { Plugin } from 'vite';

const compress = promisify(brotliCompress);
/** What gets smaller by it; fonts and pictures are compressed already. */
const TEXTS = /\.(js|css|html|svg|json|webmanifest)$/;
const LEAST_BYTES = 1024;
/** The demo: many files that are much alike, which a zip compresses each for itself. */
const DEMO = join('demo', 'season.zip');
/** The demo is looked through in one piece, in a second or two. */
const DEMO_PARAMS = {
  [constants.BROTLI_PARAM_QUALITY]: 9,
  [constants.BROTLI_PARAM_LGWIN]: constants.BROTLI_MAX_WINDOW_BITS,
};

/** A static host gives this page for an address that is no file of its own: it is the application's, which finds the place itself. */
const FALLBACK = '404.html';

/** Puts a brotli copy beside each built text file: the server hands those out as they are, at a size that no server has time for. */
export function precompressed(): Plugin {
  let folder = '';
  let isOurServers = true;
  return {
    name: 'precompressed',
    apply: 'build',
    enforce: 'post',
    configResolved: ({ root, base, build }) => {
      folder = resolve(root, build.outDir);
      // In a folder of its own it is for a host that compresses as it likes.
      isOurServers = base === '/';
    },
    closeBundle: {
      order: 'post',
      sequential: true,
      handler: async () => {
        await copyFile(join(folder, 'index.html'), join(folder, FALLBACK));
        if (!isOurServers) return;
        const names = await readdir(folder, { recursive: true });
        await Promise.all(names.filter((name) => TEXTS.test(name)).map((name) => beside(join(folder, name))));
        if (names.includes(DEMO)) await besideDemo(join(folder, DEMO));
      },
    },
  };
}

async function beside(file: string): Promise<void> {
  const bytes = await readFile(file);
  if (bytes.length < LEAST_BYTES) return;
  const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
  await writeFile(`${file}.br`, await compress(bytes, { params }));
}

/** Beside the demo, the same zip with its files as they are, compressed as a whole: who can read that loads a third less. */
async function besideDemo(file: string): Promise<void> {
  const files = Object.entries(unzipSync(await readFile(file)));
  // Those of one kind next to one another: what they share is found.
  const inOrder = Object.fromEntries(files.sort(([a], [b]) => (a < b ? -1 : 1)));
  const plain = zipSync(inOrder, { level: 0 });
  await writeFile(`${file}.br`, await compress(plain, { params: DEMO_PARAMS }));
}
