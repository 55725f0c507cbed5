import { expect, goByLink, test, withStandIn } from './app';

const NOTE = (step: string, octave: number, quarters: number, more = '') =>
  `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${quarters}</duration><voice>1</voice>${more}</note>`;
const SLUR = (type: string) => `<notations><slur type="${type}"/></notations>`;
const DIRECTION = (type: string) => `<direction><direction-type>${type}</direction-type></direction>`;
const TUNE = `<?xml version="1.0"?><score-partwise><part-list><score-part id="P1"><part-name>Evening tune</part-name></score-part></part-list>
<part id="P1"><measure number="1"><attributes><divisions>1</divisions></attributes>
${DIRECTION('<dynamics><p/></dynamics>')}${DIRECTION('<wedge type="crescendo"/>')}
${NOTE('G', 4, 1, SLUR('start'))}${NOTE('A', 4, 1)}${NOTE('B', 4, 2, SLUR('stop'))}
${DIRECTION('<dynamics><f/></dynamics>')}${NOTE('D', 5, 2)}<note><rest/><duration>2</duration><voice>1</voice></note>
</measure></part></score-partwise>`;

test('an own tune is read from a score file, drawn as it is written, played and judged', async ({ page }) => {
  await withStandIn(page);
  await goByLink(page, '/exercises');
  await page.getByRole('button', { name: 'Own passage', exact: true }).click();
  await expect(page.getByRole('heading', { name: /Own passage/ })).toBeVisible();
  await page
    .getByTestId('phrase-file')
    .setInputFiles({ name: 'tune.musicxml', mimeType: 'application/xml', buffer: Buffer.from(TUNE) });
  const field = page.getByRole('textbox', { name: 'Phrase' });
  await expect(field).toHaveValue('[p] [<] (G4 A4 B4:2) [f] D5:2');
  // What is typed wrongly is named, and the tune stays.
  await field.fill('[p] [<] (G4 A4 B4:2) [loud] D5:2');
  await expect(page.getByText('is no sign here: pp to ff')).toBeVisible();
  await field.fill('[p] [<] (G4 A4 B4:2) [f] D5:2 [air] G4:2 [B♭3] F5:2');
  await expect(page.getByTestId('dynamics').locator('text')).toHaveText(['p', 'f']);
  await expect(page.getByTestId('part').getByRole('img')).toHaveAccessibleName(/D5.*G4 by air.*F5/);
  // It can be worked towards, and Today says so.
  await page.getByRole('button', { name: 'Make it a goal for four weeks from now' }).click();
  await expect(page.getByText('It is your goal by')).toBeVisible();
  await page.getByRole('button', { name: 'To the Stand' }).click();
  await page.getByTestId('start').click();
  await expect(page.getByTestId('verdict')).toBeVisible();
  await page.goto('/today');
  await page.getByText('Goals and quiet hours').click();
  await expect(page.getByText('A passage from G4, ♩ = 72, by')).toBeVisible();
  await expect(page.getByTestId('milestones')).toContainText('played three times');
  await goByLink(page, '/log');
  await expect(page.getByText('1 take', { exact: true })).toBeVisible();
});
