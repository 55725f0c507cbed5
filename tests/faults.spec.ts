import type { Page } from '@playwright/test';
import { expect, test, textsOf } from './app';
import { withMadeSound } from './madeSound';

// A good player, written G4 on alto: wherever a take begins, it hears the same tone.
const HZ = 440 * 2 ** ((58 - 69) / 12);
const TONE = `let sum = 0; for (let k = 1; k < 6; k++) sum += Math.sin(2 * Math.PI * ${HZ} * k * timeS) / k; return 0.05 * sum;`;
test.use({ sound: { sampleAt: TONE } });

declare global {
  interface Window {
    /** the next so many writes into a store of the database fail */
    madeFault: { store: string; error: string; times: number };
    madeWorkers: Worker[];
  }
}

test.beforeEach(({ context }) =>
  context.addInitScript(() => {
    window.madeFault = { store: '', error: 'DataError', times: 0 };
    window.madeWorkers = [];
    for (const name of ['add', 'put'] as const) {
      const write = IDBObjectStore.prototype[name];
      IDBObjectStore.prototype[name] = function (...row) {
        const { store, error } = window.madeFault;
        if (this.name === store && window.madeFault.times-- > 0) throw new DOMException('made to fail', error);
        return write.apply(this, row);
      };
    }
    const Real = window.Worker;
    window.Worker = class extends Real {
      constructor(...about: ConstructorParameters<typeof Real>) {
        super(...about);
        window.madeWorkers.push(this);
      }
    };
  }),
);

const failWrites = (page: Page, store: string, error: string, times: number) =>
  page.evaluate((fault) => Object.assign(window.madeFault, fault), { store, error, times });
const start = (page: Page) => page.getByTestId('start').click();
async function playFreely(page: Page, forS: number): Promise<void> {
  await page.getByRole('button', { name: /^Free play/ }).click();
  await expect(page.getByText('Listening.')).toBeVisible();
  await page.evaluate((atS) => new Promise<void>((resolve) => window.madeClock.at(atS, resolve)), forS);
}
/** Comes when so much was heard, seconds; the clock goes slowly from there, or sleeps, before anything asks for it. */
const heardFor = (page: Page, atS: number, then: 'slow' | 'asleep') =>
  page.evaluate(
    ([when, how]) =>
      new Promise<void>((resolve) =>
        window.madeClock.at(when, () => resolve(void Object.assign(window.madeClock, { [how]: true }))),
      ),
    [atS, then] as const,
  );
/**
 * The made clock runs ten times faster than a real one, the disk does not: waits until a second past the first beat was
 * put away of the take that is played, on a slow clock.
 */
async function putAway(page: Page): Promise<void> {
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          const answer = <T>(request: IDBRequest<T>) =>
            new Promise<T>((resolve) => (request.onsuccess = () => resolve(request.result)));
          const db = await answer(indexedDB.open('inner-hum'));
          const of = <Row>(store: string): Promise<Row[]> => answer(db.transaction(store).objectStore(store).getAll());
          const drafts = await of<{ takeId: string; plan: { firstBeatS: number | null } }>('drafts');
          const pieces = await of<{ takeId: string; samples: Int16Array }>('draftPieces');
          db.close();
          // The draft itself is put away a moment after the take begins.
          const draft = drafts.at(-1);
          if (!draft) return -Infinity;
          const { takeId, plan } = draft;
          const samples = pieces.filter((piece) => piece.takeId === takeId).map((piece) => piece.samples.length);
          return samples.reduce((sum, length) => sum + length, 0) / 48_000 - (plan.firstBeatS ?? Infinity);
        }),
      { intervals: [50] },
    )
    .toBeGreaterThan(1);
}
const verdict = (page: Page) => page.getByTestId('verdict');

async function takesInLog(page: Page, count: number): Promise<void> {
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByText(count === 1 ? '1 take' : `${count} takes`, { exact: true })).toBeVisible();
}

/** The next take comes to its verdict, without a reload. */
async function nextTakeWorks(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Stand', exact: true }).click();
  await expect(page.getByText('Start, then play').or(verdict(page)).first()).toBeVisible();
  // On the made clock a take can be over before the next look at the page.
  const shown = await textsOf(page, 'start');
  await page.keyboard.press('Space');
  await expect.poll(async () => (await shown()).some((text) => text.includes('Stop'))).toBe(true);
  await expect(verdict(page)).toBeVisible();
}

