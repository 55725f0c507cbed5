import { expect, test } from './app';

test.use({ sound: { microphone: 'missing' } });

test('a refused or missing microphone: a plain sentence and a way on', async ({ page }) => {
  await page.goto('/stand');
  await expect(page.getByText('Press Space')).toBeVisible();
  await page.keyboard.press('Space');
  const problem = page.getByRole('alert');
  await expect(problem).toContainText('No microphone was found');
  await problem.getByRole('button', { name: 'Use the stand-in player' }).click();
  await expect(problem).toBeHidden();
  await page.locator('body').press('Space');
  await expect(page.getByTestId('verdict')).toBeVisible({ timeout: 40_000 });
});

test('the browser says no: the sentence is about permission', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await page.goto('/stand');
  await expect(page.getByText('Press Space')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('alert')).toContainText('does not let this page use the microphone');
});
