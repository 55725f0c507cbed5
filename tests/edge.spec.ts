import { expect, test } from './app';

/** Alto, written D4: after three seconds of it its octave mixes in over three, and then it breaks into it for a while. */
const BEGINS_S = 2;
const MIXES = { fromS: 5, toS: 8 };
test.use({
  sound: {
    sampleAt: `
      if (timeS < ${BEGINS_S} || timeS > ${BEGINS_S + 8}) return 0;
      const hz = 440 * 2 ** ((62 - 9 - 69) / 12);
      const mixes = timeS > ${MIXES.fromS} && timeS < ${MIXES.toS} ? 0.6 * Math.min(1, (timeS - ${MIXES.fromS}) / 2) : 0;
      const broken = timeS >= ${MIXES.toS} && timeS < ${MIXES.toS} + 0.4;
      let sum = 0;
      for (let k = 1; k <= 8; k++)
        sum += ((broken ? 0 : Math.sin(2 * Math.PI * k * hz * timeS)) + (broken ? 1 : mixes) * Math.sin(2 * Math.PI * k * 2.001 * hz * timeS)) / k;
      return 0.06 * sum;`,
  },
});

test('the octave that mixes into a tone before it breaks is told while it sounds, and in the verdict', async ({
  page,
}) => {
  await page.goto('/stand');
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Hold' });
  await page.getByRole('combobox', { name: 'Note' }).first().selectOption({ label: 'D4' });
  await page.getByText('Cue, silent bars, beat one').click();
  await page.getByRole('combobox', { name: 'Beat one' }).selectOption({ label: 'with my first tone' });
  await page.keyboard.press('Escape');
  // There is time to read it: the made clock is quick.
  await page.evaluate((atS) => window.madeClock.at(atS, () => (window.madeClock.slow = true)), MIXES.fromS);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('sounding')).toHaveText('an overtone mixes in');
  await page.evaluate(() => (window.madeClock.slow = false));
  await expect(page.getByTestId('verdict')).toContainText('An overtone mixed in before it broke');
});
