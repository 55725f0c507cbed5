import { expect, test } from './app';
import { hears } from './testWav';

/** Alto, written E♭4 down to B♭3, a second each, in one fade; the last note breaks into the octave for 0.3 s. */
const WRITTEN = [63, 62, 61, 60, 59, 58];
const JUMP = { fromS: 5.4, toS: 5.7 };
const HEARD = hears(
  {
    lengthS: WRITTEN.length,
    hzAt: (t) => {
      const octave = t >= JUMP.fromS && t < JUMP.toS ? 2 : 1;
      return octave * 440 * 2 ** ((WRITTEN[Math.min(5, Math.floor(t))]! - 9 - 69) / 12);
    },
    levelDbAt: (t) => -21 - 3 * t,
  },
  7,
);

test.use({ sound: HEARD });

test('a one-breath descent by microphone: the octave in its last note is found, and only there', async ({ page }) => {
  await page.goto('/stand');
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'One-breath descent' });
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('120');
  await page.getByText('Cue, silent bars, beat one').click();
  await page.getByRole('combobox', { name: 'Beat one' }).selectOption({ label: 'with my first tone' });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Space');
  const verdict = page.getByTestId('verdict');
  await expect(verdict).toContainText('Tone 6 (B♭3): The note jumped to B♭4 (the octave above) on beat 1');
  await expect(verdict).not.toContainText('more tone');
});
