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
