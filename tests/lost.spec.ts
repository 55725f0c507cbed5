import type { Page } from '@playwright/test';
import { expect, test, textsOf } from './app';
import { hears, swellTone } from './testWav';

/** A clean swell of eight beats, written G4 on alto: whatever is wrong is the device's. */
const SWELL = {
  hz: 440 * 2 ** ((58 - 69) / 12),
  beatS: 1,
  beats: 8,
  softDb: -39,
  loudDb: -21,
  centreCents: 0,
  slopeCents: 0,
};
const LEAD_S = 3;
const IN_THE_TAKE_S = LEAD_S + 5;
const swell = (rateHz: number) => hears(swellTone(SWELL), LEAD_S, rateHz);

async function playSwell(page: Page, meanwhile: (page: Page) => Promise<void>): Promise<void> {
  await page.goto('/stand');
  await page.getByText('Cue, silent bars, beat one').click();
  await page.getByRole('combobox', { name: 'Beat one' }).selectOption({ label: 'with my first tone' });
  await page.keyboard.press('Escape');
  await meanwhile(page);
  await page.getByTestId('start').click();
}
const loses = (seconds: number) => (page: Page) =>
  page.evaluate(
    ([atS, lost]) => window.madeClock.at(atS!, () => window.madeClock.lose(lost!)),
    [IN_THE_TAKE_S, seconds],
  );
const verdict = (page: Page) => page.getByTestId('verdict');

for (const rateHz of [44_100, 48_000, 96_000])
  test.describe(`at ${rateHz} Hz`, () => {
    test.use({ sound: swell(rateHz) });

    test('a clock that stood still is told with its length, and what it explains is not told of the player', async ({
      page,
    }) => {
      await playSwell(page, loses(0.5));
      await expect(verdict(page)).toContainText('The device lost 5');
      for (const blame of ['beats early', 'bump', 'uneven', 'wrong way', 'stopped'])
        await expect(verdict(page)).not.toContainText(blame);
    });
  });

test.describe('what is lost', () => {
  test.use({ sound: swell(48_000) });

  test('when it is too much nothing is judged, and what to do is said', async ({ page }) => {
    await playSwell(page, loses(2));
    await expect(verdict(page)).toContainText('Not judged: the device lost 2.0 s of the sound');
    await expect(verdict(page)).toContainText('Close other programs');
    // It is kept all the same.
    await page.getByRole('link', { name: 'Log', exact: true }).click();
    await expect(page.getByText('1 take', { exact: true })).toBeVisible();
  });

  test('the level check counts it', async ({ page }) => {
    await page.goto('/set-up');
    await page.evaluate(() => window.madeClock.at(3, () => window.madeClock.lose(0.4)));
    await page.getByRole('button', { name: 'Check the level' }).click();
    await expect(page.getByText(/Sound lost by the device so far: (39\d|40\d|41\d) ms/)).toBeVisible();
  });
});

test.describe('what comes in between', () => {
  test.use({ sound: swell(48_000) });

  /** Something happens in the middle of a take: it is kept up to there, and the next starts without a reload. */
  async function keptAndGoesOn(page: Page, says: string): Promise<void> {
    await expect(page.getByText(says)).toBeVisible();
    await page.getByRole('link', { name: 'Log', exact: true }).click();
    await expect(page.getByText('1 take', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Stand', exact: true }).click();
    await expect(page.getByText('Start, then play').or(verdict(page)).first()).toBeVisible();
    const shown = await textsOf(page, 'start');
    await page.keyboard.press('Space');
    await expect.poll(async () => (await shown()).some((text) => text.includes('Stop'))).toBe(true);
    await expect(verdict(page)).toBeVisible();
  }
  const inTheTake = (page: Page, what: () => void) =>
    page.evaluate(
      ([source, atS]) => window.madeClock.at(Number(atS), new Function(`(${String(source)})()`) as () => void),
      [what.toString(), IN_THE_TAKE_S] as const,
    );

  test('a call or a lock screen interrupts the sound', async ({ page }) => {
    await playSwell(page, (on) => inTheTake(on, () => window.madeClock.state('interrupted')));
    await keptAndGoesOn(page, 'The browser has paused the sound.');
  });

  test('headphones are plugged in and the microphone goes', async ({ page }) => {
    await playSwell(page, (on) =>
      inTheTake(on, () => {
        navigator.mediaDevices.dispatchEvent(new Event('devicechange'));
        window.madeTrack.readyState = 'ended';
        window.madeTrack.dispatchEvent(new Event('ended'));
      }),
    );
    await keptAndGoesOn(page, 'The microphone went away.');
  });

  test('the device changes its rate, and the browser closes what ran at the old one', async ({ page }) => {
    await playSwell(page, (on) =>
      inTheTake(on, () => {
        window.madeClock.state('closed');
        window.madeClock.rateHz = 44_100;
      }),
    );
    await keptAndGoesOn(page, 'The browser has paused the sound.');
  });

  test('the page was put away whole and comes back', async ({ page }) => {
    await playSwell(page, () => Promise.resolve());
    await expect(verdict(page)).toBeVisible();
    await page.evaluate(() => window.dispatchEvent(new PageTransitionEvent('pageshow', { persisted: true })));
    const shown = await textsOf(page, 'start');
    await page.keyboard.press('Space');
    await expect.poll(async () => (await shown()).some((text) => text.includes('Stop'))).toBe(true);
    await expect(verdict(page)).toBeVisible();
  });

  test('a tab that is put away goes on to its verdict', async ({ page }) => {
    await playSwell(page, (on) =>
      inTheTake(on, () => {
        Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
        document.dispatchEvent(new Event('visibilitychange'));
      }),
    );
    await expect(verdict(page)).toBeVisible();
    await expect(verdict(page)).not.toContainText('lost');
  });

  test('the next take waits for a tone of its own, whatever the one before has heard', async ({ page }) => {
    await playSwell(page, () => Promise.resolve());
    await expect(verdict(page)).toContainText('Even dynamics');
    const waits = await textsOf(page, 'start');
    await page.keyboard.press('r');
    await expect.poll(async () => (await waits()).some((text) => text.includes('Stop'))).toBe(true);
    await expect(verdict(page)).toContainText('Even dynamics');
    await page.getByRole('link', { name: 'Log', exact: true }).click();
    await expect(page.getByText('2 takes', { exact: true })).toBeVisible();
  });

  test('the microphone is closed when nothing wants it, and that is shown', async ({ page }) => {
    await playSwell(page, () => Promise.resolve());
    await expect(verdict(page)).toBeVisible();
    await expect.poll(() => page.evaluate(() => window.madeTrack.readyState)).toBe('ended');
    await page.getByRole('link', { name: 'Set-up', exact: true }).click();
    await page.getByRole('button', { name: 'Check the level' }).click();
    await expect(page.getByText('Microphone open')).toBeVisible();
    await page.getByRole('link', { name: 'Log', exact: true }).click();
    await expect(page.getByText('1 take', { exact: true })).toBeVisible();
    await expect(page.getByText('Microphone open')).toBeHidden();
    expect(await page.evaluate(() => window.madeTrack.readyState)).toBe('ended');
  });
});
