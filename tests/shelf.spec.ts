import { readFileSync } from 'node:fs';
import { expect, expectAccessible, test, withStandIn } from './app';
import { writeToneWav } from './testWav';

/** An alto's written F5 as the third partial of low B♭, its tube sounding along: two tones that are two twelfths apart. */
const FILE = '.cache/shelf/kept.wav';
const HZ = 440 * 2 ** ((68 - 69) / 12);

test.beforeAll(() =>
  writeToneWav(FILE, { lengthS: 3, hzAt: () => HZ, levelDbAt: (t) => -24 + 4 * Math.sin(t) }, 0.5, 0.5),
);

test('a recording to learn from is heard beside an own tone, stays off log and map, and is taken off with an undo', async ({
  page,
}) => {
  await withStandIn(page);
  await page.getByRole('link', { name: 'Stand' }).first().click();
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Hold' });
  await page.getByRole('combobox', { name: 'Note' }).first().selectOption({ label: 'F5' });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toBeVisible();

  await page.getByRole('link', { name: 'Log' }).first().click();
  await page.getByRole('link', { name: 'Recordings to learn from' }).click();
  await expect(page.getByText('Nothing here yet.')).toBeVisible();
  await page
    .getByTestId('shelf-file')
    .setInputFiles({ name: 'bad.wav', mimeType: 'audio/wav', buffer: Buffer.from('no sound') });
  await expect(page.getByRole('alert')).toContainText('bad.wav can’t be read as sound. Nothing was added.');
  await page
    .getByTestId('shelf-file')
    .setInputFiles({ name: 'kept.wav', mimeType: 'audio/wav', buffer: readFileSync(FILE) });
  const tone = page.getByTestId('model-tone');
  await expect(tone).toContainText('F5, 3.0 s');
  await expect(tone.getByRole('row', { name: /^Range/ })).toBeVisible();
  await expect(tone.getByRole('img', { name: 'Brightness of F5 by loudness' })).toBeVisible();
  await tone.getByRole('button', { name: 'Hear it' }).click();
  await tone.getByRole('button', { name: 'Hear mine: same pitch, as loud' }).click();
  await expectAccessible(page);

  // A part of it: the tone is as long as that.
  await page.getByRole('spinbutton', { name: 'To second' }).fill('2');
  await page.keyboard.press('Tab');
  await expect(tone).toContainText('F5, 1.5 s');
  await page.reload();
  await expect(tone).toContainText('F5, 1.5 s');

  await page.getByRole('link', { name: 'Log' }).first().click();
  await expect(page.getByText('1 take', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Recordings to learn from' }).click();
  // It goes into a backup on wish, and comes back from it.
  const inBackup = page.getByRole('checkbox', { name: 'In the backup (zip)' });
  await inBackup.click();
  await expect(inBackup).toBeChecked();
  await page.getByRole('link', { name: 'Log' }).first().click();
  await page.getByText('Backups, recordings and storage', { exact: true }).click();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const backup = await (await saving).path();
  await page.getByRole('link', { name: 'Recordings to learn from' }).click();
  await page.getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByText('Nothing here yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Log' }).first().click();
  await page.getByText('Backups, recordings and storage', { exact: true }).click();
  await page.getByTestId('restore').setInputFiles({
    name: 'backup.zip',
    mimeType: 'application/zip',
    buffer: readFileSync(backup),
  });
  await expect(page.getByText('1 recording to learn from as well.')).toBeVisible();
  await page.getByRole('link', { name: 'Recordings to learn from' }).click();
  await expect(inBackup).toBeChecked();
  await page.getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByText('Nothing here yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'kept.wav' })).toBeVisible();
});
