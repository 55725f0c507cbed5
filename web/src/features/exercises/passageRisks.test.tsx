// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { cellsFrom, exerciseTag } from '@inner-hum/core/history';
import { digest, seen } from '@inner-hum/core/history/testDigests';
import { fireEvent, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { database } from '../../db/database';
import { readSettings } from '../../db/settings/readSettings';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { marksOf, PassageRisks, usePassageRisks } from './PassageRisks';

freshEachTime();

function Shown() {
  const risks = usePassageRisks();
  return risks && <PassageRisks risks={risks} />;
}

const passage = { ...usualExercise(familyById('ownPassage'), 'alto'), phrase: '[f] C5 D5 E5 D5' };

it('an empty map says what it needs', async () => {
  store.dispatch(settingsChanged({ exercise: passage }));
  inApp(<Shown />);
  expect(await screen.findByText(/Your map is empty still/)).toBeTruthy();
});

it('names the notes that the map calls risky with their figures, and puts feeders and passage into the block', async () => {
  const sharp = Array.from({ length: 8 }, () => seen({ midi: 74, band: 'loud', values: { pitchCentreCents: 25 } }));
  await database.cells.bulkPut([...cellsFrom([digest('a', 1, sharp)]).values()]);
  store.dispatch(settingsChanged({ exercise: passage }));
  inApp(<Shown />);
  expect(await screen.findByText(/^Notes 2, 4: D5 .*25 cents sharp/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /into the block/ }));
  const families = settings().block.map(({ family }) => family);
  expect(families).toHaveLength(2);
  expect(families.at(-1)).toBe('ownPassage');
  fireEvent.click(screen.getByRole('button', { name: 'Into every day of the week' }));
  const [routine] = settings().routines;
  expect(routine).toMatchObject({ name: 'Passage C5 D5 E5 D5 …', must: true, days: [0, 1, 2, 3, 4, 5, 6] });
  expect(routine!.blocks.map(({ exercise }) => exercise.family)).toEqual(families);
  // Pressed twice it would stand there twice.
  expect(screen.queryByRole('button', { name: 'Into every day of the week' })).toBeNull();
  expect(screen.getByText('“Passage C5 D5 E5 D5 …” stands first on Today each day.')).toBeTruthy();
});

it('becomes a goal with a day, once', () => {
  store.dispatch(settingsChanged({ exercise: passage }));
  inApp(<PassageRisks risks={[]} />);
  fireEvent.click(screen.getByRole('button', { name: /^Make it a goal/ }));
  expect(settings().goals).toMatchObject([{ kind: 'passage', midi: 72, instrumentId: 'alto', exercise: passage }]);
  expect(screen.queryByRole('button', { name: /^Make it a goal/ })).toBeNull();
  expect(screen.getByText(/^It is your goal by/)).toBeTruthy();
  expect(readSettings(settings()).settings.goals).toEqual(settings().goals);
  const [goal] = settings().goals;
  expect(readSettings({ ...settings(), goals: [{ ...goal, exercise: undefined }] }).settings.goals).toEqual([]);
});

it('marks the notes with the number under which it is said why, the worse of two', () => {
  const risk = (...steps: number[]) => ({ steps }) as unknown as Parameters<typeof marksOf>[0][number];
  expect([...marksOf([risk(1, 3), risk(2, 3)])].sort()).toEqual([
    [1, 1],
    [2, 2],
    [3, 1],
  ]);
});

it('says on the second day whether the passage is better', async () => {
  const played = (id: string, day: number, shareInWindow: number) =>
    digest(id, day, [], {}, { family: 'ownPassage', parameters: passage, shareInWindow, tags: [exerciseTag(passage)] });
  store.dispatch(settingsChanged({ exercise: passage }));
  await database.cells.bulkPut([...cellsFrom([digest('a', 1, [seen()])]).values()]);
  const onTenor = { ...played('t', 4, 0.1), setup: { instrumentId: 'tenor' as const } };
  await database.digests.bulkPut([played('b', 1, 0.6), played('c', 1, 0.62), onTenor]);
  inApp(<Shown />);
  expect((await screen.findByTestId('passage-progress')).textContent).toContain('Played on one day so far.');
  await database.digests.bulkPut([played('d', 8, 0.95), played('e', 8, 0.96)]);
  expect(await screen.findByText(/2 takes: 5 .* out of tune\. It is better\.$/)).toBeTruthy();
});
