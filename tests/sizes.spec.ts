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
  for (const width of [820, 1280])
    for (const place of PLACES) {
      await openAt(page, width, place);
      await page.evaluate(() => (document.documentElement.style.fontSize = '200%'));
      // What is drawn by script follows a frame later.
      await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
      expect(await page.evaluate(tooWide), `${place} at ${width}`).toEqual([]);
    }
});
