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

/** Goes to a place as a link in the page does, without loading it anew; from a tab of the same place it loads it. */
export async function goByLink(page: Page, path: string): Promise<void> {
  if (new URL(page.url()).pathname.split('/')[1] === path.split('/')[1]) {
    await page.goto(path);
    return;
  }
  await page.evaluate((to) => {
    // What is looked for is the heading of the place that comes, not of the one that goes.
    for (const heading of document.querySelectorAll('h1, h2, h3')) heading.setAttribute('data-left', '');
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
}

/** A new player, without takes, for whom the stand-in plays: with a habit of its own, or as it does at first. */
export async function withStandIn(page: Page, habit?: string): Promise<void> {
  await page.goto('/set-up');
  await page.getByRole('combobox', { name: 'Sound comes from' }).selectOption('standIn');
  if (habit) await page.getByRole('combobox', { name: 'Stand-in player' }).selectOption(habit);
}

/** A heading of the place that is there, after {@link goByLink} too. */
export const headingOf = (page: Page) => page.locator(':is(h1, h2, h3):not([data-left])').first();

/**
 * Opens a place in a window of a width. The width comes first: the emulated window of Chromium, given another width while a
 * page stands in it, now and then keeps the page in the styles of the former (no window of a person does). From another
 * place in that width it goes there as by a link.
 */
export async function openAt(page: Page, width: number, place: string): Promise<void> {
  if (page.url().startsWith('http') && page.viewportSize()?.width === width) await goByLink(page, `/${place}`);
  else {
    await page.setViewportSize({ width, height: 800 });
    await page.goto(`/${place}`);
  }
  await expect(headingOf(page)).toBeVisible();
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
