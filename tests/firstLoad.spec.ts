import { expect, test } from './app';

/** What an empty copy may load before its first screen is there and can be used: over the wire, everything counted. */
const MOST_KB = 300;
const MOST_REQUESTS = 25;
/** A screen that asks for nothing more for so long is there, milliseconds. */
const QUIET_MS = 500;

test('an empty copy loads little before it can be used', async ({ page }) => {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const loaded = new Map<string, { url: string; bytes: number }>();
  session.on('Network.requestWillBeSent', ({ requestId, request }) => {
    if (request.url.startsWith('http')) loaded.set(requestId, { url: request.url, bytes: 0 });
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const known = loaded.get(requestId);
    if (known) known.bytes = encodedDataLength;
  });
  // What comes for later places waits for a clock that stands still until the first screen has been counted.
  await page.clock.install();
  await page.goto('/');
  await expect(page.getByRole('button', { name: /^Play one long G4/ })).toBeEnabled();
  await page.clock.runFor(QUIET_MS);
  await expect(page.getByTestId('first-ribbon')).toBeVisible();
  const all = [...loaded.values()];
  const kB = all.reduce((sum, { bytes }) => sum + bytes, 0) / 1000;
  const list = all.map(({ url, bytes }) => `${(bytes / 1000).toFixed(1)} kB ${new URL(url).pathname}`).join('\n');
  test.info().annotations.push({ type: 'first load', description: `${kB.toFixed(0)} kB in ${all.length} requests` });
  // What is not there yet would not be counted.
  expect(
    all.filter(({ bytes }) => bytes === 0),
    list,
  ).toEqual([]);
  expect(
    all.some(({ url }) => url.endsWith('.woff2')),
    list,
  ).toBe(true);
  expect(kB, list).toBeGreaterThan(100);
  expect(kB, list).toBeLessThanOrEqual(MOST_KB);
  expect(all.length, list).toBeLessThanOrEqual(MOST_REQUESTS);
});
