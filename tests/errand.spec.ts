import { expect, expectAccessible, goByLink, headingOf, test } from './app';

test('the whole errand: first run, a planned session, the log, two takes by ear, backup, another browser, restore', async ({
  page,
  browser,
}) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Hear it, hum it, hold it.' })).toBeVisible();
  await page.getByText('No horn at hand? Choose for yourself').click();
  await page.getByRole('combobox', { name: 'Where does the sound come from?' }).selectOption('standIn');
  await page.getByRole('button', { name: 'Look around' }).click();
  await page.getByRole('combobox', { name: 'Minutes at hand' }).selectOption('5');
  await expect(page.getByRole('listitem')).toHaveCount(3);
  // Two tries at one note are enough here.
  for (const left of [2, 1]) {
    const last = page.getByRole('listitem').last();
    while ((await page.getByRole('listitem').count()) > left)
      await last.getByRole('button', { name: /^Less of/ }).click();
  }
  const only = page.getByRole('listitem').first();
  for (;;) {
    const tries = await only.textContent();
    if (tries?.includes('2 times')) break;
    await only.getByRole('button', { name: tries?.includes('once') ? /^More of/ : /^Less of/ }).click();
  }
  await page.locator('h1').click();
  await page.keyboard.press('Space');
  // Between the two takes it is told where the session stands; in play there is only what is played.
  await expect(page.getByTestId('block')).toContainText('1 of 2', { timeout: 90_000 });
  await expect(page.getByTestId('block')).toBeHidden({ timeout: 90_000 });
  await expect(page.getByTestId('verdict')).toBeVisible({ timeout: 90_000 });
  await page.getByRole('link', { name: 'Today' }).click();
  await expect(page.getByText('All done for today.')).toBeVisible();

  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByText('2 takes', { exact: true })).toBeVisible();
  await page.getByRole('listitem').first().getByRole('link').click();
  await page.getByRole('combobox', { name: 'Set against' }).selectOption({ index: 1 });
  await page.getByTestId('ab-play').click();
  await expect(page.getByTestId('ab-heard')).toContainText('Heard: A');
  await page.keyboard.press('s');
  await expect(page.getByTestId('ab-heard')).toContainText('Heard: B');
  await page.getByTestId('ab-play').click();

  await page.getByRole('link', { name: 'Log' }).click();
  await page.getByText('Backups, recordings').click();
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save a backup' }).click(),
  ]);
  const wiped = await (await browser.newContext()).newPage();
  await wiped.goto('/log');
  await wiped.getByTestId('restore').setInputFiles(await saved.path());
  await expect(wiped.getByText('2 takes read.')).toBeVisible();
  await wiped.getByRole('link', { name: 'Today' }).click();
  await expect(wiped.getByRole('combobox', { name: 'Minutes at hand' })).toHaveValue('5');
});

test('the demo season is alive in every place, and is removed in one step', async ({ page }) => {
  await page.goto('/?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await expect(page.getByText(/days of 14 with the horn/)).toBeVisible();
  await expect(page.getByText('Your goal: a soft entry on B♭3').first()).toBeVisible();
  await expect(page.getByTestId('one-change')).toBeVisible();
  await goByLink(page, '/horn');
  await expect(page.getByText('of 100, from 4 parts')).toBeVisible();
  await page.getByRole('button', { name: /^D5: soft/ }).hover();
  await expect(page.getByTestId('note-sentence')).toContainText('D5: soft');
  await page.getByRole('button', { name: /^D5: soft/ }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Takes with this note' })).toBeVisible();
  await goByLink(page, '/horn/compare');
  await expect(page.getByText(/90 %:/).first()).toBeVisible();
  await goByLink(page, '/log?note=74');
  await page.getByRole('button', { name: 'Show the trend' }).click();
  await expect(page.getByRole('img', { name: /Steadiness over time/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Firsts' })).toBeVisible();
  for (const path of ['/today', '/horn', '/horn/compare', '/horn/sheet', '/horn/leak', '/overtones', '/log']) {
    await goByLink(page, path);
    await expect(headingOf(page)).toBeVisible();
    await expectAccessible(page, path);
  }
  await page.getByRole('button', { name: 'Remove the demo data' }).click();
  await expect(page.getByText('Nothing here yet')).toBeVisible();
  await expect(page.getByText('Demo data')).toBeHidden();
  // By a load: it is gone for good.
  await page.goto('/horn');
  await expect(page.getByText('Nothing measured on this horn yet.')).toBeVisible();
});
