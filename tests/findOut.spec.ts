import { expect, goByLink, test, withStandIn } from './app';

test('a question is asked, tried in the order that was drawn, heard blind, and kept over a reload', async ({
  page,
}) => {
  await withStandIn(page);
  await goByLink(page, '/horn/compare');
  await page.getByText('Ask a question').click();
  await page.getByLabel('Your question').fill('Is it steadier with less mouthpiece?');
  await page.getByLabel('Way A').fill('as usual');
  await page.getByLabel('Way B').fill('less mouthpiece');
  for (const number of [2, 3, 4]) await page.getByRole('combobox', { name: `Note ${number}` }).selectOption('');
  await page.getByLabel('medium').uncheck();
  await page.getByRole('button', { name: 'Draw the order and begin' }).click();

  await expect(page.getByTestId('next-try')).toContainText('Round 1 of 12');
  await page.getByRole('button', { name: 'To the Stand' }).click();
  await expect(page.getByTestId('trial')).toContainText('Find out, round 1');
  await page.getByTestId('start').click();
  await page.getByTestId('verdict').waitFor();
  await page
    .getByTestId('trial')
    .getByRole('button', { name: /^Next:/ })
    .click();
  await expect(page.getByTestId('verdict')).toBeHidden();
  await page.getByTestId('verdict').waitFor();
  await page.getByRole('link', { name: 'To the question' }).click();

  await expect(page.getByTestId('next-try')).toContainText('Round 2 of 12');
  await expect(page.getByTestId('answer')).toContainText('after four whole rounds');
  await expect(page.getByTestId('by-ear')).not.toContainText('less mouthpiece');
  await page.getByRole('button', { name: 'Hear A' }).click();
  await page.getByRole('button', { name: 'B sounds better' }).click();
  await expect(page.getByTestId('answer')).toContainText(/“less mouthpiece” in [01] of 1 choices/);
  await page.reload();
  await expect(page.getByTestId('answer')).toContainText(/“less mouthpiece” in [01] of 1 choices/);
});
