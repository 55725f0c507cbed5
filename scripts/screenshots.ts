import { spawn } from 'node:child_process';
import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_FLAGS } from '../playwright.config';
import { LANGUAGES } from '../web/src/base/languages';
import { SAMPLE_STUDENTS, sampleWeek } from './sampleStudents';

/** Takes the pictures in docs/screenshots from the demo data, in the built application. */
const PORT = 4191;
const FOLDER = 'docs/screenshots';
const address = `http://localhost:${PORT}`;
const SIZE = { width: 1280, height: 800 };
const SHEET = { width: 1400, height: 480 };

/** What a contact sheet shows, besides a take being played. */
const PLACES = [
  ['Today', '/today'],
  ['Week', '/week'],
  ['Stand', '/stand'],
  ['Exercises', '/exercises'],
  ['Horn', '/horn'],
  ['Overtones', '/overtones'],
  ['Log', '/log'],
  ['Take', '/take/demo-100'],
] as const;

mkdirSync(FOLDER, { recursive: true });
for (const old of readdirSync(FOLDER)) rmSync(`${FOLDER}/${old}`);
const server = spawn('npx', ['tsx', 'server/src/main.ts', '--port', String(PORT)], { stdio: 'ignore', detached: true });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS });
try {
  const empty = await browser.newPage({ viewport: SIZE });
  await whenServed(empty);
  // Until most of the swell has drawn itself.
  await empty.waitForTimeout(6500);
  await shoot(empty, 'first-run');
  await empty.close();

  const page = await browser.newPage({ viewport: SIZE });
  await openDemo(page);
  await page.getByTestId('one-change').waitFor();
  await shoot(page, 'today');
  await page.goto(`${address}/week`);
  await page.waitForTimeout(2500);
  await shoot(page, 'week');
  await page.goto(`${address}/stand`);
  await page.waitForTimeout(800);
  await shoot(page, 'stand-before');
  await page.keyboard.press('Space');
  await page.waitForTimeout(10_500);
  await shoot(page, 'stand-during');
  await page.getByTestId('verdict').waitFor({ timeout: 30_000 });
  await page.waitForTimeout(2500);
  await shoot(page, 'stand-verdict');

  await page.goto(exercise('overtoneLadder', { tempoBpm: 80 }));
  await page.getByTestId('part').locator('svg').waitFor();
  await page.waitForTimeout(500);
  await shoot(page, 'exercises');

  await page.goto(`${address}/horn`);
  await page.getByText('of 100, from').click();
  await shoot(page, 'horn');
  for (const [path, name] of [
    ['/horn/note/74', 'note'],
    ['/horn/sheet', 'sheet'],
    ['/overtones', 'overtones'],
  ] as const) {
    await page.goto(address + path);
    await page.waitForTimeout(3000);
    if (name === 'sheet') await page.emulateMedia({ media: 'print' });
    await shoot(page, name);
    await page.emulateMedia({ media: 'screen' });
  }
  await page.goto(`${address}/log?family=overtoneMatch`);
  await page.getByRole('listitem').first().getByRole('link').click();
  await page.getByRole('combobox', { name: 'Set against' }).selectOption({ index: 3 });
  await page.getByTestId('ab-play').scrollIntoViewIfNeeded();
  await page.waitForTimeout(800);
  await shoot(page, 'take');
  await page.goto(`${address}/log?note=74`);
  await page.getByRole('button', { name: 'Show the trend' }).click();
  await page.waitForTimeout(1500);
  await shoot(page, 'log');

  await page.goto(`${address}/students`);
  for (const student of SAMPLE_STUDENTS) {
    const buffer = Buffer.from(sampleWeek(student, new Date()));
    await page.getByTestId('week-file').setInputFiles({ name: 'week.zip', mimeType: 'application/zip', buffer });
    await page.getByTestId('student').filter({ hasText: student.name }).waitFor();
  }
  // One notice stands before the other.
  const close = page.getByRole('button', { name: 'Close' });
  while (await close.isVisible()) await close.click();
  await page.getByRole('button', { name: 'Earlier week' }).click();
  await page.mouse.move(0, 0);
  await shoot(page, 'students');

  await contactSheet('tablet', { width: 820, height: 1180 });
  await contactSheet('phone', { width: 390, height: 844 });
  await languageSheet();
  await partsSheet();
  await takesSheet();
} finally {
  await browser.close();
  process.kill(-server.pid!);
}

function exercise(family: string, change: Record<string, number>): string {
  const parameters = { ...usualExercise(familyById(family), 'alto'), ...change };
  return `${address}/exercises?exercise=${encodeURIComponent(JSON.stringify(parameters))}`;
}

