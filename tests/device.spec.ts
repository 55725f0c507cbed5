import { resolve } from 'node:path';
import { expect, test } from '@playwright/test';
import { hearing } from './fakeMicrophone';
import { writeToneWav } from './testWav';

// The browser's own fake device, as a real microphone comes in. It now and then loses sound or stands still, so these two
// ask for the right answer or for the sentence that says what was lost; all else is tested on a made sound card.
// Its own for each worker: a browser of one reads it while another writes.
const WAV = resolve(`.cache/device-${process.pid}.wav`);
/** One tone without an end, written G4 on alto and 20 cents high: wherever a take begins, it hears the same. */
const SHARP_CENTS = 20;
const HZ = 440 * 2 ** ((58 - 69) / 12 + SHARP_CENTS / 1200);
writeToneWav(WAV, { lengthS: 20, hzAt: () => HZ, levelDbAt: () => -24 }, 0, 0);

const LOST = /device lost [\d.]+ m?s|paused the sound|No sound has come|microphone went away/;

test.use({ launchOptions: hearing(WAV) });

test('a tone through the browser’s microphone has its pitch, or it is told that sound was lost', async ({ page }) => {
  await page.goto('/stand');
  await page.getByTestId('start').click();
  const verdict = page.getByTestId('verdict');
  const lost = page.getByText(LOST).first();
  await expect(verdict.or(lost).first()).toBeVisible();
  if (await lost.isVisible()) return;
  await page.getByText('Numbers and traces').click();
  const centre = page.getByTestId('pitchCentreCents');
  await expect(centre.or(lost).first()).toBeVisible();
  if (await lost.isVisible()) return;
  expect(Math.abs(Number(await centre.getAttribute('data-value')) - SHARP_CENTS)).toBeLessThan(2);
});

test('the level check hears the browser’s microphone', async ({ page }) => {
  await page.goto('/set-up');
  await page.getByRole('button', { name: 'Check the level' }).click();
  const answer = page
    .getByText(/The tone is heard well|Sound lost by the device so far: [1-9]/)
    .or(page.getByText(LOST));
  await expect(answer.first()).toBeVisible();
});
