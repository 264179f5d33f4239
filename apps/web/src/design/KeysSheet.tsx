import { Suspense, lazy, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Station } from './StationNav.tsx';

const KeysDialog = lazy(() => import('./KeysDialog.tsx'));

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.closest('input, textarea, select, [contenteditable]') !== null || target.closest('[role="dialog"]') !== null);

/** Listens for the keys that work everywhere, and shows them on `?`. */
export function KeysSheet({ stations }: { stations: readonly Station[] }) {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const digit = /^Digit(\d)$/.exec(e.code)?.[1];
      const there = stations[Number(e.altKey ? digit : e.key) - 1];
      if (e.ctrlKey || e.metaKey || (e.altKey ? !there : typing(e.target))) return;
      // a digit by itself, typed while something has the focus, was meant for that
      const station = e.altKey || e.target === document.body ? there : undefined;
      if (e.key === '?') setOpen(true);
      else if (e.key === '/') document.querySelector<HTMLInputElement>('[data-say-line]')?.focus();
      else if (e.key === '0' && e.target === document.body) void navigate('/drawer');
      else if (station) void navigate(station.to);
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [navigate, stations]);
  return open ? (
    <Suspense fallback={null}>
      <KeysDialog stations={stations} close={() => setOpen(false)} />
    </Suspense>
  ) : null;
}
