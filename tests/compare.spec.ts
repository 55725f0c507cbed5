import { expect, test, type Page } from '@playwright/test';

/** The newest take of the demo season; what goes wrong in its page is collected. */
async function openTake(page: Page): Promise<string[]> {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  await page.goto('/log?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await page.locator('a[href^="/take/"]').first().click();
  return errors;
}

test('a take is heard as played, evened in the own sound, and against the best', async ({ page }) => {
  const errors = await openTake(page);
  const which = page.getByRole('combobox', { name: 'Hear' });
  const play = page.getByRole('button', { name: 'Play', exact: false }).first();
  const pause = page.getByRole('button', { name: 'Pause' });
  await play.click();
  for (const sound of ['evened', 'asBest', 'best', 'played']) {
    // From near the beginning, so that what follows does not come to its end while it is looked at.
    await page.getByRole('slider', { name: 'Place in the take' }).fill('1');
    await page.locator('body').click({ position: { x: 640, y: 5 } });
    await page.keyboard.press('e');
    await expect(which).toHaveValue(sound);
    await expect(page.getByText('Working …')).toBeHidden();
    // On a slow machine the sound before may have come to its end meanwhile.
    if (!(await pause.isVisible())) await play.click();
    await expect(pause).toBeVisible();
  }
  expect(errors).toEqual([]);
});

test('what a sentence is about is heard, then the same beats of the best take, and one sound at a time', async ({
  page,
}) => {
  const errors = await openTake(page);
  await page.goto('/take/demo-142');
  const verdict = page.getByRole('status', { name: 'Verdict' });
  await verdict.getByRole('button', { name: 'Sharp by 15 cents' }).click();
  await expect(verdict).toContainText('Heard: this take.');
  await expect(verdict).toContainText('Heard: your best take');
  await expect(verdict).not.toContainText('Heard:');
  await verdict.getByRole('button', { name: 'Sharp by 15 cents' }).click();
  await expect(verdict).toContainText('Heard: this take.');
  await page.getByRole('button', { name: 'Play', exact: false }).first().click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await expect(verdict).not.toContainText('Heard:');
  expect(errors).toEqual([]);
});

test('two takes are heard in turn, also at half speed, and stop', async ({ page }) => {
  const errors = await openTake(page);
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

test('a take is played after: heard on the Stand, tried, and told how near it came', async ({ page }) => {
  const errors = await openTake(page);
  await page.goto('/take/demo-142');
  await page.getByRole('combobox', { name: 'Set against' }).selectOption({ index: 1 });
  const near = page.getByTestId('how-near');
  await expect(near).toContainText(/they lie [\d.]+ cents, [\d.]+ dB and \d+ % of colour apart/);
  await near.getByRole('button', { name: 'Play after the other' }).click();
  // Another place is seen from its top, wherever the page before was scrolled to.
  const target = page.getByTestId('target');
  await expect(target).toBeVisible();
  expect(await page.evaluate(() => scrollY)).toBe(0);
  await target.getByRole('button', { name: 'Hear it', exact: true }).click();
  await expect(target.getByRole('link')).toBeHidden();
  await page.getByTestId('start').click();
  await expect(page.getByTestId('verdict')).toBeVisible();
  await target.getByRole('link', { name: 'How near was it?' }).click();
  await expect(page.getByTestId('how-near')).toContainText('of colour apart');
  await expect(page.getByRole('combobox', { name: 'Set against' })).not.toHaveValue('');
  expect(errors).toEqual([]);
});
