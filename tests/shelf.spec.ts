import { readFileSync } from 'node:fs';
import { expect, expectAccessible, test, withStandIn } from './app';
import { writeToneWav } from './testWav';

/** An alto's written F5 as the third partial of low B♭, its tube sounding along: two tones that are two twelfths apart. */
const FILE = '.cache/shelf/kept.wav';
const HZ = 440 * 2 ** ((68 - 69) / 12);

test.beforeAll(() =>
  writeToneWav(FILE, { lengthS: 3, hzAt: () => HZ, levelDbAt: (t) => -24 + 4 * Math.sin(t) }, 0.5, 0.5),
);

/** A WAV of one channel: `format` 1 for whole numbers, 3 for floating point. */
function wav(rateHz: number, count: number, format: 1 | 3, bits: number, fill: (data: DataView) => void): Buffer {
  const bytes = (count * bits) / 8;
  const data = new DataView(new ArrayBuffer(44 + bytes));
  const text = (at: number, word: string) => [...word].forEach((c, i) => data.setUint8(at + i, c.charCodeAt(0)));
  text(0, 'RIFF');
  data.setUint32(4, 36 + bytes, true);
  text(8, 'WAVEfmt ');
  data.setUint32(16, 16, true);
  data.setUint16(20, format, true);
  data.setUint16(22, 1, true);
  data.setUint32(24, rateHz, true);
  data.setUint32(28, (rateHz * bits) / 8, true);
  data.setUint16(32, bits / 8, true);
  data.setUint16(34, bits, true);
  text(36, 'data');
  data.setUint32(40, bytes, true);
  fill(new DataView(data.buffer, 44));
  return Buffer.from(data.buffer);
}

test('a recording that only this program can read goes on the shelf: floating point of 64 bits', async ({ page }) => {
  const buffer = wav(44_100, 88_200, 3, 64, (data) => {
    for (let i = 0; i < 88_200; i++) data.setFloat64(8 * i, 0.1 * Math.sin((2 * Math.PI * HZ * i) / 44_100), true);
  });
  await page.goto('/log/shelf');
  await page.getByTestId('shelf-file').setInputFiles({ name: 'fine.wav', mimeType: 'audio/wav', buffer });
  await expect(page.getByTestId('model-tone')).toContainText('F5, 2.0 s');
});

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
  // How long it is, is asked before it is decoded.
  const long = wav(8000, 11 * 60 * 8000, 1, 8, () => undefined);
  await page.getByTestId('shelf-file').setInputFiles({ name: 'long.wav', mimeType: 'audio/wav', buffer: long });
  await expect(page.getByRole('alert')).toContainText('long.wav is longer than 10 minutes.');
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
