import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './app';

// The whole errand by keyboard alone, written down as a screen reader would say it: what has the focus, what is announced.

/** What is said from now on in live regions, once each. */
async function announcements(page: Page) {
  await page.evaluate(() => {
    const kept = window as unknown as { said: string[] };
    kept.said = [];
    const look = () => {
      for (const region of document.querySelectorAll('[aria-live], [role="status"], [role="alert"]')) {
        const text = (region as HTMLElement).innerText.replaceAll(/\s+/g, ' ').trim();
        if (text && kept.said.at(-1) !== text) kept.said.push(text);
      }
    };
    new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  return () => page.evaluate(() => (window as unknown as { said: string[] }).said.splice(0));
}

/** Role and name of what has the focus, as the browser hands them to a screen reader. */
async function focused(page: Page): Promise<string> {
  const session = await page.context().newCDPSession(page);
  const { result } = await session.send('Runtime.evaluate', { expression: 'document.activeElement' });
  const { nodes } = await session.send('Accessibility.getPartialAXTree', {
    objectId: result.objectId!,
    fetchRelatives: false,
  });
  await session.detach();
  const [node] = nodes;
  const value = node?.value?.value ? `, ${String(node.value.value)}` : '';
  return `${String(node?.role?.value)} “${String(node?.name?.value ?? '')}”${value}`;
}

/** Presses Tab until the focus is where it should be; gives how often, and fails where it never comes there. */
async function tabTo(page: Page, wanted: RegExp, most = 60): Promise<string> {
  const met: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    met.push(await focused(page));
    if (wanted.test(met.at(-1)!)) return met.at(-1)!;
  }
  throw new Error(`no way by Tab to ${String(wanted)}; met: ${met.join('; ')}`);
}

test('the whole errand by keyboard alone: the first run, a take, its verdict, the next step, the Log', async ({
  page,
}) => {
  const heard: string[] = [];
  await page.goto('/');
  await expect(page.getByRole('button', { name: /^Play one long G4/ })).toBeVisible();
  heard.push(`Page: ${await page.title()}`);
  // The skip link first, then the places.
  heard.push(await tabTo(page, /^link “To the content”|^link “Skip/));
  heard.push(await tabTo(page, /^link “Set-up”/));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Set-up' })).toBeVisible();
  heard.push('heading “Set-up”', await tabTo(page, /^combobox “Sound comes from”/, 120));
  await page.keyboard.type('stand');
  await expect(page.getByRole('combobox', { name: 'Sound comes from' })).toHaveValue('standIn');
  heard.push(await focused(page));
  await page.goto('/stand');
  await expect(page.getByTestId('start')).toBeVisible();
  const said = await announcements(page);
  heard.push(await tabTo(page, /^button “Start/));
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('verdict')).toBeVisible();
  heard.push(...(await said()).map((text) => `announced: ${text}`));
  // The verdict has the focus: what it says is read at once.
  heard.push(`read: ${(await page.getByTestId('verdict').innerText()).replaceAll(/\s+/g, ' ').slice(0, 240)}`);
  heard.push(await tabTo(page, /^button “Again/));
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('verdict')).toBeHidden();
  await page.keyboard.press('p');
  heard.push(await tabTo(page, /^link “Log”/, 120));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Log' })).toBeVisible();
  heard.push('heading “Log”', await tabTo(page, /^link “Open the take/, 120));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('G4');
  if (process.env['HEARD'])
    writeFileSync(
      'docs/heard.md',
      `# What is heard\n\nThe errand of a first day by keyboard alone, as a screen reader gets it (\`HEARD=1 npx playwright test keyboard\`).\n\n${heard.map((line) => `- ${line}`).join('\n')}\n`,
    );
});
