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
  const [takes, frames, digests, cells, tones] = await Promise.all(['takes', 'frames', 'digests', 'cells', 'tones'].map(all));
  const tonesOf = Map.groupBy(
    tones.flatMap(({ key, takeIds, instrumentIds, take, midi, partial, value }) =>
      takeIds.map((id, i) => ({ id, quantity: key.split(' ')[0], instrumentId: instrumentIds[i],
        tones: [...value].flatMap((v, j) => (take[j] === i ? [[midi[j], partial[j], v]] : [])) }))),
    (one) => one.id);
  const days = new Map(tones.map((row) => [row.key, row]));
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
      for (const { quantity, instrumentId, tones } of tonesOf.get(from.id) ?? []) {
        const day = startedAt.slice(0, 10);
        const key = quantity + ' ' + day;
        if (!days.has(key)) days.set(key, { key, day, takeIds: [], instrumentIds: [], take: [], midi: [], partial: [], value: [] });
        const row = days.get(key);
        for (const [midi, partial, value] of tones) {
          row.take = [...row.take, row.takeIds.length];
          row.midi = [...row.midi, midi];
          row.partial = [...row.partial, partial];
          row.value = [...row.value, value];
        }
        row.takeIds.push(takeId);
        row.instrumentIds.push(instrumentId);
      }
    }
    await new Promise((done) => { tx.oncomplete = done; });
  }
  const tx = db.transaction(['cells', 'tones'], 'readwrite');
  for (const row of days.values()) tx.objectStore('tones').put({ ...row, take: Uint16Array.from(row.take),
    midi: Uint8Array.from(row.midi), partial: Uint8Array.from(row.partial), value: Float32Array.from(row.value) });
  for (const cell of cells) tx.objectStore('cells').put({ ...cell, recent: Array.from({ length: 16 }, (_, i) => cell.recent[i % cell.recent.length]) });
  await new Promise((done) => { tx.oncomplete = done; });
  return cells.length;
})()`;

interface Waited {
  readonly ms: number;
  /** longest time between two pictures meanwhile, milliseconds */
  readonly gapMs: number;
}

/** From doing something to the first picture in which something else is there. */
async function until(page: Page, act: string, shown: string): Promise<Waited> {
  return page.evaluate<Waited>(`new Promise((done) => {
    const find = (path) => document.evaluate(path, document, null, XPathResult.FIRST_ORDERED_NODE_TYPE).singleNodeValue;
    const start = performance.now();
    let last = start, gapMs = 0;
    ${act};
    requestAnimationFrame(function look() {
      const now = performance.now();
      gapMs = Math.max(gapMs, now - last);
      last = now;
      if (find(${JSON.stringify(shown)})) done({ ms: now - start, gapMs });
      else requestAnimationFrame(look);
    });
  })`);
}

const click = (path: string) => `find(${JSON.stringify(path)}).click()`;
const link = (text: string) => click(`//nav//a[text()="${text}"]`);
/** Goes to an address without loading the application anew. */
const go = (path: string) => `history.pushState({}, '', '${path}'); dispatchEvent(new PopStateEvent('popstate'))`;
const text = ({ ms, gapMs }: Waited) => `${ms.toFixed(0)} ms, longest gap ${gapMs.toFixed(0)} ms`;
const server = spawn('npx', ['tsx', 'server/src/main.ts', '--port', String(PORT)], { stdio: 'ignore', detached: true });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS });
try {
  await new Promise((done) => setTimeout(done, 3000));
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(60_000);
  const openS = Date.now();
  await page.goto(`${address}/?demo`);
  await page.getByText('Demo data').waitFor();
  const demoS = (Date.now() - openS) / 1000;
  await page.waitForTimeout(2000);
  const cells = await page.evaluate<number>(FILL);
  await page.goto(`${address}/set-up`);
  await page.waitForTimeout(2500);
  const middle = (found: readonly Waited[]) => [...found].sort((waited, other) => waited.ms - other.ms)[2]!;
  /** A place is visited once before: what is measured is the place with its data, not its script. */
  const visit = async (act: string, shown: string) => {
    await page.goto(`${address}/set-up`);
    await page.waitForTimeout(1500);
    const found: Waited[] = [];
    for (let i = 0; i < 6; i++) {
      found.push(await until(page, act, shown));
      await page.waitForTimeout(400);
      await until(page, link('Exercises'), '//h1[text()="Exercises"]');
      await page.waitForTimeout(400);
    }
    return middle(found.slice(1));
  };
  const opened = async (path: string, button: string, shown: string) => {
    const found: Waited[] = [];
    for (let i = 0; i < 5; i++) {
      await page.goto(`${address}${path}`);
      await page.locator(`xpath=${button}`).first().waitFor();
      await page.waitForTimeout(1500);
      found.push(await until(page, click(button), shown));
    }
    return middle(found);
  };
  const chart = '//*[contains(@class, "recharts-line")]';
  const showTrend = '//button[text()="Show the trend"]';
  const figures: [string, string, string][] = [];
  const figure = (name: string, must: string, waited: Waited) => {
    figures.push([name, must, text(waited)]);
    console.log(name, text(waited));
  };
  figure('Horn place', '≤ 300 ms', await visit(link('Horn'), '//*[name()="svg"][@aria-label="Pitch"]'));
  figure('Horn, one note with its trend', '', await visit(go('/horn/note/67'), chart));
  figure('Log, first page', '≤ 200 ms', await visit(link('Log'), '//li//a[contains(@href, "/take/")]'));
  figure('Log, trend of one note', '≤ 300 ms', await opened('/log?note=74', showTrend, chart));
  figure('Log, trend over all notes', '≤ 300 ms', await opened('/log', showTrend, chart));
  figure('Log, trend of one family', '≤ 300 ms', await opened('/log?family=hold', showTrend, chart));
  figure('Today, planned', '', await visit(link('Today'), '//ol/li'));
  figure('Set-up, use of the reeds', '', await visit(link('Set-up'), '//table//td[contains(text(), "%")]'));
  figure('a take deleted', '', await opened('/log', '//button[text()="Delete"]', '//*[text()="Undo"]'));
  figure('Horn, leaks', '', await visit(go('/horn/leak'), '//*[contains(text(), " failed")]'));
  figure(
    'Horn, comparison of two reeds',
    '',
    await visit(go('/horn/compare'), '//h2[text()="Over all notes that both have"]'),
  );
  figure(
    'Log of one note and family',
    '',
    await visit(go('/log?note=67&family=hold'), '//li//a[contains(@href, "/take/")]'),
  );
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
The window is a private one, which keeps its data in memory; from a disk the first reading of a place takes longer.

${table([
  ['figure', 'must', 'measured'],
  ...figures,
  [
    'backup of all, zip',
    'page goes on',
    `${backupS.toFixed(0)} s, ${size.toFixed(0)} MB; longest gap between two pictures ${Math.max(...gaps).toFixed(0)} ms`,
  ],
  ['demo season, read, checked and laid out', '', `${demoS.toFixed(1)} s`],
])}

Gaps are between two pictures on the way. A new take into its cells: [map.md](map.md).
`;
  writeFileSync('docs/scale.md', report);
  console.log(report);
} finally {
  await browser.close();
  process.kill(-server.pid!);
}
