import { expect, goByLink, test } from './app';

/** Two minutes: every twenty seconds a written note of the alto is held for four, then there is talk, a run, a radio. */
const ROUNDS = 6;
const WRITTEN = [60, 64, 67, 71, 76];
const TWO_MINUTES = `
  const round = Math.floor(timeS / 20), t = timeS % 20;
  const voice = (hz, at, most) => {
    let sum = 0;
    for (let n = 1; n <= most; n++) sum += Math.sin(2 * Math.PI * n * hz * at) / n;
    return sum;
  };
  const sounding = (written) => 440 * 2 ** ((written - 9 - 69) / 12);
  const click = timeS % 1 < 0.03 ? 0.2 * Math.sin(2 * Math.PI * 2637 * timeS) * Math.exp(-(timeS % 1) / 0.006) : 0;
  if (round >= ${ROUNDS}) return 0;
  if (t > 1 && t < 5) return click + 0.1 * Math.min(1, (t - 1) / 0.03, (5 - t) / 0.05) * voice(sounding(${JSON.stringify(WRITTEN)}[round % 5]), t, 8);
  if (t > 6 && t < 12) {
    const place = (t % 0.34) / 0.22;
    if (place > 1) return click;
    return click + 0.06 * Math.sin(Math.PI * place) * Math.exp(8 * (Math.cos(2 * Math.PI * ((105 + 8 * Math.sin(t)) * t + 40 * place * place)) - 1));
  }
  if (t > 12.5 && t < 14) return click + 0.1 * Math.min(1, ((t - 12.5) % 0.3) / 0.02) * voice(sounding(62 + 2 * Math.floor((t - 12.5) / 0.3)), t, 8);
  if (t > 15) return click + [1, 1.26, 1.498, 2.52].reduce((sum, ratio) => sum + 0.004 * Math.sin(2 * Math.PI * 220 * 2 ** (Math.floor(t % 5) / 12) * ratio * t), 0);
  return click;
`;

test.use({ sound: { sampleAt: TWO_MINUTES } });

test('free play is accounted for: the notes that were held, and nothing else', async ({ page }) => {
  await page.goto('/stand');
  await page.getByRole('button', { name: /^Free play/ }).click();
  await expect(page.getByText('Listening.')).toBeVisible();
  await page.evaluate(() => new Promise<void>((resolve) => window.madeClock.at(121, resolve)));
  await page.keyboard.press('f');
  const verdict = page.getByTestId('verdict');
  await expect(verdict).toContainText(`${ROUNDS} notes held`);
  await expect(verdict).toContainText('in your map now, at half the weight');
  await goByLink(page, '/horn');
  const map = page.getByRole('main');
  for (const note of ['C4', 'E4', 'G4', 'B4', 'E5']) await expect(map).toContainText(note);
  await goByLink(page, '/log');
  await expect(page.getByRole('main')).toContainText('1 take');
  await expect(page.getByRole('main')).toContainText('Free play');
});

test('where free play shall not count, nothing of it is kept', async ({ page }) => {
  await page.goto('/set-up');
  await page.getByRole('checkbox', { name: 'Free play counts' }).uncheck();
  await goByLink(page, '/stand');
  await page.getByRole('button', { name: /^Free play/ }).click();
  await expect(page.getByText('Listening.')).toBeVisible();
  await page.evaluate(() => new Promise<void>((resolve) => window.madeClock.at(8, resolve)));
  await page.keyboard.press('f');
  await expect(page.getByTestId('verdict')).toHaveCount(0);
  await goByLink(page, '/log');
  await expect(page.getByRole('main')).toContainText('Nothing here yet');
});
