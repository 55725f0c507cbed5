import { expect, expectAccessible, goByLink, test, withStandIn } from './app';

test('a note shows its sources, a source goes to the Stand', async ({ page }) => {
  await page.goto('/overtones');
  await page.getByRole('button', { name: 'F5: B♭3 fingered, partial 3' }).click();
  await expect(page.getByText('B♭3 fingered, Partial 3')).toBeVisible();
  await expect(page.getByText('F4 fingered, Partial 2')).toBeVisible();
  await page.getByRole('button', { name: 'Practise' }).first().click();
  await expect(page).toHaveURL(/stand/);
  await expect(page.getByRole('combobox', { name: 'Exercise' })).toHaveValue('overtoneMatch');
});

test('a phrase comes from a score file, a bad file changes nothing, a step can be pinned', async ({ page }) => {
  await page.goto('/overtones/route');
  const phrase = page.getByRole('textbox', { name: 'Phrase, written pitch' });
  const before = await phrase.inputValue();
  const bad = { name: 'x.musicxml', mimeType: 'text/xml', buffer: Buffer.from('<score-partwise><part>') };
  await page.getByTestId('phrase-file').setInputFiles(bad);
  await expect(page.getByRole('alert')).toContainText('can’t be read as MusicXML or MIDI');
  await expect(phrase).toHaveValue(before);
  await page.getByTestId('phrase-file').setInputFiles('core/formats/fixtures/harbour.musicxml');
  await page.getByRole('combobox', { name: 'Part' }).selectOption({ index: 1 });
  await expect(phrase).not.toHaveValue(before);
  await phrase.fill('F5:2 B♭5:2');
  await page.getByRole('combobox', { name: 'Source of note 1' }).selectOption('58/3');
  await page.getByRole('button', { name: 'Practise this route' }).click();
  await expect(page.getByRole('combobox', { name: 'Exercise' })).toHaveValue('overtoneRoute');
});

test('an own altissimo fingering is kept, tried three times and told of', async ({ page }) => {
  await withStandIn(page, 'clean');
  await goByLink(page, '/overtones/notebook');
  await page.getByRole('checkbox', { name: 'left 2' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.reload();
  await expect(page.getByText('Your own.')).toBeVisible();
  await page.getByRole('button', { name: 'Three tries' }).first().click();
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('150');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await goByLink(page, '/overtones/notebook');
  await expect(page.getByText('3 of 3 spoke')).toBeVisible();
  await expectAccessible(page);
});

test('another way to finger a note is chosen for good and shown on the Stand', async ({ page }) => {
  await withStandIn(page);
  await goByLink(page, '/overtones/notebook');
  await page.getByRole('button', { name: 'B♭4', exact: true }).click();
  await expect(page.getByText('Used: shown on the Stand.')).toHaveCount(1);
  const bis = page.getByRole('img', { name: 'left 1, bis', exact: true });
  await expect(bis).toBeVisible();
  await page.getByRole('button', { name: 'Use this one' }).first().click();
  // By a load: it is chosen for good.
  await page.goto('/stand');
  await page.getByRole('combobox', { name: 'Note' }).selectOption({ label: 'B♭4' });
  await expect(bis).toBeVisible();
  // What is played with it is on the map under its own keys.
  await page.keyboard.press('Escape');
  await page.keyboard.press('Space');
  await expect(page.getByTestId('verdict')).toBeVisible();
  await goByLink(page, '/horn/note/70');
  await expect(page.getByText('B♭4 by left 1 + bis:', { exact: false })).toBeVisible();
});

test('a climb by ear goes from rung to rung by itself, without a clock, and says what is next', async ({ page }) => {
  await withStandIn(page);
  await page.getByRole('link', { name: 'Overtones' }).first().click();
  await page.getByRole('button', { name: 'Climb by ear' }).click();
  await expect(page).toHaveURL(/stand/);
  const block = page.getByTestId('block');
  await expect(page.getByTestId('verdict')).toContainText(
    /Clear after \d\.\d s as a rule|Every tone was clear at once/,
  );
  await expect(block).toContainText('Rung 1');
  await expect(block).toContainText('Next: B3');
  await block.getByRole('button', { name: 'Continue' }).click();
  await expect(page.getByTestId('verdict')).toBeHidden();
  await expect(page.getByTestId('verdict')).toContainText(/Clear after|clear at once/);
  await expect(block).toContainText('Rung 2');
  await block.getByRole('button', { name: 'Stop the block' }).click();
  await expect(block).toBeHidden();
  await page.getByRole('link', { name: 'Log' }).first().click();
  await expect(page.getByText('2 takes', { exact: true })).toBeVisible();
});
