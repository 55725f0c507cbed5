import { expect, test, textsOf } from './app';
import { hears } from './testWav';

test.use({ sound: hears({ lengthS: 4, hzAt: () => 233.08, levelDbAt: () => -24 }, 6) });

test('the part follows the beat, and the cue that is tried is kept with the take', async ({ page }) => {
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await page.getByTestId('before').getByRole('button', { name: 'Ready' }).click();
  await expect(page.getByTestId('before')).toBeHidden();
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Zigzag descent' });
  await page.getByRole('spinbutton', { name: 'Notes' }).fill('3');
  await page.getByRole('spinbutton', { name: 'Tempo' }).fill('150');
  await page.getByText('Cue, silent bars, beat one').click();
  await page.getByRole('combobox', { name: 'Cue I am trying' }).selectOption({ label: 'Softer: slow the air' });
  await page.keyboard.press('Escape');
  // It is looked at from before the start: a busy machine may show few of its places.
  const places = await page.evaluateHandle(() => {
    const seen: number[] = [];
    const look = () => {
      const left = document.querySelector('[data-testid="part-mark"]')?.getBoundingClientRect().left;
      if (left !== undefined) seen.push(left);
      requestAnimationFrame(look);
    };
    look();
    return seen;
  });
  await page.getByTestId('start').click();
  await expect(page.getByTestId('stand-part').locator('svg')).toBeVisible();
  await page.getByRole('link', { name: 'Numbers and traces' }).click();
  const seen = await places.jsonValue();
  expect(Math.max(...seen)).toBeGreaterThan(seen[0]! + 40);
  await expect(page.getByText('Cue tried: Softer: slow the air.')).toBeVisible();
});

test('the note played again after a verdict starts the next take', async ({ page }) => {
  await page.goto('/stand');
  await page.getByText('Cue, silent bars, beat one').click();
  await page.getByRole('checkbox', { name: 'Play the note to go on' }).check();
  await page.keyboard.press('Escape');
  await page.getByTestId('start').click();
  await expect(page.getByText('Play the first note, and the next take begins.')).toBeVisible();
  // The made microphone sounds the note again; nothing is pressed.
  await expect(page.getByTestId('verdict')).toBeHidden();
  await expect(page.getByTestId('start')).toHaveText('Stop');
  await page.keyboard.press('p');
});

test('a long silence halts the take, and Space goes on where it stopped', async ({ page }) => {
  await page.goto('/stand');
  await page.getByRole('combobox', { name: 'Exercise' }).selectOption({ label: 'Counted breaths' });
  await page.getByRole('spinbutton', { name: 'Beats', exact: true }).fill('32');
  await page.keyboard.press('Escape');
  await page.getByTestId('start').click();
  await expect(page.getByText('Halted: nothing was heard for a while')).toBeVisible();
  const shown = await textsOf(page, 'cents');
  await page.keyboard.press('Space');
  await expect(page.getByText('Halted')).toBeHidden();
  // A count lasts a moment here.
  await expect.poll(async () => (await shown()).some((text) => /^(set|breathe)$/.test(text))).toBe(true);
  await page.keyboard.press('p');
});

test('what is left for today says so, and can be played all the same', async ({ page }) => {
  await page.clock.setFixedTime('2026-11-25T12:00:00'); // today must not end meanwhile
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('You left this for today')).toBeVisible();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('You left this for today')).toBeHidden();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText('You left this for today')).toBeVisible();
});
