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
    const now = new Date();
    timer = setTimeout(() => (wait(), tell()), startOfDay(addDays(now, 1)).getTime() - now.getTime() + 50);
  };
  wait();
  document.addEventListener('visibilitychange', tell);
  return () => {
    clearTimeout(timer);
    document.removeEventListener('visibilitychange', tell);
  };
}
