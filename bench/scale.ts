import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_FLAGS } from '../playwright.config';
import { SAMPLE_STUDENTS, sampleWeek } from '../scripts/sampleStudents';
import { table } from './score';
import { writePage } from './pages';
import { TAKES, FILL, STUDENTS, STUDENT_TAKES, FILL_STUDENTS } from './scaleFill';

const PORT = 4193;
const address = `http://localhost:${PORT}`;

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
const middle = (found: readonly Waited[]) => [...found].sort((waited, other) => waited.ms - other.ms)[2]!;
/** Six visits of a place, each from another. */
async function visits(page: Page, act: string, shown: string): Promise<Waited[]> {
  await page.goto(`${address}/set-up`);
  await page.waitForTimeout(1500);
  const found: Waited[] = [];
  for (let i = 0; i < 6; i++) {
    found.push(await until(page, act, shown));
    await page.waitForTimeout(400);
    await until(page, link('Exercises'), '//h1[text()="Exercises"]');
    await page.waitForTimeout(400);
  }
  return found;
}
const LOG_LINE = '//li//a[contains(@href, "/take/")]';
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
  /** A place is visited once before: what is measured is the place with its data, not its script. */
  const visit = async (act: string, shown: string) => middle((await visits(page, act, shown)).slice(1));
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
  /** Today, when what it was planned from has changed since. */
  const afterDeleting = async () => {
    const found: Waited[] = [];
    for (let i = 0; i < 5; i++) {
      await page.goto(`${address}/today`);
      await page.locator('xpath=//ol/li').first().waitFor();
      await until(page, link('Log'), LOG_LINE);
      await until(page, click('//button[text()="Delete"]'), '//*[text()="Undo"]');
      await page.waitForTimeout(1500);
      found.push(await until(page, link('Today'), '//ol/li'));
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
  /** The same on a profile that lies on the disk, the browser opened anew. */
  const onDisk = async () => {
    const folder = mkdtempSync(join(tmpdir(), 'scale-'));
    const open = () =>
      chromium.launchPersistentContext(folder, {
        executablePath: '/usr/bin/chromium',
        args: CHROMIUM_FLAGS,
        viewport: { width: 1280, height: 800 },
      });
    try {
      const first = await open();
      const filled = await first.newPage();
      await filled.goto(`${address}/?demo`);
      await filled.getByText('Demo data').waitFor({ timeout: 60_000 });
      await filled.waitForTimeout(2000);
      await filled.evaluate(FILL);
      await first.close();
      const second = await open();
      const again = await second.newPage();
      for (const [name, must, act, shown] of [
        ['Log, first page, from a disk', '≤ 150 ms', link('Log'), LOG_LINE],
        ['Today, from a disk', 'no gap over 100 ms', link('Today'), '//ol/li'],
      ] as const) {
        const [cold, ...warm] = await visits(again, act, shown);
        figures.push([name, must, `${text(middle(warm))}; the first time ${text(cold!)}`]);
        console.log(figures.at(-1)!.join(' '));
      }
      await second.close();
    } finally {
      rmSync(folder, { recursive: true });
    }
  };
  figure('Horn place', '≤ 300 ms', await visit(link('Horn'), '//*[name()="svg"][@aria-label="Pitch"]'));
  figure('Horn, one note with its trend', '', await visit(go('/horn/note/67'), chart));
  figure('Log, first page', '≤ 150 ms', await visit(link('Log'), LOG_LINE));
  figure('Log, trend of one note', '≤ 300 ms', await opened('/log?note=74', showTrend, chart));
  figure('Log, trend over all notes', '≤ 300 ms', await opened('/log', showTrend, chart));
  figure('Log, trend of one family', '≤ 300 ms', await opened('/log?family=hold', showTrend, chart));
  figure('Today, planned', 'no gap over 100 ms', await visit(link('Today'), '//ol/li'));
  figure('Today, planned anew after a take was deleted', 'no gap over 100 ms', await afterDeleting());
  figure('Set-up, use of the reeds', '≤ 300 ms', await visit(link('Set-up'), '//table//td[contains(text(), "%")]'));
  figure('a take deleted', '≤ 150 ms', await opened('/log', '//button[text()="Delete"]', '//*[text()="Undo"]'));
  figure('Horn, leaks', '', await visit(go('/horn/leak'), '//*[contains(text(), " failed")]'));
  figure(
    'Horn, comparison of two reeds',
    '',
    await visit(go('/horn/compare'), '//h2[text()="Over all notes that both have"]'),
  );
  figure('Log of one note and family', '', await visit(go('/log?note=67&family=hold'), LOG_LINE));
  await page.goto(`${address}/students`);
  await page.getByTestId('week-file').setInputFiles({
    name: 'week.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from(sampleWeek(SAMPLE_STUDENTS[0], new Date())),
  });
  await page.getByTestId('student').waitFor();
  await page.evaluate(FILL_STUDENTS);
  figure('Students, side by side', '≤ 300 ms', await visit(go('/students'), '//tr[@data-testid="same-note"][30]'));
  figure('one student', '≤ 300 ms', await visit(go('/students/student-7'), '//*[@data-testid="student-take"]'));
  const heard = '/students/student-7/take/student-7-8';
  figure('a take of a student', '≤ 300 ms', await visit(go(heard), '//*[@role="status"][@aria-label="Verdict"]'));
  await page.goto(`${address}/log`);
  await page.waitForTimeout(1500);
  await page.getByText('Backups, recordings and storage').click();
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
  await onDisk();
  const report = `# With twenty thousand takes

Written by \`npm run bench:scale\` in Chromium on this machine's two cores: the demo season multiplied to ${TAKES} takes with frames and
digests, ${cells} cells full of observations. From the click to the first picture with the data in it, median of five.
The window is a private one, which keeps its data in memory, but where it says “from a disk”: there the browser was closed and opened
anew before, and the first visit is told beside the median of the later ones. Students: ${STUDENTS} with ${STUDENT_TAKES} digests each, each eighth take whole.

${table([
  ['figure', 'must', 'measured'],
  ...figures,
  [
    'backup of all, zip',
    '≤ 40 s, no gap over 100 ms',
    `${backupS.toFixed(0)} s, ${size.toFixed(0)} MB; longest gap between two pictures ${Math.max(...gaps).toFixed(0)} ms`,
  ],
  ['demo season, read, checked and laid out', '', `${demoS.toFixed(1)} s`],
])}

Gaps are between two pictures on the way. A new take into its cells: [map.md](map.md).

## On paper

A take of twelve seconds takes about 34 kB without its sound: 17 its record, 15 its frames, 2.2 its digest, 0.7 its day. Its sound takes
another 1.1 MB.

- **Ten years** of twelve takes on 300 days are 36 000 takes, 1.2 GB: well within what browsers give. With all their sound they were
  40 GB: the disk ends there first, and the oldest sound that is not pinned goes before anything else. What is read at once stays small
  (cells by horn, eight weeks of digests, days of one quantity); counting all takes and a backup grow with them, to about a minute and a half.
- **300 students** with 2000 digests each are 1.4 GB, each eighth take whole another 2.4 GB: the disk ends first for who keeps the sound of them.
  The page of all of them reads one row each of 40 to 60 kB: about a second where thirty take a tenth. It is the first that is slow.
`;
  writePage('scale', report);
  console.log(report);
} finally {
  await browser.close();
  process.kill(-server.pid!);
}
