import { readFileSync } from 'node:fs';
import { expect, expectAccessible, goByLink, test, withStandIn } from './app';
import { withMadeSound } from './madeSound';

test('a routine goes out as a file, stands first on its day in another copy, and is played', async ({
  page,
  browser,
}) => {
  await page.goto('/exercises');
  await page.getByLabel('A usual one').selectOption({ label: 'By swells' });
  await page.getByRole('button', { name: 'Add it' }).click();
  const row = page.getByTestId('routine');
  await expect(row).toContainText('By swells');
  await row.getByText('Change', { exact: true }).click();
  for (const box of await row.getByRole('group', { name: 'Days' }).getByRole('checkbox').all()) await box.check();
  await row.getByLabel('Must be played on its days').check();
  await row.getByLabel('Remark').nth(2).fill('Not too soft at the end.');
  await row.getByLabel('Tries').first().fill('1');
  await row.getByLabel('Tries').first().press('Tab');
  await expectAccessible(page);
  const saving = page.waitForEvent('download');
  await row.getByRole('button', { name: 'Export as a file' }).click();
  const text = readFileSync(await (await saving).path(), 'utf8');

  const other = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const student = await other.newPage();
  await withMadeSound(student, {});
  await withStandIn(student);
  await goByLink(student, '/exercises');
  const put = (content: string) =>
    student
      .getByTestId('routine-file')
      .setInputFiles({ name: 'routine.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  await put('{"format":"inner-hum-routine"}');
  await expect(student.getByText('This file holds no routine this version knows.')).toBeVisible();
  await put(text);
  // What it would add is shown, and nothing is stored before it is wanted.
  const offer = student.getByTestId('routine-offer');
  await expect(offer).toContainText('It asks to stand in your session on');
  await expect(student.getByTestId('routine')).toHaveCount(0);
  await offer.getByRole('button', { name: 'Don’t add it' }).click();
  await expect(offer).toBeHidden();
  await put(text);
  await offer.getByRole('button', { name: 'Add it', exact: true }).click();
  await expect(student.getByText('“By swells” is now among your routines.')).toBeVisible();
  await student.goto('/today');
  await student.getByRole('button', { name: 'Look around' }).click();
  await expect(student.getByText('From the routine “By swells”.').first()).toBeVisible();
  await expect(student.getByText('Not too soft at the end.')).toBeVisible();
  await student.getByTestId('start-session').click();
  await expect(student.getByTestId('verdict')).toBeVisible();
  await expect(student.getByTestId('block')).toContainText('Not too soft at the end.');
  await other.close();
});

test('what a routine replaces or loses can be had back', async ({ page }) => {
  await page.goto('/exercises');
  for (const name of ['From the low end', 'By swells']) {
    await page.getByLabel('A usual one').selectOption({ label: name });
    await page.getByRole('button', { name: 'Add it' }).click();
  }
  const rows = page.getByTestId('routine');
  await rows.first().getByText('Change', { exact: true }).click();
  await rows.first().getByRole('listitem').first().getByRole('button', { name: 'Remove' }).click();
  await expect(rows.first().getByRole('listitem')).toHaveCount(4);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(rows.first().getByRole('listitem')).toHaveCount(5);
  // In the page itself: what can be undone is so until the page is left.
  await rows.nth(0).getByRole('button', { name: 'Play it today' }).click();
  await page.getByRole('button', { name: 'Look around' }).click();
  await page.getByRole('link', { name: 'Exercises' }).first().click();
  await rows.nth(1).getByRole('button', { name: 'Play it today' }).click();
  await expect(page.getByText('Today’s session is now “By swells”.')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText('From the routine “From the low end”.').first()).toBeVisible();
});

test('a routine prints as a lesson sheet of one page with every part', async ({ page }) => {
  await page.goto('/exercises');
  for (const name of ['From the low end', 'By swells', 'By overtones', 'Over the whole horn', 'By long tones']) {
    await page.getByLabel('A usual one').selectOption({ label: name });
    await page.getByRole('button', { name: 'Add it' }).click();
  }
  const rows = page.getByTestId('routine');
  await expect(rows).toHaveCount(5);
  for (let i = 0; i < 5; i++) {
    await page.goto(`/exercises/sheet/${i}`);
    const parts = page.getByTestId('part');
    await expect(parts.first()).toBeVisible();
    await expect(parts.locator('svg')).toHaveCount(await parts.count());
    // Paper is laid out with the fonts that are there by then.
    await page.emulateMedia({ media: 'print' });
    await page.evaluate(async () => {
      await document.fonts.ready;
      await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
    });
    for (const format of ['A4', 'Letter']) {
      const paper = (await page.pdf({ format, preferCSSPageSize: true })).toString('latin1');
      expect(paper.match(/\/Type\s*\/Page\b/g), `sheet ${i} on ${format}`).toHaveLength(1);
    }
    await page.emulateMedia({ media: 'screen' });
  }
});
