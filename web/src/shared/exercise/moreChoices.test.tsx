// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { fireEvent, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { freshEachTime, inApp } from '../../testing/inApp';
import { MoreChoices } from './MoreChoices';

freshEachTime();

it('stands while what was chosen can’t be played on this horn', () => {
  const exercise = { ...usualExercise(familyById('shortTwelfths'), 'alto'), writtenMidi: 94 };
  store.dispatch(settingsChanged({ instrumentId: 'alto', exercise }));
  inApp(<MoreChoices />);
  fireEvent.click(screen.getByText(/Cue, silent bars/));
  expect(screen.getByRole('combobox', { name: 'Silent bars' })).toBeTruthy();
  expect(screen.queryByRole('combobox', { name: /long tone stops/ })).toBeNull();
});
