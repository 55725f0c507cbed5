import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';
import { withMadeSound, type MadeSound } from './madeSound';

/** Tests of the whole application on a made sound card; `sound` says what its microphone hears. */
export const test = base.extend<{ sound: Partial<MadeSound> }>({
  sound: [{}, { option: true }],
  page: async ({ page, sound }, use) => {
    await withMadeSound(page, sound);
    await use(page);
  },
});
export { expect };

/**
 * Gives the page another width. The emulated window of Chromium now and then keeps the styles of its former width for good,
 * though `matchMedia` knows better (no window of a person does): another media feature that turns makes it look again.
 */
export async function resizeTo(page: Page, width: number): Promise<void> {
  await page.setViewportSize({ width, height: 800 });
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.emulateMedia({ reducedMotion: null });
}

/** Keeps every text that an element of the page shows from now on, also for a moment; the result gives them. */
export async function textsOf(page: Page, testId: string): Promise<() => Promise<string[]>> {
  const texts = await page.evaluateHandle((id) => {
    const seen: string[] = [];
    const look = () => {
      const text = document.querySelector(`[data-testid="${id}"]`)?.textContent;
      if (text && seen.at(-1) !== text) seen.push(text);
    };
    new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true });
    return seen;
  }, testId);
  return () => texts.jsonValue();
}

/** Checks that what a page shows, once it stands still, can be used by everybody (WCAG 2.2 AA, as far as a program can tell). */
export async function expectAccessible(page: Page, what = page.url()): Promise<void> {
  await page.waitForFunction(() => document.getAnimations().every(({ playState }) => playState !== 'running'));
  const { violations } = await new AxeBuilder({ page })
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    // The page has no frames of others; without them the check needs no second page.
    .setLegacyMode(true)
    .analyze();
  const found = violations.flatMap(({ id, nodes }) => nodes.map((node) => `${id}: ${node.html.slice(0, 160)}`));
  expect(found, what).toEqual([]);
}
