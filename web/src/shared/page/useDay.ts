import { addDays, startOfDay } from 'date-fns';
import { useEffect, useState } from 'react';
import { dayOf } from '../../base/days';

/** The player's own day, yyyy-mm-dd; it goes on to the next at midnight, and when a page comes back that slept over it. */
export function useDay(): string {
  const [day, setDay] = useState(() => dayOf(new Date()));
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const look = () => {
      setDay(dayOf(new Date()));
      clearTimeout(timer);
      const now = new Date();
      timer = setTimeout(look, startOfDay(addDays(now, 1)).getTime() - now.getTime() + 50);
    };
    look();
    document.addEventListener('visibilitychange', look);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return day;
}
