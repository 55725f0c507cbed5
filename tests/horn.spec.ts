import { expect, goByLink, test } from './app';

test('a horn without high F♯: every exercise plays on it, and its rail and its fingerings end with its keys', async ({
  page,
}) => {
  await page.goto('/?demo');
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
  await goByLink(page, '/set-up');
  await page.getByLabel('High F♯ key').uncheck();
  await page.goto('/stand');
  const families = page.getByRole('combobox', { name: 'Exercise', exact: true });
  await expect(families).toBeVisible();
  const names = await families.getByRole('option').allTextContents();
  expect(names.length).toBeGreaterThan(30);
  for (const name of names) {
    await families.selectOption({ label: name });
    await expect(page.getByTestId('start')).toBeEnabled();
    await expect(page.getByText('Not possible as chosen')).toHaveCount(0);
  }
  await families.selectOption({ label: 'Full-span scale' });
  await page.getByTestId('start').click();
  await expect(page.getByTestId('verdict')).toBeVisible();
  // It is there again, whole, and the breath of before counts on it.
  await goByLink(page, '/log');
  await expect(page.getByText('194 takes')).toBeVisible();
  await page.getByRole('listitem').first().getByRole('link').first().click();
  await expect(page.getByRole('button', { name: 'Play it again' })).toBeVisible();
  await goByLink(page, '/exercises');
  await page.getByRole('button', { name: 'Swell', exact: true }).click();
  await expect(page.getByText('Your longest good tone there lately')).toBeVisible();
  // What was played on this size of horn stays on its map, also a note that this one has no key for.
  await goByLink(page, '/horn');
  await expect(page.getByText('F6', { exact: true }).first()).toBeVisible();
  await expect(page.getByText('F♯6', { exact: true }).first()).toBeVisible();
  // The build is kept.
  await goByLink(page, '/set-up');
  await expect(page.getByLabel('High F♯ key')).not.toBeChecked();
});
