// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { act, fireEvent, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { store } from '../../store';
import { freshEachTime, inApp } from '../../testing/inApp';
import { LoopCheck } from './LoopCheck';

vi.mock('../../practice/metronome', async (original) => ({ ...(await original<object>()), click: vi.fn() }));
freshEachTime();
afterEach(() => vi.useRealTimers());

/** Starts the check, and after so many seconds does something; then all its time passes. */
async function started(thenDo: (leave: () => void) => void): Promise<void> {
  const { unmount } = inApp(<LoopCheck />);
  const start = await screen.findByRole('button', { name: 'Measure the latency' });
  vi.useFakeTimers({ toFake: ['setTimeout'] });
  fireEvent.click(start);
  await act(() => vi.advanceTimersByTimeAsync(500));
  thenDo(unmount);
  await act(() => vi.advanceTimersByTimeAsync(20_000));
}

it('a check that was left says nothing of itself over what is played next', async () => {
  await started((leave) => leave());
  expect(store.getState().practice.problem).toBeNull();
});

it('one that was waited for says what came of it', async () => {
  await started(() => undefined);
  expect(screen.getByRole('status').textContent).not.toBe('');
});
