import { writeBackup, writeWeek } from '../core/formats';
import { digestOf } from '../core/history';
import { FIRST_SETTINGS } from '../web/src/db/settings/settings';
import { silentTake } from '../web/src/testing/takes';
import { expect, goByLink, openAt, test, tooWide, withStandIn } from './app';

const PLACES = [
  'today',
  'stand',
  'exercises',
  'horn',
  'horn/compare',
  'overtones',
  'overtones/routes',
  'log',
  'set-up',
  'guide',
];
const WIDTHS = [390, 820, 1180, 1280, 1920];
/** What is needed in play is as high as this, px: readable from two metres. */
const READ_PX = 40;
const READ = ['note', 'beat', 'next', 'cents', 'start'];

test('in play: the ribbon takes the width and more than half of the height, and what is read is large', async ({
  page,
}) => {
  await withStandIn(page);
  await goByLink(page, '/stand');
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Long-tone scale' });
  await page.getByTestId('start').click();
  // All at one moment: a take on the made clock is soon over.
  const seen = await page.waitForFunction((ids) => {
    const entry = (id: string) => document.querySelector<HTMLElement>(`[data-testid="${id}"]`);
    if (!/cents/.test(entry('cents')?.textContent ?? '') || entry('next')?.textContent !== 'then breathe, A4')
      return false;
    const { width, height } = entry('ribbon')!.getBoundingClientRect();
    const sizes = ids.map((id) => [id, parseFloat(getComputedStyle(entry(id)!).fontSize)] as const);
    const ways = [...document.querySelectorAll('nav')].filter((nav) => nav.offsetParent !== null).length;
    return { width, height, sizes, ways };
  }, READ);
  const { width, height, sizes, ways } = (await seen.jsonValue()) as Exclude<
    Awaited<ReturnType<typeof seen.jsonValue>>,
    false
  >;
  expect(height).toBeGreaterThanOrEqual(440);
  expect(width).toBeGreaterThanOrEqual(1280 - 2 * 28);
  for (const [id, sizePx] of sizes) expect(sizePx, id).toBeGreaterThanOrEqual(READ_PX);
  expect(ways).toBe(0);
  await page.getByTestId('verdict').waitFor();
  await expect(page.getByRole('navigation').first()).toBeVisible();
});

test('no place is wider than its window, and none says anything in the console', async ({ page }) => {
  const said: string[] = [];
  page.on('console', (message) => {
    const text = message.text();
    // Blocked by the tests themselves: what is kept for offline use has a test of its own.
    if (['error', 'warning'].includes(message.type()) && !text.startsWith('Service Worker')) said.push(text);
  });
  for (const width of WIDTHS)
    for (const place of PLACES) {
      await openAt(page, width, place);
      // What is drawn by script follows a frame later.
      await expect.poll(() => page.evaluate(tooWide), `${place} at ${width}`).toEqual([]);
    }
  expect(said).toEqual([]);
});

test('with text twice as large no place is wider than its window', async ({ page }) => {
  for (const width of [390, 820, 1280])
    for (const place of PLACES) {
      await openAt(page, width, place);
      await page.evaluate(() => (document.documentElement.style.fontSize = '200%'));
      // What is drawn by script follows a frame later.
      await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
      expect(await page.evaluate(tooWide), `${place} at ${width}`).toEqual([]);
    }
});

test('names of any length wrap, and make no place wider than its window', async ({ page }) => {
  const name = (length: number) => 'Überzungenansatz'.repeat(Math.ceil(length / 16)).slice(0, length);
  const { exercise } = FIRST_SETTINGS;
  const block = { exercise, tries: 3, restS: 8, remark: name(400) };
  const routine = { name: name(120), from: name(120), days: [0], must: false, remark: name(400), blocks: [block] };
  const settings = {
    own: [{ name: name(120), exercise }],
    routines: [routine],
    gear: ['reed', 'mouthpiece', 'horn', 'room'].map((part) => ({ part, name: name(120) })),
    welcomedOn: '2026-01-01',
    askedOn: '2026-01-01',
  };
  const { record, frames } = silentTake('long', 2);
  const named = { ...record, source: { kind: 'file', name: name(240) } as const, note: name(400) };
  const setup = { ...record.setup, reed: name(120), horn: name(120), mouthpiece: name(120), room: name(120) };
  await page.goto('/log');
  const buffer = Buffer.from(writeBackup([{ record: { ...named, setup }, frames }], record.startedAt, settings));
  await page.getByTestId('restore').setInputFiles({ name: 'backup.json', mimeType: 'application/json', buffer });
  await expect(page.getByText('1 take', { exact: true })).toBeVisible();
  await page.goto('/students');
  const moment = { startedAtMs: Date.parse(record.startedAt), day: '2026-03-02' };
  const week = {
    savedAt: record.startedAt,
    student: { id: 'student-1', name: name(2000) },
    from: '2026-03-02',
    to: '2026-03-08',
    digests: [digestOf(record, moment)],
    notes: [{ takeId: record.id, day: '2026-03-02', text: name(400) }],
    takes: [],
  };
  await page
    .getByTestId('week-file')
    .setInputFiles({ name: 'week.zip', mimeType: 'application/zip', buffer: Buffer.from(writeWeek(week)) });
  await expect(page.getByText(name(2000).slice(0, 30)).first()).toBeVisible();
  for (const width of [390, 1280])
    for (const place of [...PLACES, 'take/long', 'students', 'students/student-1']) {
      await openAt(page, width, place);
      await expect.poll(() => page.evaluate(tooWide), `${place} at ${width}`).toEqual([]);
    }
});
