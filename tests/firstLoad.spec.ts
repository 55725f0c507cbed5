import { expect, test } from './app';

/** What an empty copy may load before its first screen stands: over the wire, headers and fonts included. */
const MOST_KB = 300;
const MOST_REQUESTS = 25;

declare global {
  interface Window {
    /** when the first screen stood, milliseconds since the page was asked for */
    firstScreenMs?: number;
  }
}

test('an empty copy loads little before it can be used', async ({ page }) => {
  await page.addInitScript(() => {
    new MutationObserver((_, observer) => {
      if (!document.querySelector('[data-testid="first-ribbon"]')) return;
      window.firstScreenMs = performance.now();
      observer.disconnect();
    }).observe(document, { subtree: true, childList: true });
  });
  await page.goto('/');
  await expect(page.getByRole('button', { name: /^Play one long G4/ })).toBeEnabled();
  // What was asked for by then, once all of it is here.
  await page.waitForLoadState('networkidle');
  const loaded = await page.evaluate(() => {
    const entries = [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')];
    return (entries as PerformanceResourceTiming[])
      .filter(({ startTime }) => startTime <= window.firstScreenMs!)
      .map(({ name, transferSize }) => ({ path: new URL(name).pathname, kB: transferSize / 1000 }));
  });
  const kB = loaded.reduce((sum, entry) => sum + entry.kB, 0);
  const list = loaded.map((entry) => `${entry.kB.toFixed(1)} kB ${entry.path}`).join('\n');
  test.info().annotations.push({ type: 'first load', description: `${kB.toFixed(0)} kB in ${loaded.length} requests` });
  // What was not counted would not fail.
  for (const kind of [/^\/$/, /\.js$/, /\.css$/, /\.woff2$/])
    expect(
      loaded.filter(({ path, kB: size }) => kind.test(path) && size > 0),
      `${kind}\n${list}`,
    ).not.toEqual([]);
  expect(kB, list).toBeGreaterThan(100);
  expect(kB, list).toBeLessThanOrEqual(MOST_KB);
  expect(loaded.length, list).toBeLessThanOrEqual(MOST_REQUESTS);
});

/** The demo season over the wire. */
const MOST_DEMO_MB = 1.4;

test('the demo season is small on its way, and is told while it comes', async ({ page }) => {
  let go: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (go = resolve));
  await page.route('**/demo/season.zip', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto('/today?demo');
  await expect(page.getByText('The demo season is on its way …')).toBeVisible();
  go();
  await expect(page.getByText('Demo data: made up')).toBeVisible();
  const MB = await page.evaluate(() => {
    const [entry] = performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('/season.zip'));
    return (entry as PerformanceResourceTiming).transferSize / 1e6;
  });
  test.info().annotations.push({ type: 'demo', description: `${MB.toFixed(2)} MB` });
  expect(MB).toBeGreaterThan(0.5);
  expect(MB).toBeLessThanOrEqual(MOST_DEMO_MB);
});
