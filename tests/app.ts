import { expect, test as base } from '@playwright/test';
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
