import { addDays, startOfDay } from 'date-fns';
import { useSyncExternalStore } from 'react';
import { dayOf } from '../../base/days';

/** The player's own day, yyyy-mm-dd; it goes on to the next at midnight, and when a page comes back that slept over it. */
export function useDay(): string {
  return useSyncExternalStore(atNewDay, () => dayOf(new Date()));
}

/** Tells at midnight, and when the page comes back; the result ends it. */
function atNewDay(tell: () => void): () => void {
  let timer: ReturnType<typeof setTimeout>;
  const wait = () => {
    clearTimeout(timer);
    const now = new Date();
    timer = setTimeout(look, startOfDay(addDays(now, 1)).getTime() - now.getTime() + 50);
  };
  // A timer of a page that slept comes too late: what is left to midnight is counted anew each time.
  const look = () => {
    wait();
    tell();
  };
  wait();
  document.addEventListener('visibilitychange', look);
  return () => {
    clearTimeout(timer);
    document.removeEventListener('visibilitychange', look);
  };
}
