import { useLayoutEffect } from 'react';

/**
 * Hears key presses while the component is on the page, from the moment it is drawn on: a key that the page invites to press
 * must not be lost. Presses inside `except` (a selector) stay with what is focused there.
 */
export function useKeyDown(except: string, onKey: (event: KeyboardEvent) => void): void {
  useLayoutEffect(() => {
    const heard = (event: KeyboardEvent) => {
      if (!(event.target instanceof Element && event.target.closest(except))) onKey(event);
    };
    window.addEventListener('keydown', heard);
    return () => window.removeEventListener('keydown', heard);
  });
}
