import { cp, mkdtemp, readFile, rename, rm, writeFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { expect, test, type Page } from '@playwright/test';
import { createApp } from '../server/src/app';

test.use({ serviceWorkers: 'allow' });

/** The built application in a folder of its own, served until it is closed. */
async function served() {
  const root = await mkdtemp(join(tmpdir(), 'inner-hum-'));
  await cp('web/dist', root, { recursive: true });
  /** Changes a file and its compressed copy, as the build makes them; whoever asks meanwhile gets what was there before. */
  const change = async (name: string, pattern: RegExp, by: string) => {
    const before = await readFile(join(root, name), 'utf8');
    const text = before.replace(pattern, by);
    expect(text).not.toBe(before);
    for (const [file, content] of [
      [name, text],
      [`${name}.br`, brotliCompressSync(text)],
    ] as const) {
      await writeFile(join(root, `${file}.new`), content);
      await rename(join(root, `${file}.new`), join(root, file));
    }
  };
  const server = createApp(root).listen(0, '127.0.0.1');
  await new Promise((listening) => server.once('listening', listening));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    change,
    /** Builds it anew, as far as a browser can tell: another page under another revision. */
    async renew() {
      await change('index.html', /<title>.*<\/title>/, '<title>Inner Hum, newer</title>');
      await change('sw.js', /(url:"index\.html",revision:")\w+/, '$1newer');
    },
    async close() {
      server.closeAllConnections();
      await new Promise((closed) => server.close(closed));
      await rm(root, { recursive: true, force: true });
    },
  };
}

/** All that is needed offline is kept once the worker rules the page. */
const kept = (page: Page) => page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));

test('without a server every place comes up', async ({ page }) => {
  const app = await served();
  await page.goto(`${app.address}/today`);
  await kept(page);
  await app.close();
  for (const place of ['Stand', 'Exercises', 'Horn', 'Overtones', 'Log', 'Set-up']) {
    await page.goto(`${app.address}/${place.toLowerCase()}`);
    await expect(page.getByRole('heading', { level: 1 }).or(page.getByTestId('start')).first()).toBeVisible();
    await expect(page.getByTestId('broken-place')).toHaveCount(0);
  }
});

/** A page with the worker's first version, another one waiting to be gone over to. */
async function withNewVersion(page: Page, app: Awaited<ReturnType<typeof served>>) {
  await page.goto(`${app.address}/today`);
  await kept(page);
  await page.reload(); // the worker rules from the second load on
  await app.renew();
  await page.reload();
  const offer = page.getByRole('status').getByRole('button', { name: 'Use it now' });
  await expect(offer).toBeVisible();
  await expect(page).toHaveTitle('Inner Hum');
  return offer;
}

test('a new version waits until the player goes over to it', async ({ page }) => {
  const app = await served();
  const offer = await withNewVersion(page, app);
  // It waits through everything else that is done.
  await page.getByRole('link', { name: 'Set-up' }).first().click();
  await expect(page).toHaveTitle('Inner Hum');
  await offer.click();
  await expect(page).toHaveTitle('Inner Hum, newer');
  await app.close();
});

test('a new version comes, and is kept, where the browser takes the old one to be at work for good', async ({
  page,
}) => {
  const app = await served();
  const atWork =
    "self.addEventListener('fetch',e=>e.request.url.endsWith('/held')&&e.respondWith(new Promise(()=>{})));";
  await app.change('sw.js', /^/, atWork);
  const offer = await withNewVersion(page, app);
  await page.evaluate(() => void fetch('/held').catch(() => undefined));
  await offer.click();
  await expect(page).toHaveTitle('Inner Hum, newer');
  await kept(page);
  await app.close();
  await page.reload();
  await expect(page).toHaveTitle('Inner Hum, newer');
});
