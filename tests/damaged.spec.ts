import type { Page } from '@playwright/test';
import { expect, goByLink, headingOf, test } from './app';

const PLACES = [
  '/stand',
  '/today',
  '/log',
  '/horn',
  '/horn/compare',
  '/horn/sheet',
  '/exercises',
  '/overtones',
  '/overtones/route',
  '/overtones/notebook',
  '/set-up',
];

/** Changes rows of the open database by a function that gets each row; what it gives is put back. */
async function damage(page: Page, store: string, change: (row: Record<string, unknown>, index: number) => unknown) {
  await page.evaluate(
    async ([name, source]) => {
      const change = new Function('row', 'index', `return (${source})(row, index)`) as (
        row: unknown,
        index: number,
      ) => unknown;
      const database = await new Promise<IDBDatabase>((resolve) => {
        const opening = indexedDB.open('inner-hum');
        opening.onsuccess = () => resolve(opening.result);
      });
      const rows = database.transaction(name!, 'readwrite').objectStore(name!);
      await new Promise<void>((resolve, reject) => {
        const all = rows.getAll();
        all.onsuccess = () => {
          all.result.forEach((row, index) => rows.put(change(row, index)));
          rows.transaction.oncomplete = () => resolve();
          rows.transaction.onerror = () => reject(rows.transaction.error!);
        };
      });
      database.close();
    },
    [store, change.toString()],
  );
}

/** Every place comes up, or says what it can't show, with the ways to the others. */
async function placesStand(page: Page, alsoAt: readonly string[] = []): Promise<void> {
  // What is damaged is read when the page loads: once, then each place is gone to from the one before.
  await page.goto('/guide');
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  for (const path of [...PLACES, ...alsoAt]) {
    await goByLink(page, path);
    await expect(headingOf(page).or(page.getByTestId('damaged')).first(), path).toBeAttached();
    await expect(page.getByTestId('broken-place'), path).toBeHidden();
    await expect(page.getByText('Something in the page broke'), path).toBeHidden();
  }
}

test('damaged takes of every kind: the others are there, each bad one can be saved or removed', async ({ page }) => {
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  await damage(page, 'takes', (row, index) => {
    const { id, startedAt, ...rest } = row;
    const kinds: (() => object)[] = [
      () => ({}),
      () => ({ ...rest, measures: 7 }),
      () => ({ ...rest, measures: [{ kind: 'sounded' }] }),
      () => ({ ...rest, verdict: null }),
      () => ({ ...rest, verdict: { findings: [{ id: 'sharp', values: null }], tries: [], next: {} } }),
      () => ({ ...rest, score: { ...(rest['score'] as object), steps: null } }),
      () => ({ ...rest, score: { ...(rest['score'] as object), tempoBpm: 1e308 } }),
      () => ({ ...rest, parameters: { family: 'none' } }),
      () => ({ ...rest, parameters: null }),
      () => ({ ...rest, setup: undefined }),
      () => ({ ...rest, setup: { instrumentId: 'kazoo', a4Hz: 'x', ruler: 1 } }),
      () => ({ ...rest, frameCount: 1e9 }),
      () => ({ ...rest, note: { deep: [] } }),
    ];
    return { id, startedAt, ...(kinds[index]?.() ?? rest) };
  });
  const ids = Array.from({ length: 13 }, (_, index) => `/take/demo-${String(index + 1).padStart(3, '0')}`);
  await placesStand(page, ids);
  await page.goto('/take/demo-001');
  const bad = page.getByTestId('damaged');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    bad.getByRole('button', { name: 'Save it as it is' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^inner-hum-take-.*\.json$/);
  await bad.getByRole('button', { name: 'Remove it' }).click();
  await expect(bad).toBeHidden();
  await page.goto('/log');
  await expect(page.getByText('192 takes')).toBeVisible();
});

test('what is drawn from takes is made anew when it is damaged', async ({ page }) => {
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();
  for (const store of ['digests', 'cells', 'tones', 'milestones'])
    await damage(page, store, (row, index) => {
      const keys = ['key', 'takeId', 'instrumentId', 'setupKey', 'startedAtMs', 'tags'];
      return index % 3 ? row : Object.fromEntries(Object.entries(row).filter(([name]) => keys.includes(name)));
    });
  await placesStand(page);
  await page.goto('/horn');
  await expect(page.getByRole('heading', { name: 'Horn' })).toBeVisible();
  await expect(page.getByText('F6', { exact: true }).first()).toBeVisible();
  await expect(page.getByTestId('broken-place')).toBeHidden();
  await page.goto('/log');
  await expect(page.getByText('193 takes')).toBeVisible();
});

test('damaged settings: only what can’t be read has its first value again, and that is told', async ({ page }) => {
  await page.goto('/set-up');
  await page.getByRole('spinbutton', { name: 'Tuning A4, Hz' }).fill('443');
  await page.getByRole('combobox', { name: 'Horn' }).selectOption('tenor');
  await page.waitForTimeout(300);
  await damage(page, 'settings', (row) => ({
    ...row,
    value: {
      ...(row['value'] as object),
      goals: [{ kind: 'x' }],
      fitted: 5,
      exercise: { family: 'swell', beats: 1e9 },
      session: { blocks: [null] },
      schools: 'none',
      own: [{ name: 3 }],
      block: [{ family: 'gone' }],
    },
  }));
  await page.goto('/set-up');
  await expect(page.getByText('could not be read and are back at their defaults')).toBeVisible();
  await expect(page.getByRole('spinbutton', { name: 'Tuning A4, Hz' })).toHaveValue('443');
  await expect(page.getByRole('combobox', { name: 'Horn' })).toHaveValue('tenor');
  const aside = page.getByTestId('set-aside');
  await expect(aside).toContainText('goals[0]');
  await placesStand(page);
  await page.goto('/set-up');
  await expect(aside).toBeVisible();
  await expect(page.getByText('could not be read and have')).toBeHidden();
  await aside.getByRole('button', { name: 'Remove them' }).click();
  await expect(aside).toBeHidden();
});
