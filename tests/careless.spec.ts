import { expect, test } from './app';

/** `STEPS=500` and another `SEED` walk farther and elsewhere. */
const STEPS = Number(process.env['STEPS'] ?? 200);
const SEED = Number(process.env['SEED'] ?? 20261125);

test(`a careless player: ${STEPS} key presses and choices over all places break nothing (seed ${SEED})`, async ({
  page,
}) => {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(`page: ${error.message}`));
  page.on('console', (message) => {
    if (message.type() === 'error') errors.push(`console: ${message.text()}`);
  });
  page.on('dialog', (dialog) => void dialog.dismiss());
  await page.goto('/set-up');
  await page.getByRole('spinbutton', { name: 'Tuning A4, Hz' }).fill('443');
  await page.goto('/stand?demo');
  await expect(page.getByText('Demo data')).toBeVisible();

  let state = SEED;
  const random = (below: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
  const pick = <T>(list: readonly T[]): T => list[random(list.length)]!;
  const keys =
    'Space Escape Enter Tab ArrowUp ArrowDown ArrowLeft ArrowRight r n f b l h k p c ? PageDown PageUp'.split(' ');
  const texts = ['67.5', '-1', '0', '99999', '', '1e308', 'G♯4', 'F5:2 B♭5:2', '<b>x</b>', '☃', '120', '12'];
  const trail: string[] = [];
  /** A page that does not answer within a minute hangs, and what led to it is said. */
  const answered = <T>(asked: Promise<T>) =>
    Promise.race([
      asked,
      new Promise<never>((_, reject) => {
        const late = setTimeout(() => reject(new Error(`hangs after\n${trail.slice(-12).join('\n')}`)), 60_000);
        void asked.finally(() => clearTimeout(late)).catch(() => undefined);
      }),
    ]);
  for (let step = 0; step < STEPS; step++) {
    const what = random(10);
    if (what < 2) {
      const places = page.getByRole('navigation', { name: 'Places' }).getByRole('link');
      const ways = await places.count();
      const index = random(ways);
      trail.push(`place ${index}`);
      // While something is played there are no ways to other places.
      if (ways === 0) continue;
      if (await page.getByRole('dialog').isVisible()) await page.keyboard.press('Escape');
      await places.nth(index).click();
    } else if (what < 6) {
      const key = pick(keys);
      trail.push(key);
      await answered(page.keyboard.press(key));
    } else {
      // One of the things that can be used now: chosen, filled or pressed, as a hand in a hurry would.
      const pressing = page.evaluate(
        ([chance, choice, text]) => {
          const usable = 'select, input:not([type=file]), button, summary, textarea';
          const things = [
            ...document.querySelectorAll<HTMLElement>(`main ${usable.replaceAll(', ', ', main ')}`),
          ].filter((thing) => thing.checkVisibility() && !(thing as HTMLButtonElement).disabled);
          const thing = things[Math.floor(Number(chance) * things.length)];
          if (!thing) return 'nothing';
          const name = `${thing.tagName} ${(thing.getAttribute('aria-label') ?? thing.textContent ?? '').slice(0, 30)}`;
          const set = (prototype: object, value: string, event: string) => {
            Object.getOwnPropertyDescriptor(prototype, 'value')!.set!.call(thing, value);
            thing.dispatchEvent(new Event(event, { bubbles: true }));
          };
          if (thing instanceof HTMLSelectElement) {
            const option = thing.options[Math.floor(Number(choice) * thing.options.length)];
            if (option && !option.disabled) set(HTMLSelectElement.prototype, option.value, 'change');
            return `${name} = ${option?.text}`;
          }
          const box = thing instanceof HTMLInputElement && ['checkbox', 'radio'].includes(thing.type);
          if (box || !(thing instanceof HTMLInputElement || thing instanceof HTMLTextAreaElement)) {
            thing.click();
            return name;
          }
          set(Object.getPrototypeOf(thing) as object, text as string, 'input');
          thing.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
          return `${name} = ${text}`;
        },
        [random(1e6) / 1e6, random(1e6) / 1e6, pick(texts)],
      );
      trail.push(await answered(pressing));
    }
    const standing = page.evaluate(
      () =>
        // The ways to other places, or, while something is played, the one way to stop it.
        [...document.querySelectorAll('nav[aria-label="Places"], [data-testid="start"]')].some((way) =>
          way.checkVisibility(),
        ) &&
        !document.querySelector('[data-testid="broken-place"]') &&
        !document.body.textContent.includes('Something in the page broke'),
    );
    const stands = await answered(standing);
    if (!stands || errors.length > 0)
      throw new Error(`step ${step}: ${errors.join(' | ') || 'broken'} after\n${trail.slice(-12).join('\n')}`);
  }
  await page.goto('/set-up');
  await expect(page.getByRole('spinbutton', { name: 'Tuning A4, Hz' })).toBeVisible();
  await expect(page.getByText('could not be read')).toBeHidden();
  const stored = await page.evaluate(
    () =>
      new Promise<Record<string, unknown>>((resolve) => {
        const opening = indexedDB.open('inner-hum');
        opening.onsuccess = () => {
          const rows = opening.result.transaction('settings').objectStore('settings').getAll();
          rows.onsuccess = () => resolve((rows.result[0] as { value: Record<string, unknown> }).value);
        };
      }),
  );
  expect((stored['gear'] as unknown[]).length).toBeGreaterThan(5);
  expect(errors).toEqual([]);
});
