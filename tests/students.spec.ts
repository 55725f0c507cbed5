import { readFileSync } from 'node:fs';
import type { Download, Page } from '@playwright/test';
import { expect, expectAccessible, goByLink, test, withStandIn } from './app';
import { withMadeSound } from './madeSound';

/** What is downloaded when something is done. */
async function saved(page: Page, act: () => Promise<unknown>): Promise<Buffer> {
  const [download] = await Promise.all([page.waitForEvent('download'), act()]);
  return readFileSync(await (download as Download).path());
}

test('a routine goes to a student, the week comes back, is heard and remarked on, and the remark arrives', async ({
  page: teacher,
  browser,
}) => {
  await teacher.goto('/exercises');
  await teacher.getByLabel('A usual one').selectOption({ label: 'By swells' });
  await teacher.getByRole('button', { name: 'Add it' }).click();
  await teacher.getByLabel('Your name on what you hand out').fill('Ada');
  const routine = await saved(teacher, () => teacher.getByRole('button', { name: 'Export as a file' }).click());

  // The student opens it, plays its first block by the stand-in player and writes a note on it.
  const other = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const student = await other.newPage();
  await withMadeSound(student, {});
  const openRoutine = async (buffer: Buffer) => {
    await student.getByTestId('routine-file').setInputFiles({ name: 'r.json', mimeType: 'application/json', buffer });
    await student.getByTestId('routine-offer').getByRole('button', { name: 'Add it', exact: true }).click();
  };
  await withStandIn(student);
  await goByLink(student, '/exercises');
  await openRoutine(routine);
  await expect(student.getByTestId('routine')).toContainText('set by Ada');
  await student.getByRole('button', { name: 'Play it today' }).click();
  await student.getByRole('button', { name: 'Look around' }).click();
  await student.getByTestId('start-session').click();
  await expect(student.getByTestId('verdict')).toBeVisible();
  await student.getByRole('link', { name: 'Numbers and traces' }).click();
  await student.getByLabel('Note to self').fill('Felt easy.');
  await expect(student).toHaveURL(/\/take\//);
  const takeAddress = student.url();

  // Nothing is given that is not ticked.
  await student.getByRole('link', { name: 'Log', exact: true }).first().click();
  await student.getByText('Backups, recordings and storage').click();
  await student.getByRole('link', { name: 'Give a week to your teacher' }).click();
  const save = student.getByRole('button', { name: 'Save the file' });
  await save.click();
  await expect(student.getByText('Write a name first.')).toBeVisible();
  await student.getByLabel('Your name on it').fill('Mara');
  await save.click();
  await expect(student.getByText('Tick at least one thing to give.')).toBeVisible();
  for (const box of await student.getByRole('checkbox').all()) await expect(box).not.toBeChecked();
  await student.getByLabel('What I practised').check();
  await student.getByLabel('My notes on takes').check();
  await student.getByRole('button', { name: 'Tick the best of each exercise' }).click();
  await student.getByLabel('The sound of these takes').check();
  await expectAccessible(student);
  const week = await saved(student, () => save.click());

  // The teacher sees who practised what, hears the take, and remarks on a beat of it.
  await teacher.goto('/students');
  const openWeek = (buffer: Buffer) =>
    teacher.getByTestId('week-file').setInputFiles({ name: 'week.zip', mimeType: 'application/zip', buffer });
  await openWeek(Buffer.from('no week'));
  await expect(teacher.getByRole('alert')).toHaveText('This file is not the week of a student. Nothing was changed.');
  await openWeek(week);
  const row = teacher.getByTestId('student');
  await expect(row).toContainText('Mara');
  await expect(row).toContainText('From nothing');
  await expect(teacher.getByTestId('same-note')).toContainText(/Mara.*cents/);
  await expectAccessible(teacher);
  await row.getByRole('link', { name: 'Mara' }).click();
  await expect(teacher.getByText('Felt easy.')).toBeVisible();
  await expect(teacher.getByRole('heading', { name: 'Where in a session it breaks' })).toBeVisible();
  await teacher.getByTestId('student-take').getByRole('link').click();
  await teacher.getByRole('button', { name: /^Play/ }).click();
  await expect(teacher.getByRole('button', { name: /^Pause/ })).toBeVisible();
  await teacher.getByRole('button', { name: /^Pause/ }).click();
  await teacher.getByLabel('Place in the take').fill('3.2');
  const field = teacher.getByLabel(/^Remark on beat/);
  const beat = Number(/\d+/.exec((await teacher.getByText(/^Remark on beat/).textContent()) ?? '')?.[0]);
  await field.fill('Let the air lead here.');
  await teacher.getByRole('button', { name: 'Add the remark' }).click();
  await expectAccessible(teacher);
  await teacher.getByRole('link', { name: 'To the student' }).click();
  await expect(teacher.getByTestId('remark')).toContainText('Let the air lead here.');
  const answer = await saved(teacher, () =>
    teacher.getByRole('button', { name: 'Export the routine for this student' }).click(),
  );
  await expect(teacher.getByText('None is waiting.')).toBeVisible();

  // The remark stands on the student's take, at its beat.
  await goByLink(student, '/exercises');
  await openRoutine(answer);
  await expect(student.getByText('With it came a remark on one of your takes')).toBeVisible();
  await student.goto(takeAddress);
  await expect(student.getByTestId('remark')).toHaveText(`Ada, beat ${beat}: Let the air lead here.`);
  await goByLink(student, '/log');
  await expect(student.getByRole('listitem').first()).toContainText('Let the air lead here.');
  await other.close();

  // A student is removed, and can be had back.
  await teacher.getByRole('button', { name: 'Remove this student' }).click();
  await expect(teacher.getByText('No week has been opened yet.', { exact: false })).toBeVisible();
  await teacher.getByRole('button', { name: /^Undo/ }).click();
  await expect(row).toContainText('Mara');
});
