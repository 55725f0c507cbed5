// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { cellsFrom } from '@inner-hum/core/plan';
import { digest, seen } from '@inner-hum/core/plan/testDigests';
import { fireEvent, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { database } from '../../db/database';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { PassageRisks } from './PassageRisks';

freshEachTime();

const passage = { ...usualExercise(familyById('ownPassage'), 'alto'), phrase: '[f] C5 D5 E5 D5' };

it('an empty map says what it needs', async () => {
  store.dispatch(settingsChanged({ exercise: passage }));
  inApp(<PassageRisks />);
  expect(await screen.findByText(/Your map is empty still/)).toBeTruthy();
});

it('names the notes that the map calls risky with their figures, and puts feeders and passage into the block', async () => {
  const sharp = Array.from({ length: 8 }, () => seen({ midi: 74, band: 'loud', values: { pitchCentreCents: 25 } }));
  await database.cells.bulkPut([...cellsFrom([digest('a', 1, sharp)]).values()]);
  store.dispatch(settingsChanged({ exercise: passage }));
  inApp(<PassageRisks />);
  expect(await screen.findByText(/^Notes 2, 4: D5 .*25 cents sharp/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /into the block/ }));
  const families = settings().block.map(({ family }) => family);
  expect(families).toHaveLength(2);
  expect(families.at(-1)).toBe('ownPassage');
});
