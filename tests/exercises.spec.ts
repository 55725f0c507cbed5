import type { Page } from '@playwright/test';
import { expect, expectAccessible, goByLink, test, withStandIn } from './app';

async function addToBlock(page: Page, family: string, fields: Record<string, string>): Promise<void> {
  await page.getByRole('button', { name: family, exact: true }).click();
  for (const [name, value] of Object.entries(fields))
    await page.getByRole('spinbutton', { name, exact: true }).fill(value);
  await page.getByRole('button', { name: 'Add to the block' }).click();
}

test('a block of three families runs from one key press to the last verdict', async ({ page }) => {
  await withStandIn(page, 'clean');
  await goByLink(page, '/exercises');
  await addToBlock(page, 'Hold', { Tempo: '150' });
  await addToBlock(page, 'Home check', { Tempo: '120' });
  await addToBlock(page, 'One-breath descent', { Beats: '2', Tempo: '150' });
  await page.getByRole('button', { name: 'Play the block' }).press('Enter');
  // Where the block stands is told between its takes; in play there is only what is played.
  for (const place of ['1 of 3', '2 of 3']) await expect(page.getByTestId('block')).toContainText(place);
  await expect(page.getByTestId('verdict')).toContainText('One fade over');
  await expect(page.getByTestId('block')).toBeHidden();
  await goByLink(page, '/log');
  await expect(page.getByText('3 takes', { exact: true })).toBeVisible();
});

test('own exercises and links carry an exercise; a bad link changes nothing', async ({ page }) => {
  await page.goto('/exercises');
  await page.getByRole('button', { name: 'Crossing the break' }).click();
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('72');
  await expect(page.getByTestId('part').locator('svg')).toBeVisible();
  await page.getByRole('textbox', { name: 'Name' }).fill('Break, slowly');
  await page.getByRole('button', { name: 'Keep as my own' }).click();
  await page.getByRole('button', { name: 'Hold', exact: true }).click();
  await page.reload();
  await page.getByRole('button', { name: 'Use' }).click();
  await expect(page.getByRole('spinbutton', { name: 'Tempo' })).toHaveValue('72');
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export as a file' }).click(),
  ]);
  await page.getByRole('button', { name: 'Remove' }).click();
  const broken = { name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":1}') };
  await page.getByTestId('exercise-file').setInputFiles(broken);
  await expect(page.getByText('This file holds no exercise')).toBeVisible();
  await page.getByTestId('exercise-file').setInputFiles(await saved.path());
  await expect(page.getByText('“Break, slowly” is now among your own.')).toBeVisible();
  await page.goto(`/exercises?exercise=${encodeURIComponent('{"family":"nothing"}')}`);
  await expect(page.getByText('This link holds no exercise')).toBeVisible();
  await expect(page.getByRole('spinbutton', { name: 'Tempo' })).toHaveValue('72');
  const linked = { family: 'hold', instrumentId: 'alto', tempoBpm: 99, tunerHidden: false, writtenMidi: 70 };
  const fields = { beats: 12, dynamic: 'mp', attack: 'tongue', repeats: 2, restBeats: 4 };
  await page.goto(`/exercises?exercise=${encodeURIComponent(JSON.stringify({ ...linked, ...fields }))}`);
  await expect(page.getByRole('heading', { name: 'B♭4 · Hold · mp' })).toBeVisible();
  await expectAccessible(page);
});

test('the home check is one key away, and one key leads back', async ({ page }) => {
  await withStandIn(page);
  await goByLink(page, '/stand');
  await expect(page.getByText('Start, then play')).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByTestId('note')).toHaveText('B♭3');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByTestId('note')).toHaveText('G4');
});

test('a caution shows where it matters, and is put away for the day', async ({ page }) => {
  await page.goto('/stand');
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Three zones' });
  await expect(page.getByTestId('caution')).toContainText('loud at the ear');
  await page.getByRole('button', { name: 'Hide it for today' }).click();
  await expect(page.getByTestId('caution')).toBeHidden();
  await page.reload();
  await expect(page.getByText('Start, then play')).toBeVisible();
  await expect(page.getByTestId('caution')).toBeHidden();
});

test('hands-free: each verdict is followed by the proposed next step, until it is stopped', async ({ page }) => {
  await withStandIn(page, 'jump');
  await goByLink(page, '/stand');
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Home check' });
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('160');
  await page.getByRole('checkbox', { name: 'Continue by itself' }).check();
  await page.keyboard.press('Escape');
  await page.getByTestId('start').press('Enter');
  await expect(page.getByText('The next take follows by itself')).toBeVisible();
  // It broke, so the next one starts louder, and begins without a key.
  await expect(page.getByTestId('verdict')).toBeHidden();
  await expect(page.getByTestId('dynamics').locator('text')).toHaveText('f');
  await expect(page.getByText('The next take follows by itself')).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByText('The next take follows by itself')).toBeHidden();
  await page.waitForTimeout(7000);
  await expect(page.getByTestId('verdict')).toBeVisible();
});

test('the home check begins from the tone that sounds in free play, without a count-in', async ({ page }) => {
  await withStandIn(page);
  await goByLink(page, '/stand');
  await expect(page.getByText('Start, then play')).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByText('Listening.')).toBeVisible();
  await page.keyboard.press('b');
  await expect(page.getByTestId('note')).toHaveText('B♭3');
  await expect(page.getByTestId('verdict')).toBeVisible();
  // Once the way back is there, the exercise is the home check no more.
  await page.keyboard.press('b');
  await expect(page.getByTestId('note')).toHaveText('G4');
});
