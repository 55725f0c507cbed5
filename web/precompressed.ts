import { copyFile, readdir, readFile, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import type { Plugin } from 'vite';

const compress = promisify(brotliCompress);
/** What gets smaller by it; fonts, pictures and the demo are compressed already. */
const TEXTS = /\.(js|css|html|svg|json|webmanifest)$/;
const LEAST_BYTES = 1024;

/** A static host gives this page for an address that is no file of its own: it is the application's, which finds the place itself. */
const FALLBACK = '404.html';

/** Puts a brotli copy beside each built text file: the server hands those out as they are, at a size that no server has time for. */
export function precompressed(): Plugin {
  let folder = '';
  return {
    name: 'precompressed',
    apply: 'build',
    enforce: 'post',
    configResolved: ({ root, build }) => void (folder = resolve(root, build.outDir)),
    closeBundle: {
      order: 'post',
      sequential: true,
      handler: async () => {
        await copyFile(join(folder, 'index.html'), join(folder, FALLBACK));
        const names = await readdir(folder, { recursive: true });
        await Promise.all(names.filter((name) => TEXTS.test(name)).map((name) => beside(join(folder, name))));
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
