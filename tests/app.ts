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
 * Opens a place in a window of a width. The width comes first: the emulated window of Chromium, given another width while a
 * page stands in it, now and then keeps the page in the styles of the former (no window of a person does). From another
 * place in that width it goes there as by a link, without loading the page anew.
 */
export async function openAt(page: Page, width: number, place: string): Promise<void> {
  const from = page.url().startsWith('http') ? new URL(page.url()).pathname.split('/')[1] : undefined;
  if (from && from !== place.split('/')[0] && page.viewportSize()?.width === width)
    await page.evaluate((path) => {
      // What is looked for is the heading of the place that comes, not of the one that goes.
      for (const heading of document.querySelectorAll('h1, h2, h3')) heading.setAttribute('data-left', '');
      history.pushState(null, '', path);
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    }, `/${place}`);
  else {
    await page.setViewportSize({ width, height: 800 });
    await page.goto(`/${place}`);
  }
  await expect(page.locator(':is(h1, h2, h3):not([data-left])').first()).toBeVisible();
}

/** What is wider than the window, with its width; nothing when the page has the width of its window. In the page. */
export function tooWide(): string[] {
  const { scrollWidth, clientWidth } = document.documentElement;
  if (scrollWidth <= clientWidth && clientWidth <= window.innerWidth) return [];
  const wide = [...document.querySelectorAll<HTMLElement>('body *')]
    .map((entry) => ({ entry, rightPx: entry.getBoundingClientRect().right }))
    .filter(({ rightPx }) => rightPx > clientWidth + 0.5)
    .map(
      ({ entry, rightPx }) => `${entry.tagName} ${entry.className} “${entry.textContent.slice(0, 20)}” to ${rightPx}`,
    );
  return [`${scrollWidth} in ${clientWidth} of ${window.innerWidth}`, ...wide.slice(0, 8)];
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
