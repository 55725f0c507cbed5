import { readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

/** The scripts that the first page loads, gzipped, must stay under this. */
const LIMIT_KB = 300;
const html = readFileSync('web/dist/index.html', 'utf8');
const first = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((match) => match[1]!);
const gzippedKb = (path: string) => gzipSync(readFileSync(`web/dist${path}`)).length / 1000;
const total = first.reduce((sum, path) => sum + gzippedKb(path), 0);
const all = readdirSync('web/dist/assets').filter((name) => name.endsWith('.js'));
console.log(
  `First load: ${total.toFixed(0)} kB of script gzipped in ${first.length} of ${all.length} files (limit ${LIMIT_KB}).`,
);
if (total > LIMIT_KB) process.exit(1);
