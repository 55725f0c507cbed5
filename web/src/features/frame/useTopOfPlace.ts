import { useEffect } from 'react';
import { useLocation, useNavigationType } from 'react-router';

/** Another place is seen from its top, unless a part of it was asked for; who goes back finds it as it was left. */
export function useTopOfPlace(): void {
  const { pathname, hash } = useLocation();
  const how = useNavigationType();
  useEffect(() => {
    if (how !== 'POP' && hash === '') window.scrollTo(0, 0);
  }, [pathname, hash, how]);
}
