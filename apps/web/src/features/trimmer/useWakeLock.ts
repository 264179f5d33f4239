import { useEffect } from 'react';

/** Keeps the screen awake while somebody works at it, where the platform can. */
export function useWakeLock(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const take = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (taken) => {
          if (over) void taken.release();
          else lock = taken;
        },
        // a battery that is low, or a browser that will not: the screen sleeps as it always does
        () => {},
      );
    };
    take();
    document.addEventListener('visibilitychange', take);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', take);
      void lock?.release();
    };
  }, [on]);
}
