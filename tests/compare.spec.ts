import { expect, test } from '@playwright/test';

test('two takes are heard in turn, also at half speed, and stop', async ({ page }) => {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  await page.goto('/log?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await page.locator('a[href^="/take/"]').first().click();
  await page.getByRole('combobox', { name: 'Set against' }).selectOption({ index: 1 });
  for (const half of [false, true]) {
    if (half) await page.getByRole('button', { name: 'Half speed' }).click();
    await page.getByTestId('ab-play').click();
    await expect(page.getByTestId('ab-heard')).toContainText('Heard: A');
    await page.keyboard.press('s');
    await expect(page.getByTestId('ab-heard')).toContainText('Heard: B');
    await page.keyboard.press('s');
    await page.getByTestId('ab-play').click();
    await expect(page.getByTestId('ab-play')).toHaveText('Hear both in turn');
  }
  expect(errors).toEqual([]);
});
