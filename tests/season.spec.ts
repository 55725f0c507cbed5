import { expect, expectAccessible, test } from './app';

test('a new player is asked two things, and the first day is few of them', async ({ page }) => {
  await page.goto('/');
  await page.getByText('No horn at hand? Choose for yourself').click();
  await page.getByRole('combobox', { name: 'Where does the sound come from?' }).selectOption('standIn');
  await page.getByRole('button', { name: 'Look around' }).click();
  const ask = page.getByTestId('ask-player');
  // Nothing is chosen before it is answered.
  await expect(ask.getByRole('button', { name: 'Plan with this' })).toBeDisabled();
  await ask.getByRole('combobox', { name: 'How far are you with this work?' }).selectOption('home');
  await ask.getByRole('checkbox', { name: 'Long tones' }).check();
  await ask.getByRole('checkbox', { name: 'Swells' }).check();
  await ask.getByRole('button', { name: 'Plan with this' }).click();
  await expect(ask).toBeHidden();
  await expect(page.getByTestId('week-theme')).toContainText('This week is about getting to know your horn.');
  const blocks = page.getByRole('listitem');
  await expect(blocks.first()).toContainText('Tune-up');
  await expect(page.getByText('Survey', { exact: true })).toBeVisible();
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByTestId('week-theme')).toBeVisible();
  await expect(ask).toBeHidden();
});

test('on a Monday, nothing played yet, the page of the week is that of the week before', async ({ page }) => {
  await page.clock.setSystemTime(new Date('2026-11-30T09:00:00'));
  await page.goto('/week?demo');
  await expect(page.getByText('Nothing is played yet this week: this is the week before it.')).toBeVisible();
  await expect(page.getByText(/^It was about /)).toBeVisible();
  await expect(page.getByTestId('blind-pair').getByRole('button', { name: 'Hear A' })).toBeVisible();
});

test('the week has its page, with a pair that is told apart by ear first', async ({ page }) => {
  await page.goto('/today?demo');
  await page.getByRole('link', { name: 'The week so far' }).click();
  await expect(page.getByRole('heading', { name: 'The week', exact: true })).toBeVisible();
  await expect(page.getByRole('row')).toHaveCount(6);
  const pair = page.getByTestId('blind-pair');
  await expect(pair.getByRole('button', { name: 'Hear A' })).toBeVisible();
  await expect(pair).not.toContainText('is the newer one');
  await pair.getByRole('button', { name: 'B is better' }).click();
  await expect(pair).toContainText('is the newer one');
  await expectAccessible(page);
});
