import { expect, test } from './app';

test.describe('missing', () => {
  test.use({ sound: { microphone: 'missing' } });

  test('a plain sentence and a way on', async ({ page }) => {
    await page.goto('/stand');
    await expect(page.getByText('Start, then play')).toBeVisible();
    await page.keyboard.press('Space');
    const problem = page.getByRole('alert');
    await expect(problem).toContainText('No microphone was found');
    await problem.getByRole('button', { name: 'Use the stand-in player' }).click();
    await expect(problem).toBeHidden();
    await page.locator('body').press('Space');
    await expect(page.getByTestId('verdict')).toBeVisible();
  });
});

test.describe('refused', () => {
  test.use({ sound: { microphone: 'refused' } });

  test('the sentence is about permission', async ({ page }) => {
    await page.goto('/stand');
    await page.getByTestId('start').click();
    await expect(page.getByRole('alert')).toContainText('does not let this page use the microphone');
  });
});
