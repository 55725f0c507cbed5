// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { keepInstallOffer, useInstall } from './install';

keepInstallOffer();
const offered = (outcome: 'accepted' | 'dismissed') =>
  Object.assign(new Event('beforeinstallprompt', { cancelable: true }), {
    prompt: vi.fn(() => Promise.resolve({ outcome })),
  });

it.each(['accepted', 'dismissed'] as const)('the browser’s offer is kept until it is used: %s', async (outcome) => {
  const { result } = renderHook(() => useInstall());
  expect(result.current).toBeUndefined();
  const offer = offered(outcome);
  act(() => void window.dispatchEvent(offer));
  expect(offer.defaultPrevented).toBe(true);
  await act(() => result.current!());
  expect(offer.prompt).toHaveBeenCalledOnce();
  expect(result.current).toBeUndefined();
});

it('an application installed by the browser’s own menu is not offered any more', () => {
  const { result } = renderHook(() => useInstall());
  act(() => void window.dispatchEvent(offered('accepted')));
  expect(result.current).toBeDefined();
  act(() => void window.dispatchEvent(new Event('appinstalled')));
  expect(result.current).toBeUndefined();
});
