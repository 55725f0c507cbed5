import { describe, expect, it } from 'vitest';
import {
  choose,
  click,
  ENGINES,
  goTo,
  PLAIN_HOST,
  until,
  untilText,
  untilThere,
  type Engine,
  type EngineName,
} from './engine';
import { served } from './served';
import { soundCard } from './soundCard';

const PLACES = ['today', 'stand', 'exercises', 'horn', 'overtones', 'log', 'set-up'] as const;

/** What the page saves from now on is kept in it instead of on the disk. */
const keepSaved = (engine: Engine) =>
  engine.run(() => {
    const kept = window as unknown as { saved: string };
    kept.saved = '';
    URL.createObjectURL = (blob) => {
      void (blob as Blob).text().then((text) => (kept.saved = text));
      return '#';
    };
    HTMLAnchorElement.prototype.click = () => undefined;
  });

/** A take of the stand-in at the pace of a player, of an exercise that soon comes to its verdict. */
async function playShortTake(engine: Engine): Promise<void> {
  await goTo(engine, 'stand');
  await choose(engine, 'Exercise', 'homeCheck');
  await click(engine, '[data-testid="start"]');
  await untilThere(engine, '[data-testid="verdict"]');
}

describe.each(Object.keys(ENGINES) as EngineName[])('%s', (name) => {
  it('first run, a take to its verdict, kept over a reload, every place, out and in again, offline', async () => {
    const application = await served();
    const card = await soundCard();
    const engine = await ENGINES[name]({ sound: card.env });
    try {
      await engine.goto(`${application.url}/set-up`);
      await untilThere(engine, 'h1');
      await choose(engine, 'Sound comes from', 'standIn');
      await playShortTake(engine);
      await goTo(engine, 'log');
      await untilText(engine, '1 take');
      await engine.goto(`${application.url}/log`);
      await untilText(engine, '1 take');
      for (const place of PLACES) {
        await goTo(engine, place);
        expect(await engine.run(() => document.body.innerText), place).not.toContain('could not be shown');
      }

      // Out, gone, and in again.
      await goTo(engine, 'log');
      await untilText(engine, '1 take');
      await keepSaved(engine);
      await until(engine, 'the way to export as JSON', () => {
        for (const details of document.querySelectorAll('details')) details.open = true;
        const button = [...document.querySelectorAll('button')].find((one) =>
          one.textContent.includes('Export as JSON'),
        );
        if (!button || button.disabled) return false;
        button.click();
        return true;
      });
      await until(engine, 'a saved backup', () => (window as unknown as { saved: string }).saved.length > 1000);
      const backup = await engine.run(() => (window as unknown as { saved: string }).saved);
      await engine.run(async () => {
        await new Promise((resolve, reject) => {
          const opening = indexedDB.open('inner-hum');
          opening.onerror = reject;
          opening.onsuccess = () => {
            const stores = ['takes', 'frames', 'sounds', 'digests', 'cells', 'tones', 'milestones', 'reedUses'];
            const transaction = opening.result.transaction(stores, 'readwrite');
            for (const store of stores) transaction.objectStore(store).clear();
            transaction.oncomplete = () => (opening.result.close(), resolve(undefined));
          };
        });
      });
      await engine.goto(`${application.url}/log`);
      await untilText(engine, 'Nothing here yet');
      await until(engine, 'a field for backups', () => {
        for (const details of document.querySelectorAll('details')) details.open = true;
        return [...document.querySelectorAll<HTMLInputElement>('input[type="file"]')].some((input) =>
          input.accept.includes('json'),
        );
      });
      await engine.run((text) => {
        const files = new DataTransfer();
        files.items.add(new File([text], 'backup.json', { type: 'application/json' }));
        const field = [...document.querySelectorAll<HTMLInputElement>('input[type="file"]')].find((input) =>
          input.accept.includes('json'),
        )!;
        field.files = files.files;
        field.dispatchEvent(new Event('change', { bubbles: true }));
      }, backup);
      await untilText(engine, '1 take');

      // With nobody to answer, the page and its take are there.
      await until(engine, 'what is kept for offline use', () => navigator.serviceWorker?.controller !== null);
      await application.end();
      await engine.goto(`${application.url}/log`);
      await untilText(engine, '1 take');
    } finally {
      await engine.close();
      await application.end().catch(() => undefined);
      card.end();
    }
  });
});

it('on a page that came by plain http all but the microphone works, and it says why', async () => {
  const application = await served(PLAIN_HOST);
  const card = await soundCard();
  const engine = await ENGINES.Chromium({ sound: card.env });
  try {
    await engine.goto(`${application.url}/stand`);
    await untilThere(engine, '[data-testid="start"]');
    expect(await engine.run(() => isSecureContext)).toBe(false);
    await click(engine, '[data-testid="start"]');
    await untilText(engine, 'gives the microphone only to pages that came over https');
    await goTo(engine, 'set-up');
    await choose(engine, 'Sound comes from', 'standIn');
    await playShortTake(engine);
    for (const place of PLACES) {
      await goTo(engine, place);
      expect(await engine.run(() => document.body.innerText), place).not.toContain('could not be shown');
    }
    await goTo(engine, 'log');
    await untilText(engine, '1 take');
  } finally {
    await engine.close();
    await application.end();
    card.end();
  }
});
