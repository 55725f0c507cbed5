import { expect, goByLink, test, textsOf } from './app';
import { hears } from './testWav';

/** Tenor, low B♭ fingered: partials 1–2–3–4–3–2–1, a second each, slurred; the second partial 3 breaks to 5 for 0.25 s. */
const PARTIALS = [1, 2, 3, 4, 3, 2, 1];
const LOW_B_FLAT_HZ = 440 * 2 ** ((58 - 14 - 69) / 12);
// Well within its beat: where the first tone sets beat one, that may lie some hundredths of a second off.
const JUMP = { fromS: 4.6, toS: 4.85, partial: 5 };
const HEARD = hears(
  {
    lengthS: PARTIALS.length,
    hzAt: (t) => {
      if (t >= JUMP.fromS && t < JUMP.toS) return LOW_B_FLAT_HZ * JUMP.partial;
      const partial = PARTIALS[Math.min(PARTIALS.length - 1, Math.floor(t))]!;
      return LOW_B_FLAT_HZ * 2 ** (Math.round(12 * Math.log2(partial)) / 12);
    },
    levelDbAt: () => -27,
  },
  7,
);

test.use({ sound: HEARD });

test('a ladder by microphone: the planted break to partial 5 is found, and only there', async ({ page }) => {
  await page.goto('/set-up');
  await page.getByRole('combobox', { name: 'Horn' }).selectOption('tenor');
  await goByLink(page, '/stand');
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Overtone ladder' });
  await page.getByRole('combobox', { name: 'Pattern' }).selectOption({ label: 'Up and back' });
  await page.getByRole('spinbutton', { name: 'Up to partial' }).fill('4');
  await page.getByRole('spinbutton', { name: 'Times' }).fill('1');
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('120');
  await page.getByText('Cue, silent bars, beat one').click();
  await page.getByRole('combobox', { name: 'Beat one' }).selectOption({ label: 'with my first tone' });
  await page.keyboard.press('Escape');
  const shown = await textsOf(page, 'sounding');
  await page.keyboard.press('Space');
  const verdict = page.getByTestId('verdict');
  await expect(verdict).toContainText('Tone 5 (F5): The tone jumped to partial 5 on beat 2');
  await expect(verdict).not.toContainText('more tone');
  expect(await shown()).toContain('Partial 3 sounds');
});
