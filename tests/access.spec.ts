import { expect, expectAccessible, goByLink, headingOf, test } from './app';

const EMPTY_PLACES = ['/', '/stand', '/exercises', '/horn', '/horn/compare', '/overtones', '/log', '/set-up'];

// With the demo's takes the places are checked in the light, where they are walked through.
test('empty places pass the accessibility check in the dark', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/guide');
  for (const path of EMPTY_PLACES) {
    await goByLink(page, path);
    await expect(headingOf(page)).toBeVisible();
    await expectAccessible(page, path);
  }
});

test('a take passes it while it is played, with its verdict, opened and in the Log', async ({ page }) => {
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  // The made clock stands still while the check looks at what is being played.
  await page.evaluate(() => window.madeClock.at(6, () => (window.madeClock.asleep = true)));
  await page.getByTestId('start').click();
  await expect(page.getByTestId('ribbon')).toBeVisible();
  await page.waitForFunction(() => window.madeClock.asleep);
  await expectAccessible(page, 'in play');
  await page.evaluate(() => (window.madeClock.asleep = false));
  await expect(page.getByTestId('verdict')).toBeVisible();
  await expectAccessible(page, 'verdict');
  await page.getByRole('link', { name: 'Numbers and traces' }).click();
  await expect(page.getByRole('combobox', { name: 'Hear' })).toBeVisible();
  await expectAccessible(page, 'take');
  await page.getByRole('link', { name: 'Log' }).click();
  await page.getByText('Backups, recordings').click();
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await expectAccessible(page, 'log');
});