test.describe('writes that fail', () => {
  test('a take that can’t be stored is offered, and is kept once that works', async ({ page }) => {
    await page.goto('/stand');
    await failWrites(page, 'takes', 'DataError', 2);
    await start(page);
    const offer = page.getByTestId('draft-offer');
    await expect(offer).toContainText('could not be kept');
    await offer.getByRole('button', { name: 'Judge and keep it' }).click();
    await expect(offer).toContainText('could not be kept');
    await offer.getByRole('button', { name: 'Judge and keep it' }).click();
    await expect(offer).toBeHidden();
    await takesInLog(page, 1);
    await nextTakeWorks(page);
  });

  test('a draft that can’t be begun does not stop the take; even when that can’t be stored either, nothing is lost', async ({
    page,
  }) => {
    await page.goto('/stand');
    await failWrites(page, 'drafts', 'DataError', 1000);
    await start(page);
    await expect(page.getByText('can’t be put away as it goes')).toBeVisible();
    await page.evaluate(() => (window.madeFault.store = 'takes'));
    const offer = page.getByTestId('draft-offer');
    await expect(offer).toContainText('could not be kept');
    await failWrites(page, '', '', 0);
    await offer.getByRole('button', { name: 'Judge and keep it' }).click();
    await takesInLog(page, 1);
  });

  test('free play that can’t be stored is held, and is kept once that works', async ({ page }) => {
    await page.goto('/stand');
    await failWrites(page, 'takes', 'DataError', 2);
    await playFreely(page, 6);
    await page.keyboard.press('f');
    const offer = page.getByTestId('draft-offer');
    await expect(offer).toContainText('could not be kept');
    await expect(offer).not.toContainText('(0 s)');
    await offer.getByRole('button', { name: 'Keep the sound as it is' }).click();
    await expect(page.getByText('The draft is still here.')).toBeVisible();
    await offer.getByRole('button', { name: 'Judge and keep it' }).click();
    await expect(offer).toBeHidden();
    await takesInLog(page, 1);
  });

  test('without room for sound the take is kept, and the sentence says without what', async ({ page }) => {
    await page.goto('/stand');
    await failWrites(page, 'sounds', 'QuotaExceededError', 1000);
    await start(page);
    await expect(verdict(page)).toBeVisible();
    await expect(page.getByText('this take was kept without its sound')).toBeVisible();
    await takesInLog(page, 1);
  });

  test('without any room the take is held, and can be saved as a file', async ({ page }) => {
    await page.goto('/stand');
    await failWrites(page, 'takes', 'QuotaExceededError', 1000);
    await start(page);
    const offer = page.getByTestId('draft-offer');
    await expect(offer).toContainText('There is no room in the browser’s storage');
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      offer.getByRole('button', { name: 'Save the sound as a file' }).click(),
    ]);
    expect(file.suggestedFilename()).toMatch(/\.wav$/);
    await expect(offer).toBeVisible();
    await failWrites(page, '', '', 0);
    await offer.getByRole('button', { name: 'Judge and keep it' }).click();
    await takesInLog(page, 1);
  });

  test('sound that can’t be put away as it goes is told while it goes, and kept at the end', async ({ page }) => {
    await page.route('**/ear.worker*.js', async (route) => {
      const response = await route.fetch();
      const broken = `IDBObjectStore.prototype.add = () => { throw new DOMException('made to fail', 'DataError'); };\n`;
      await route.fulfill({ response, body: broken + (await response.text()) });
    });
    await page.goto('/stand');
    await start(page);
    await expect(page.getByText('can’t be put away as it goes')).toBeVisible();
    await expect(verdict(page)).toBeVisible();
    await takesInLog(page, 1);
  });
});

test.describe('what may stop in the middle of a take', () => {
  const inTheTake = (page: Page, what: () => void) =>
    page.evaluate((source) => window.madeClock.at(9, new Function(source) as () => void), `(${what.toString()})()`);

  test('the ear’s worker dies: told, the take is kept, the next needs no reload', async ({ page }) => {
    await page.goto('/stand');
    const reached = heardFor(page, 6, 'slow');
    await start(page);
    await reached;
    await putAway(page);
    await page.evaluate(() => {
      Object.assign(window.madeClock, { free: true, slow: false });
      for (const worker of window.madeWorkers) worker.terminate();
    });
    await expect(page.getByText('The part that listens has stopped.')).toBeVisible();
    await page.evaluate(() => (window.madeClock.free = false));
    await takesInLog(page, 1);
    await nextTakeWorks(page);
  });

  test('the ear’s worker dies in free play: what is lost is told, and the next take needs no reload', async ({
    page,
  }) => {
    await page.goto('/stand');
    await playFreely(page, 4);
    await page.evaluate(() => {
      window.madeClock.free = true;
      for (const worker of window.madeWorkers) worker.terminate();
    });
    await expect(page.getByText('The part that listens has stopped.')).toBeVisible();
    await expect(page.getByText('What you had held in this free play is lost with it.')).toBeVisible();
    await page.evaluate(() => (window.madeClock.free = false));
    await nextTakeWorks(page);
  });

  test('the track ends without an event: told, the take is kept', async ({ page }) => {
    await page.goto('/stand');
    await inTheTake(page, () => void (window.madeTrack.readyState = 'ended'));
    await start(page);
    await expect(page.getByText('The microphone went away.')).toBeVisible();
    await takesInLog(page, 1);
    await nextTakeWorks(page);
  });

  test('the audio clock stands still: told, the take is kept', async ({ page }) => {
    await page.goto('/stand');
    await inTheTake(page, () => void (window.madeClock.asleep = true));
    await start(page);
    await expect(page.getByText('The browser has paused the sound.')).toBeVisible();
    await page.evaluate(() => (window.madeClock.asleep = false));
    await takesInLog(page, 1);
    await nextTakeWorks(page);
  });
});

