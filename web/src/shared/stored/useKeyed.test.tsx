// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { useKeyed } from './useKeyed';

afterEach(cleanup);

it('shows nothing while it reads for another key, never what was found under the one before', async () => {
  const answers = new Map<string, (value: string) => void>();
  const seen: (string | undefined)[] = [];
  const { rerender } = renderHook(
    ({ key }) => {
      const found = useKeyed(key, () => new Promise<string>((answer) => answers.set(key, answer)));
      seen.push(found);
      return found;
    },
    { initialProps: { key: 'G4' } },
  );
  await waitFor(() => expect(answers.has('G4')).toBe(true));
  act(() => answers.get('G4')!('of G4'));
  await waitFor(() => expect(seen.at(-1)).toBe('of G4'));
  rerender({ key: 'A4' });
  expect(seen.at(-1)).toBeUndefined();
  await waitFor(() => expect(answers.has('A4')).toBe(true));
  act(() => answers.get('A4')!('of A4'));
  await waitFor(() => expect(seen.at(-1)).toBe('of A4'));
});
