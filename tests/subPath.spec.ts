import { execFileSync } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import express from 'express';

test.use({ serviceWorkers: 'allow' });

test('in a folder of a static host, without any header of ours: a take to its verdict, an opened address, offline', async ({
  page,
  context,
}) => {
  const root = await mkdtemp(join(tmpdir(), 'inner-hum-folder-'));
  execFileSync('npx', ['vite', 'build', 'web', '--logLevel', 'error', '--outDir', root, '--emptyOutDir'], {
    env: { ...process.env, INNER_HUM_BASE: '/horn/room/' },
  });
  const host = express();
  host.use('/horn/room', express.static(root));
  // What such hosts do with an address that is no file.
  host.use((_request, response) => response.status(404).sendFile('404.html', { root }));
  const server = host.listen(0, '127.0.0.1');
  await new Promise((listening) => server.once('listening', listening));
  const home = `http://127.0.0.1:${(server.address() as AddressInfo).port}/horn/room/`;
  try {
    await page.goto(home);
    await expect(page.getByRole('button', { name: /^Play one long G4/ })).toBeVisible();
    await page.goto(`${home}set-up`);
    await page.getByRole('combobox', { name: 'Sound comes from' }).selectOption('standIn');
    await page.getByRole('link', { name: 'Stand' }).first().click();
    await expect(page).toHaveURL(`${home}stand`);
    await page.getByTestId('start').click();
    await expect(page.getByTestId('verdict')).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await context.setOffline(true);
    await page.goto(`${home}log`);
    await expect(page.getByText('1 take', { exact: true })).toBeVisible();
  } finally {
    server.closeAllConnections();
    await new Promise((closed) => server.close(closed));
    await rm(root, { recursive: true, force: true });
  }
});