test.describe('a question for the microphone that is never answered', () => {
  test.use({ sound: { microphone: 'never' } });

  test('is told, and Stop works', async ({ page }) => {
    await page.goto('/stand');
    for (let times = 0; times < 2; times++) {
      await start(page);
      await expect(page.getByText('Still waiting for the sound')).toBeVisible();
      await start(page);
      await expect(page.getByText('Start, then play')).toBeVisible();
    }
  });
});

test('without a storage the application runs in memory and says so', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('made to fail', 'SecurityError');
    };
  });
  await page.goto('/stand');
  await expect(page.getByTestId('memory')).toContainText('kept only until the page is closed');
  await start(page);
  await expect(verdict(page)).toBeVisible();
  await takesInLog(page, 1);
  await page.getByText('Backups, recordings').click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export as JSON' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/\.json$/);
});

test('what no place of its own tells is told all the same', async ({ page }) => {
  await page.goto('/log');
  await expect(page.getByText('Nothing here yet')).toBeVisible();
  await page.evaluate(() => void Promise.reject(new Error('made to fail')));
  await expect(page.getByText('Something did not work: made to fail.')).toBeVisible();
});

test('two pages: what each changes stays; a take that runs in one is not taken for a left one', async ({
  page,
  context,
}) => {
  await page.goto('/set-up');
  const other = await context.newPage();
  await other.goto('/set-up');
  await page.getByRole('spinbutton', { name: 'Tuning A4, Hz' }).fill('443');
  await other.getByRole('combobox', { name: 'Horn' }).selectOption('tenor');
  await expect(page.getByRole('combobox', { name: 'Horn' })).toHaveValue('tenor');
  await expect(other.getByRole('spinbutton', { name: 'Tuning A4, Hz' })).toHaveValue('443');
  await page.getByRole('link', { name: 'Stand', exact: true }).click();
  await page.evaluate(() => window.madeClock.at(9, () => (window.madeClock.asleep = true)));
  await start(page);
  await expect(page.getByTestId('beat')).not.toBeEmpty();
  await other.goto('/log');
  await expect(other.getByText('Nothing here yet')).toBeVisible();
  await page.evaluate(() => (window.madeClock.asleep = false));
  await takesInLog(page, 1);
});

test('a page that is killed at any moment: what came past the first beat by a second is a take, nothing else is', async ({
  page,
  context,
}) => {
  // The first beat is at 4.1 s of what was heard; sound is put away once a second.
  const moments = [0.5, 2.2, 3.9, 6.4, 7.7, 9.1, 10.8];
  let takes = 0;
  for (const atS of moments) {
    const player = await context.newPage();
    await withMadeSound(player, { sampleAt: TONE });
    await player.goto('/stand');
    const becomesTake = atS > 6.2;
    const reached = heardFor(player, atS, becomesTake ? 'slow' : 'asleep');
    await player.getByTestId('start').click();
    await reached;
    if (becomesTake) await putAway(player);
    await player.close();
    if (becomesTake) takes++;
  }
  await page.goto('/log');
  await expect(page.getByText(`${takes} takes`, { exact: true })).toBeVisible();
  await expect(page.getByTestId('draft-offer')).toBeHidden();
});

test('a storage that answers late takes along what was played meanwhile', async ({ page }) => {
  await page.addInitScript(() => {
    // Held up by another page until this one is told to go on.
    const open = Reflect.get(IDBFactory.prototype, 'open') as IDBFactory['open'];
    const free = new Promise((end) => Object.assign(window, { freeStorage: end }));
    IDBFactory.prototype.open = function (this: IDBFactory, ...args: Parameters<IDBFactory['open']>) {
      if (sessionStorage.getItem('freed')) return open.apply(this, args);
      const held = new EventTarget() as unknown as IDBOpenDBRequest;
      void free.then(() => {
        sessionStorage.setItem('freed', 'yes');
        const real = open.apply(this, args);
        for (const name of ['success', 'error', 'upgradeneeded', 'blocked'] as const)
          real.addEventListener(name, (event) => {
            Object.defineProperties(held, {
              result: { get: () => real.result, configurable: true },
              transaction: { get: () => real.transaction, configurable: true },
            });
            (held as unknown as Record<string, ((event: Event) => void) | undefined>)[`on${name}`]?.(event);
          });
      });
      return held;
    };
  });
  await page.goto('/stand');
  await expect(page.getByTestId('memory')).toContainText('kept only until the page is closed');
  await start(page);
  await expect(verdict(page)).toBeVisible();
  await takesInLog(page, 1);
  await page.evaluate(() => (window as unknown as { freeStorage: () => void }).freeStorage());
  await expect(page.getByTestId('memory')).toContainText('what you played here comes along');
  await page.getByTestId('memory').getByRole('button', { name: 'Reload' }).click();
  await expect(page.getByTestId('memory')).toHaveCount(0);
  await takesInLog(page, 1);
});
