import { expect, openAt, test, tooWide } from './app';

const PLACES = ['today', 'stand', 'exercises', 'horn', 'overtones', 'log', 'log/give', 'students', 'set-up', 'guide'];
const WIDTHS = [1280, 390];

/** Labels that are cut off. In the page. */
function cutLabels() {
  const labels = document.querySelectorAll<HTMLElement>(
    'button, a, label, th, h1, h2, h3, summary, legend, nav span, [role=tab]',
  );
  const cut = [...labels].filter((label) => {
    const { overflowX, position } = getComputedStyle(label);
    const hidden = position === 'absolute' && label.offsetWidth <= 1;
    return !hidden && ['hidden', 'clip'].includes(overflowX) && label.scrollWidth > label.clientWidth + 1;
  });
  return cut.map((label) => label.textContent);
}

test.describe('a reader of German', () => {
  test.use({ locale: 'de-AT' });
  test('is spoken to in German from the first page on, and can choose another language, which stays', async ({
    page,
  }) => {
    await page.goto('/today');
    await expect(page.getByRole('heading', { name: 'Höre ihn, summe ihn, halte ihn.' })).toBeVisible();
    await expect(page.locator('html')).toHaveAttribute('lang', 'de');
    await page.getByText('Kein Horn zur Hand? Selbst wählen').click();
    await expect(page.getByLabel('Welche Tonnamen benutzt du?')).toHaveValue('german');
    await page.getByLabel('Sprache').selectOption('fr');
    await expect(page.getByRole('heading', { name: 'Entends-le, fredonne-le, tiens-le.' })).toBeVisible();
    await expect(page.getByLabel('Quels noms de notes utilises-tu ?')).toHaveValue('french');
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Entends-le, fredonne-le, tiens-le.' })).toBeVisible();
  });
});

// The two with the longest words, and the longest sentences.
for (const [locale, today] of [
  ['de', 'Heute'],
  ['fr', 'Aujourd’hui'],
] as const)
  test.describe(locale, () => {
    test.use({ locale });
    test('cuts no label in any place, on a laptop and on a phone', async ({ page }) => {
      const loaded: string[] = [];
      page.on('request', (request) => loaded.push(new URL(request.url()).pathname));
      await page.goto('/?demo');
      await expect(page.getByRole('heading', { name: today })).toBeVisible();
      for (const width of WIDTHS)
        for (const place of PLACES) {
          await openAt(page, width, place);
          // Drawings take their width a frame later.
          await expect.poll(() => page.evaluate(tooWide), `${place} at ${width}`).toEqual([]);
          expect(await page.evaluate(cutLabels), `${place} at ${width}`).toEqual([]);
        }
      const catalogues = loaded.map((path) => /\/assets\/(en|de|fr|it|es)-/.exec(path)?.[1]).filter(Boolean);
      expect([...new Set(catalogues)]).toEqual([locale]);
    });
  });
