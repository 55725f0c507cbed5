import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, expectAccessible, goByLink, headingOf, test, withStandIn } from './app';
import { swellTone, writeToneWav } from './testWav';

test('from the demo’s address to the first note in two actions, to a verdict, kept over a reload; nothing is sent anywhere', async ({
  page,
}) => {
  const foreign: string[] = [];
  page.on('request', (request) => {
    const { protocol, hostname } = new URL(request.url());
    if (protocol.startsWith('http') && hostname !== 'localhost') foreign.push(request.url());
  });
  const response = await page.goto('/stand?demo');
  expect(response?.headers()['content-security-policy']).toContain("default-src 'none'");
  await expect(page.getByText('Demo data')).toBeVisible();
  expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);
  await start(page);
  await expect(page.getByTestId('verdict')).toContainText('You went sharp as you got softer');
  await page.goto('/log');
  await expect(page.getByText('194 takes')).toBeVisible();
  await page.getByRole('button', { name: 'Delete' }).first().click();
  await expect(page.getByText('193 takes')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('194 takes')).toBeVisible();
  await page.reload();
  await expect(page.getByText('194 takes')).toBeVisible();
  expect(foreign).toEqual([]);
});

test('export, empty browser, import: the same takes', async ({ page, browser }) => {
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await goByLink(page, '/take/demo-003');
  await page.getByLabel('Note to self').fill('tried: =softer');
  await goByLink(page, '/log');
  await expect(page.getByText('193 takes')).toBeVisible();
  const first = await download(page, 'Export as JSON');
  expect(first).toContain('tried: =softer');

  const empty = await (await browser.newContext()).newPage();
  await empty.goto('/log');
  await expect(empty.getByText('Nothing here yet')).toBeVisible();
  await empty
    .getByTestId('restore')
    .setInputFiles({ name: 'b.json', mimeType: 'application/json', buffer: Buffer.from(first) });
  await expect(empty.getByText('193 takes read.')).toBeVisible();
  const second = await download(empty, 'Export as JSON');
  expect(JSON.parse(second).takes).toEqual(JSON.parse(first).takes);

  await empty
    .getByTestId('restore')
    .setInputFiles({ name: 'b.json', mimeType: 'application/json', buffer: Buffer.from(first) });
  await expect(empty.getByText('193 were here already')).toBeVisible();
});

test('files that are broken change nothing and say why', async ({ page }) => {
  await page.goto('/log');
  await page
    .getByTestId('restore')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":') });
  await expect(page.getByRole('alert')).toContainText('not JSON text');
  const damaged = { format: 'inner-hum-backup', version: 1, savedAt: '', takes: [{ record: {}, frames: '' }] };
  const buffer = Buffer.from(JSON.stringify({ ...damaged, savedAt: 'x' }));
  await page.getByTestId('restore').setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer });
  await expect(page.getByRole('alert')).toContainText('damaged at takes[0].record');
  await page
    .getByTestId('recording')
    .setInputFiles({ name: 'x.wav', mimeType: 'audio/wav', buffer: Buffer.from('RIFFnothing') });
  await expect(page.getByRole('alert')).toContainText('can’t be read as sound');
  await expect(page.getByText('Nothing here yet')).toBeVisible();
});

test('a sound file plays the part of the microphone, and a recording is analysed like a take', async ({ page }) => {
  const wav = resolve('.cache/file.wav');
  writeToneWav(
    wav,
    swellTone({ hz: 233.08, beatS: 0.5, beats: 8, softDb: -39, loudDb: -21, centreCents: 15, slopeCents: 0 }),
    1,
    0.5,
  );
  await page.goto('/stand');
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('120');
  await page.getByRole('link', { name: 'Set-up' }).click();
  await page.getByRole('combobox', { name: 'Sound comes from' }).selectOption('file');
  await page.getByTestId('source-file').setInputFiles(wav);
  await expect(page.getByText('file.wav')).toBeVisible();
  await page.getByRole('link', { name: 'Stand' }).click();
  await start(page);
  await expect(page.getByTestId('verdict')).toContainText('Sharp by 15 cents');
  await page.getByRole('link', { name: 'Log' }).click();
  await page.getByTestId('recording').setInputFiles(wav);
  await expect(page.getByTestId('pitchCentreCents')).toContainText('+15.');
});

test('a recording at any sample rate is analysed the same', async ({ page }) => {
  const tone = swellTone({
    hz: 233.08,
    beatS: 0.5,
    beats: 8,
    softDb: -39,
    loudDb: -21,
    centreCents: 15,
    slopeCents: 0,
  });
  await page.goto('/stand');
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('120');
  const found: string[] = [];
  for (const rateHz of [16_000, 44_100, 48_000, 96_000, 192_000]) {
    const wav = resolve(`.cache/rate-${rateHz}.wav`);
    writeToneWav(wav, tone, 1, 0.5, rateHz);
    await page.getByRole('link', { name: 'Log' }).click();
    await page.getByTestId('recording').setInputFiles(wav);
    const centre = page.getByTestId('pitchCentreCents');
    await expect(centre).toContainText('+15.');
    found.push((await page.getByRole('status', { name: 'Verdict' }).first().textContent()) ?? '');
  }
  expect(new Set(found).size).toBe(1);
});

test('a take that the closed page cut off is recovered', async ({ page }) => {
  await withStandIn(page);
  await goByLink(page, '/stand');
  // A minute and more, so that the page is closed well before the end.
  await page.getByRole('spinbutton', { name: 'Beats', exact: true }).fill('32');
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('30');
  await page.keyboard.press('Escape');
  await page.evaluate(() => window.madeClock.at(20, () => location.assign('/log')));
  await page.keyboard.press('Space');
  await expect(page.getByText('A take that was cut off has been kept.')).toBeVisible();
  const newest = page.getByRole('listitem').first();
  await expect(newest).toContainText('32 beats at 30');
  await newest.getByRole('link').click();
  await expect(page.getByText('Ended before the exercise was over.')).toBeVisible();
});

test('keys: the list, the tuner, the note; and each place passes the accessibility check', async ({ page }) => {
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Take the proposed next step');
  // The key that opened it is no letter of what is looked for.
  const find = page.getByRole('textbox', { name: 'Look for an action' });
  await expect(find).toHaveValue('');
  await find.fill('proposed');
  await expect(page.getByRole('dialog').getByRole('row')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('h');
  await expect(page.getByText('Tuner hidden')).toBeVisible();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByTestId('note')).toHaveText('G♯4');
  // The Log and an opened take are looked at where one has just been played.
  for (const path of ['/stand', '/set-up', '/guide']) {
    await goByLink(page, path);
    await expect(headingOf(page)).toBeVisible();
    await expectAccessible(page, path);
  }
});

/** Starts a take by the key that the page invites to press. */
async function start(page: Page): Promise<void> {
  const waiting = page.getByText('Start, then play');
  await expect(waiting).toBeVisible();
  await page.keyboard.press('Space');
  await expect(waiting).toBeHidden();
}

async function download(page: Page, button: string): Promise<string> {
  const menu = page.getByText('Backups, recordings');
  if (!(await page.getByRole('button', { name: button }).isVisible())) await menu.click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: button }).click()]);
  return readFileSync(await file.path(), 'utf8');
}
