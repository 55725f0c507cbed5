// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { cleanup, render, renderHook, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { database } from '../../db/database';
import { Boundary } from '../page/Boundary';
import { forgetKept, useKept } from './useKept';

beforeEach(async () => {
  forgetKept();
  await database.reedUses.clear();
});
afterEach(cleanup);

const query = vi.fn(() => database.reedUses.count());
const useCounted = (key = 'alto') => useKept('reeds', key, query);
const counted = (key?: string) => renderHook(() => useCounted(key)).result;
const put = (key: string) => database.reedUses.put({ key } as never);

it('who comes back has at once what changed meanwhile, and nothing is asked twice', async () => {
  const first = counted();
  await waitFor(() => expect(first.current).toBe(0));
  cleanup();
  await put('a');
  await vi.waitFor(() => expect(query.mock.settledResults.at(-1)?.value).toBe(1));
  const asked = query.mock.calls.length;
  expect([counted().current, counted().current]).toEqual([1, 1]);
  expect(query).toHaveBeenCalledTimes(asked);
});

it('under another key the old answer is none, and is kept for those alone who still read it', async () => {
  const alto = counted();
  await waitFor(() => expect(alto.current).toBe(0));
  const tenor = counted('tenor');
  expect(tenor.current).toBeUndefined();
  await waitFor(() => expect(tenor.current).toBe(0));
  await put('a');
  await waitFor(() => expect([alto.current, tenor.current]).toEqual([1, 1]));
  cleanup();
  expect(counted('tenor').current).toBe(1);
  expect(counted().current).toBeUndefined();
});

it('what a query fails with is thrown where it is read; once nobody reads it, it is asked anew', async () => {
  vi.spyOn(console, 'error').mockImplementation(() => undefined);
  query.mockRejectedValueOnce(new Error('damaged'));
  const Count = () => <p>{useCounted() ?? 'reads'}</p>;
  render(
    <Boundary broken={(error, again) => <button onClick={again}>{String(error)}</button>}>
      <Count />
    </Boundary>,
  );
  (await screen.findByRole('button', { name: 'Error: damaged' })).click();
  await screen.findByText('0');
});
