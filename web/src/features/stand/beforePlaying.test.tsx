// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { digest } from '@inner-hum/core/history/testDigests';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import { database } from '../../db/database';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { BeforePlaying } from './BeforePlaying';

freshEachTime();

const playToday = (takes: number) =>
  database.digests.bulkPut(
    Array.from({ length: takes }, (_, i) => ({ ...digest(`t${i}`, 1, []), startedAtMs: Date.now() - i })),
  );

it('once a day all that is seen to first; after that one thing at a time, by turns, and not before each take', async () => {
  await playToday(2);
  inApp(<BeforePlaying />);
  fireEvent.click(screen.getByRole('button', { name: 'Ready' }));
  expect(settings().preparedOn).not.toBe('');
  await playToday(3);
  expect((await screen.findByTestId('posture')).textContent).toBe('Elbows free of the ribs.');
  await playToday(6);
  await waitFor(() => expect(screen.getByTestId('posture').textContent).toBe('Shoulders down, neck long.'));
  await playToday(7);
  await waitFor(() => expect(screen.queryByTestId('posture')).toBeNull());
});
