import { useLayoutEffect } from 'react';
import { useLocation, useNavigationType } from 'react-router';

/** Where one goes on to, one begins at its top; going back, one is where one was. */
export function useScrollToTop(): void {
  const { pathname } = useLocation();
  const how = useNavigationType();
  useLayoutEffect(() => {
    if (how !== 'POP') window.scrollTo(0, 0);
  }, [pathname, how]);
}
