// @vitest-environment happy-dom
import { cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useSpoken } from './useSpoken';

const speak = vi.fn<(speech: { text: string; lang: string }) => void>();
const cancel = vi.fn();
beforeEach(() => {
  vi.stubGlobal('speechSynthesis', { speak, cancel });
  vi.stubGlobal(
    'SpeechSynthesisUtterance',
    class {
      lang = '';
      constructor(readonly text: string) {}
    },
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.clearAllMocks();
});

it('reads once, without uncertainties, and is silent when what it reads is gone', () => {
  const { rerender, unmount } = renderHook(({ text }) => useSpoken(text, 'en'), {
    initialProps: { text: 'Sharp by 14 cents (±1) in the middle of the tone.' },
  });
  rerender({ text: 'Sharp by 14 cents (±1) in the middle of the tone.' });
  expect(speak.mock.calls.map(([speech]) => [speech.text, speech.lang])).toEqual([
    ['Sharp by 14 cents in the middle of the tone.', 'en'],
  ]);
  unmount();
  expect(cancel).toHaveBeenCalledOnce();
});

it('reads nothing unless it is wished', () => {
  renderHook(() => useSpoken(undefined, 'en'));
  expect(speak).not.toHaveBeenCalled();
});

it('a browser without a voice works on', () => {
  vi.unstubAllGlobals();
  expect(() => renderHook(() => useSpoken('Again.', 'en'))).not.toThrow();
});
