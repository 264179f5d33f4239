import { useEffect } from 'react';

/** Fetches the views to which one is likely to go next, once what is shown has come to rest. */
export function usePrefetchedViews(views: readonly (() => Promise<unknown>)[]): void {
  useEffect(() => {
    if (!('requestIdleCallback' in window)) return;
    // where the server is gone, they are asked for again when they are gone to
    const fetchAll = () => views.forEach((view) => void view().catch(() => {}));
    const idle = requestIdleCallback(fetchAll, { timeout: 3000 });
    return () => cancelIdleCallback(idle);
  }, [views]);
}
