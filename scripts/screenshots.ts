import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { familyById, usualExercise } from '@inner-hum/core/exercise';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_FLAGS } from '../playwright.config';

/** Takes the pictures in docs/screenshots from the demo data, in the built application. */
const PORT = 4191;
const FOLDER = 'docs/screenshots';
const address = `http://localhost:${PORT}`;

mkdirSync(FOLDER, { recursive: true });
const server = spawn('npx', ['tsx', 'server/src/main.ts', '--port', String(PORT)], { stdio: 'ignore', detached: true });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS });
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await openWhenServed(page);
  await shoot(page, 'stand-before');
  await page.keyboard.press('Space');
  await page.waitForTimeout(10_500);
  await shoot(page, 'stand-during');
  await page.getByTestId('verdict').waitFor({ timeout: 30_000 });
  await shoot(page, 'stand-verdict');
  for (const [path, name] of [
    ['/log', 'log'],
    ['/take/demo-03', 'take'],
    ['/set-up', 'set-up'],
  ] as const) {
    await page.goto(address + path);
    await page.waitForTimeout(1500);
    await shoot(page, name);
  }
  const descent = usualExercise(familyById('zigzagDescent'), 'alto');
  await page.goto(`${address}/exercises?exercise=${encodeURIComponent(JSON.stringify({ ...descent, tempoBpm: 100 }))}`);
  await page.getByTestId('part').locator('svg').waitFor();
  await shoot(page, 'exercises');
  await page.goto(`${address}/stand`);
  await page.getByText('Press Space').waitFor();
  await page.keyboard.press('Space');
  await page.waitForTimeout(9500);
  await shoot(page, 'stand-descent');
  const dark = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: 'dark' });
  await dark.goto(`${address}/?demo`);
  await dark.waitForTimeout(1500);
  await dark.keyboard.press('Space');
  await dark.waitForTimeout(9500);
  await shoot(dark, 'stand-dark');
} finally {
  await browser.close();
  process.kill(-server.pid!);
}

async function openWhenServed(page: Page): Promise<void> {
  for (let tries = 0; tries < 40; tries++) {
    try {
      await page.goto(`${address}/?demo`);
      await page.getByText('Demo data').waitFor();
      await page.waitForTimeout(1000);
      return;
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
  }
  throw new Error('the server does not answer');
}

async function shoot(page: Page, name: string): Promise<void> {
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
  console.log(`${FOLDER}/${name}.png`);
}
