import type { Page } from '@playwright/test';
import { expect, test } from './app';
import { centsAt, hears, levelDbAt, swellTone, type KnownSwell } from './testWav';

/** Alto, written G4: sounds B♭3. */
const SWELL: KnownSwell = {
  hz: 440 * 2 ** ((58 - 69) / 12),
  beatS: 1,
  beats: 8,
  softDb: -39,
  loudDb: -21,
  centreCents: 5,
  slopeCents: -9,
  stair: { atS: 2.45, db: 5 },
  jump: { atS: 5.9, lastsS: 0.3, partial: 2 },
};

test.use({ sound: hears(swellTone(SWELL), 7) });

test('a new player’s first swell by microphone: the numbers are those of the sound', async ({ page }) => {
  await page.goto('/stand');
  await expect(page.getByText('Start, then play')).toBeVisible();
  await page.getByRole('link', { name: 'Set-up' }).click();
  await page.getByRole('combobox', { name: 'Horn' }).selectOption({ label: 'Alto' });
  await page.getByRole('link', { name: 'Stand' }).click();
  await page.getByText('Cue, silent bars, beat one').click();
  await page.getByRole('combobox', { name: 'Beat one' }).selectOption({ label: 'with my first tone' });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.getByText('Numbers and traces').click();
  await expect(page.getByText('jumped to G5 (the octave above) on beat 6')).toBeVisible();

  const times = Array.from({ length: 780 }, (_, i) => 0.1 + i / 100).filter((t) => t < 5.85 || t > 6.25);
  const cents = times.map((t) => centsAt(SWELL, t)).sort((a, b) => a - b);
  expect(Math.abs((await measure(page, 'pitchCentreCents')) - cents[cents.length >> 1]!)).toBeLessThan(2);
  expect(Math.abs((await measure(page, 'pitchAgainstLevelCents')) - SWELL.slopeCents)).toBeLessThan(2);
  expect(Math.abs((await measure(page, 'rangeDb')) - trueRangeDb())).toBeLessThan(1);

  const events = await page.getByTestId('event').all();
  const found = await Promise.all(
    events.map(async (event) => ({
      text: await event.textContent(),
      atS: Number(await event.getAttribute('data-at')),
    })),
  );
  const stair = found.find((event) => event.text?.startsWith('Bump of +'));
  const jump = found.find((event) => event.text?.startsWith('Jump to partial 2'));
  expect(Math.abs(stair!.atS - SWELL.stair!.atS)).toBeLessThan(0.06);
  expect(Math.abs(jump!.atS - SWELL.jump!.atS)).toBeLessThan(0.06);
});

test('the level check hears the microphone', async ({ page }) => {
  await page.goto('/set-up');
  await page.getByRole('button', { name: 'Check the level' }).click();
  await expect(page.getByText('The tone is heard well.')).toBeVisible();
});

async function measure(page: Page, name: string): Promise<number> {
  const value = await page.getByTestId(name).getAttribute('data-value');
  expect(value, name).not.toBe('');
  return Number(value);
}

/** Loudest less softest half-beat, by mean power of the true level. */
function trueRangeDb(): number {
  const halves = Array.from({ length: 16 }, (_, half) => {
    const powers = Array.from({ length: 50 }, (_, i) => 10 ** (levelDbAt(SWELL, half / 2 + i / 100) / 10));
    return 10 * Math.log10(powers.reduce((sum, power) => sum + power, 0) / powers.length);
  });
  return Math.max(...halves) - Math.min(...halves);
}

test('tuning up tells the way for the mouthpiece', async ({ page }) => {
  await page.goto('/set-up');
  await page.getByRole('spinbutton', { name: 'Tuning A4, Hz' }).fill('443');
  await page.getByRole('button', { name: 'Tune up' }).click();
  // The swell sits about 5 cents over 440, so about 7 under 443.
  await expect(page.getByTestId('tune-up')).toContainText('in a little');
});

test('the way of the sound is refused when no click comes back', async ({ page }) => {
  await page.goto('/set-up');
  await page.getByRole('button', { name: 'Measure the latency' }).click();
  await expect(page.getByText(/of 8 clicks came back. Nothing was changed/)).toBeVisible();
  await expect(page.getByTestId('loop')).toContainText('only by more than 30 ms');
});

test('unplugged in mid-take: what was heard is kept, and the sentence says so', async ({ page }) => {
  await page.goto('/stand');
  await expect(page.getByText('Start, then play')).toBeVisible();
  await page.evaluate(() => window.madeClock.at(11, () => window.madeTrack.dispatchEvent(new Event('ended'))));
  await page.keyboard.press('Space');
  await expect(page.getByRole('alert')).toContainText('The microphone went away.');
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByText('1 take', { exact: true })).toBeVisible();
});
