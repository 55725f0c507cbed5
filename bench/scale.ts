import { spawn } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_FLAGS } from '../playwright.config';
import { table } from './score';

const PORT = 4193;
const TAKES = 20_000;
const address = `http://localhost:${PORT}`;

/** As text: a compiled function would carry helpers that the page does not have. */
const FILL = `(async () => {
  const db = await new Promise((done) => { const r = indexedDB.open('inner-hum'); r.onsuccess = () => done(r.result); });
  const all = (name) => new Promise((done) => { const r = db.transaction(name).objectStore(name).getAll(); r.onsuccess = () => done(r.result); });
  const [takes, frames, digests, cells] = await Promise.all(['takes', 'frames', 'digests', 'cells'].map(all));
  const framesOf = new Map(frames.map((row) => [row.takeId, row]));
  const digestOf = new Map(digests.map((row) => [row.takeId, row]));
  for (let i = takes.length; i < ${TAKES}; i += 500) {
    const tx = db.transaction(['takes', 'frames', 'digests'], 'readwrite');
    for (let k = i; k < Math.min(${TAKES}, i + 500); k++) {
      const from = takes[k % takes.length];
      const back = 60 * 86400000 + Math.floor(k / 12) * 86400000 / 2;
      const startedAtMs = Date.parse(from.startedAt) - back - k;
      const startedAt = new Date(startedAtMs).toISOString();
      const takeId = 'many-' + k;
      tx.objectStore('takes').put({ ...from, id: takeId, startedAt, demo: false });
      tx.objectStore('frames').put({ ...framesOf.get(from.id), takeId });
      const digest = digestOf.get(from.id);
      tx.objectStore('digests').put({ ...digest, takeId, startedAtMs, day: startedAt.slice(0, 10), demo: false,
        seen: digest.seen.map((one, j) => ({ ...one, atMs: startedAtMs + j })) });
    }
    await new Promise((done) => { tx.oncomplete = done; });
  }
  const tx = db.transaction('cells', 'readwrite');
  for (const cell of cells) tx.objectStore('cells').put({ ...cell, recent: Array.from({ length: 16 }, (_, i) => cell.recent[i % cell.recent.length]) });
  await new Promise((done) => { tx.oncomplete = done; });
  return cells.length;
})()`;

/** Milliseconds from a click on something to the first picture in which something else is there. */
async function until(page: Page, click: string, shown: string): Promise<number> {
  return page.evaluate<number>(`new Promise((done) => {
    const find = (path) => document.evaluate(path, document, null, XPathResult.FIRST_ORDERED_NODE_TYPE).singleNodeValue;
    const start = performance.now();
    find(${JSON.stringify(click)}).click();
    requestAnimationFrame(function look() {
      if (find(${JSON.stringify(shown)})) done(performance.now() - start);
      else requestAnimationFrame(look);
    });
  })`);
}

const link = (text: string) => `//nav//a[text()="${text}"]`;
const server = spawn('npx', ['tsx', 'server/src/main.ts', '--port', String(PORT)], { stdio: 'ignore', detached: true });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS });
try {
  await new Promise((done) => setTimeout(done, 3000));
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const openS = Date.now();
  await page.goto(`${address}/?demo`);
  await page.getByText('Demo data').waitFor();
  const demoS = (Date.now() - openS) / 1000;
  await page.waitForTimeout(2000);
  const cells = await page.evaluate<number>(FILL);
  await page.goto(`${address}/set-up`);
  await page.waitForTimeout(2500);
  const best = async (runs: readonly (readonly [string, string])[], path: string) => {
    const found: number[] = [];
    for (let i = 0; i < 5; i++) {
      await page.goto(`${address}${path}`);
      await page.waitForTimeout(1500);
      let ms = 0;
      for (const [click, shown] of runs) ms = await until(page, click, shown);
      found.push(ms);
    }
    return found.sort((a, b) => a - b)[2]!;
  };
  const visit = async (text: string, shown: string) => {
    // The place's own script is loaded once before; what is measured is the place with its data.
    await page.goto(`${address}/set-up`);
    await page.waitForTimeout(1500);
    const found: number[] = [];
    for (let i = 0; i < 6; i++) {
      found.push(await until(page, link(text), shown));
      await page.waitForTimeout(400);
      await until(page, link('Set-up'), '//h1[text()="Set-up"]');
      await page.waitForTimeout(400);
    }
    return found.slice(1).sort((a, b) => a - b)[2]!;
  };
  const horn = await visit('Horn', '//*[name()="svg"][@aria-label="Pitch"]');
  const log = await visit('Log', '//li//a[contains(@href, "/take/")]');
  const today = await visit('Today', '//ol/li');
  const trendButton = '//button[text()="Show the trend"]';
  const chart = '//*[contains(@class, "recharts-line")]';
  const trendNote = await best([[trendButton, chart]], '/log?note=74');
  const trendAll = await best([[trendButton, chart]], '/log');
  await page.goto(`${address}/log`);
  await page.waitForTimeout(1500);
  await page.evaluate(`window.gaps = []; let last = performance.now(); requestAnimationFrame(function tick(now) {
    window.gaps.push(now - last); last = now; requestAnimationFrame(tick); })`);
  const backupStart = Date.now();
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 300_000 }),
    page.getByRole('button', { name: 'Save a backup' }).click(),
  ]);
  const backupS = (Date.now() - backupStart) / 1000;
  const gaps = await page.evaluate<number[]>('window.gaps');
  const { statSync } = await import('node:fs');
  const size = statSync(await download.path()).size / 1e6;
  const report = `# With twenty thousand takes

Written by \`npm run bench:scale\` in Chromium on this machine's two cores: the demo season multiplied to ${TAKES} takes with frames and
digests, ${cells} cells full of observations. From the click to the first picture with the data in it, median of five.

${table([
  ['figure', 'must', 'measured'],
  ['Horn place', '≤ 300 ms', `${horn.toFixed(0)} ms`],
  ['Log, first page', '≤ 200 ms', `${log.toFixed(0)} ms`],
  ['trend of one note', '≤ 300 ms', `${trendNote.toFixed(0)} ms`],
  ['trend over all notes', '≤ 300 ms', `${trendAll.toFixed(0)} ms`],
  ['Today, planned', '', `${today.toFixed(0)} ms`],
  [
    'backup of all, zip',
    'page goes on',
    `${backupS.toFixed(0)} s, ${size.toFixed(0)} MB; longest gap between two pictures ${Math.max(...gaps).toFixed(0)} ms`,
  ],
  ['demo season, read, checked and laid out', '', `${demoS.toFixed(1)} s`],
])}

A trend looks at the newest 600 takes that fit. A new take into its cells: [map.md](map.md).
`;
  writeFileSync('docs/scale.md', report);
  console.log(report);
} finally {
  await browser.close();
  process.kill(-server.pid!);
}