/** Parts as they are engraved: starts, air, silence, keys that open, hairpins with both ends, a passage of one's own. */
async function partsSheet(): Promise<void> {
  const page = await browser.newPage({ viewport: SIZE });
  const pictures: string[] = [];
  for (const [title, family, change] of [
    ['Air into tone', 'airIntoTone', { repeats: 1 }],
    ['Relay swell', 'relaySwell', { pairs: 1 }],
    ['One-breath descent', 'oneBreathDescent', {}],
    ['Tongue or air', 'tongueOrAir', { starts: 2 }],
    ['Vent match', 'ventMatch', { pairs: 1 }],
    ['Own passage', 'ownPassage', {}],
  ] as const) {
    await page.goto(exercise(family, change));
    await page.getByTestId('dynamics').waitFor();
    await page.waitForTimeout(800);
    const png = await page.getByTestId('part').screenshot();
    pictures.push(figureOf(title, png));
  }
  await page.close();
  await asSheet('parts', pictures, 2);
}

/** What the picture of a tone tells apart: six takes of one swell by a stand-in player with one habit each. */
async function takesSheet(): Promise<void> {
  const page = await browser.newPage({ viewport: SIZE });
  const pictures: string[] = [];
  for (const [title, habit] of [
    ['Clean', 'clean'],
    ['Sharp when soft', 'sharpWhenSoft'],
    ['Stairs', 'uneven'],
    ['Airy', 'airy'],
    ['Up the octave', 'jump'],
    ['Short', 'stopsEarly'],
  ] as const) {
    await page.goto(`${address}/set-up`);
    await page.getByRole('combobox', { name: 'Sound comes from' }).selectOption('standIn');
    await page.getByRole('combobox', { name: 'Stand-in player' }).selectOption(habit);
    await page.goto(`${address}/stand`);
    await page.getByTestId('start').click();
    await page.getByTestId('verdict').waitFor();
    await page.waitForTimeout(800);
    pictures.push(figureOf(title, await page.getByTestId('verdict').locator('canvas').first().screenshot()));
  }
  await page.close();
  await asSheet('six-takes', pictures, 2);
}

/** All places and a take being played, on a device of another size, on one sheet. */
async function contactSheet(name: string, size: { width: number; height: number }): Promise<void> {
  const page = await browser.newPage({ viewport: size, hasTouch: true, isMobile: true });
  await openDemo(page);
  const pictures: string[] = [];
  const add = async (title: string) => void pictures.push(await figure(title, page));
  for (const [title, path] of PLACES) {
    await page.goto(address + path);
    await page.waitForTimeout(2500);
    await add(title);
  }
  await page.goto(`${address}/stand`);
  await page.getByTestId('start').click();
  await page.waitForTimeout(9500);
  await add('In play');
  await page.close();
  await asSheet(name, pictures);
}

/** Today in each language, and the Stand in the dark, on one sheet. */
async function languageSheet(): Promise<void> {
  const pictures: string[] = [];
  for (const [id, { name, locale }] of Object.entries(LANGUAGES)) {
    const dark = id === 'en';
    const page = await browser.newPage({ viewport: SIZE, locale, colorScheme: dark ? 'dark' : 'light' });
    await page.goto(`${address}/?demo`);
    await page.waitForTimeout(5000);
    await add(page, name, '/today');
    if (dark || id === 'de') await add(page, name, '/stand');
    if (id === 'fr') await add(page, name, '/set-up');
    await page.close();
  }
  await asSheet('languages', pictures);
  async function add(page: Page, name: string, path: string): Promise<void> {
    await page.goto(address + path);
    await page.waitForTimeout(2500);
    pictures.push(await figure(name, page));
  }
}

async function figure(title: string, page: Page): Promise<string> {
  return figureOf(title, await page.screenshot());
}

function figureOf(title: string, png: Buffer): string {
  return `<figure><figcaption>${title}</figcaption><img src="data:image/png;base64,${png.toString('base64')}"></figure>`;
}

async function asSheet(name: string, pictures: readonly string[], columns = 4): Promise<void> {
  const sheet = await browser.newPage({ viewport: SHEET });
  await sheet.setContent(
    `<style>body{margin:14px;background:#f3f0e8;font:600 17px sans-serif;color:#123a42;display:grid;grid-template-columns:repeat(${columns},1fr);gap:12px;align-items:start;align-content:start}
     figure{margin:0}img{width:100%;border:1px solid #c9c4b4}</style>${pictures.join('')}`,
  );
  await sheet.waitForTimeout(500);
  await sheet.screenshot({ path: `${FOLDER}/${name}.png`, fullPage: true });
  console.log(`${FOLDER}/${name}.png`);
  await sheet.close();
}

async function openDemo(page: Page): Promise<void> {
  await page.goto(`${address}/?demo`);
  await page.getByText('Demo data').waitFor();
  await page.waitForTimeout(1500);
}

async function whenServed(page: Page): Promise<void> {
  for (let tries = 0; tries < 40; tries++) {
    try {
      await page.goto(address);
      await page.getByRole('heading', { name: 'Hear it' }).waitFor();
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
