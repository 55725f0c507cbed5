import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
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
  /** A file with its compressed copy, as the build makes them. */
  const write = async (name: string, text: string) => {
    await writeFile(join(root, name), text);
    await writeFile(join(root, `${name}.br`), brotliCompressSync(text));
  };
  const server = createApp(root).listen(0, '127.0.0.1');
  await new Promise((listening) => server.once('listening', listening));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    /** Builds it anew, as far as a browser can tell: another page under another revision. */
    async renew() {
      const page = await readFile(join(root, 'index.html'), 'utf8');
      await write('index.html', page.replace(/<title>.*<\/title>/, '<title>Inner Hum, newer</title>'));
      const worker = await readFile(join(root, 'sw.js'), 'utf8');
      const newer = worker.replace(/(url:"index\.html",revision:")\w+/, '$1newer');
      expect(newer).not.toBe(worker);
      await write('sw.js', newer);
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

test('a new version waits until the player goes over to it', async ({ page }) => {
  const app = await served();
  await page.goto(`${app.address}/today`);
  await kept(page);
  await page.reload(); // the worker rules from the second load on
  await app.renew();
  await page.reload();
  const offer = page.getByRole('status').getByRole('button', { name: 'Use it now' });
  await expect(offer).toBeVisible();
  await expect(page).toHaveTitle('Inner Hum');
  // It waits through everything else that is done.
  await page.getByRole('link', { name: 'Set-up' }).first().click();
  await expect(page).toHaveTitle('Inner Hum');
  await offer.click();
  await expect(page).toHaveTitle('Inner Hum, newer');
  await app.close();
});
