import { expect, test } from './app';
import { hears } from './testWav';

/**
 * Half steps from the written G4 to what sounds, counted down from A4 = 440 Hz: the highest size, the lowest, and one
 * between. Each of them is heard in the tests of what tells it.
 */
const SIZES = [
  ['Sopranino', 1],
  ['Alto', -11],
  ['Bass', -28],
] as const;
const BREAKS_S = [
  [0, -30],
  [3, -40],
  [6, -20],
] as const;

for (const [i, [size, semitones]] of SIZES.entries())
  test.describe(() => {
    const cents = i % 2 === 0 ? 55 : -55;
    const hz = 440 * 2 ** ((semitones + cents / 100) / 12);
    const tone = {
      lengthS: 9,
      // A reed that starts sounds the octave below for a moment.
      hzAt: (t: number) => (t < 0.09 ? hz / 2 : hz),
      levelDbAt: (t: number) => BREAKS_S.findLast(([fromS]) => t >= fromS)![1],
    };
    test.use({ sound: hears(tone, 1.5) });
    test(`one note tells a ${size}, ${cents} cents off`, async ({ page }) => {
      await page.goto('/');
      await page.getByRole('button', { name: /^Play one long G4/ }).click();
      const panel = page.getByTestId('one-note');
      await expect(panel.getByRole('combobox', { name: 'You play' }).locator('option:checked')).toHaveText(size);
      await expect(panel).toContainText(`${cents > 0 ? '+' : '−'}55 cents from A = 440 Hz: tune up first`);
      await expect(panel).toContainText('The room is quiet.');
      await expect(panel).toContainText(/From soft to loud so far: (19|20|21) dB/);
      await page.keyboard.press('Enter');
      await expect(page.getByTestId('start')).toBeVisible();
      await expect(page.getByText(`${size} · Microphone`)).toBeVisible();
    });
  });
