import type { KeyboardEvent } from 'react';
import type { Picking } from './usePicking.ts';

interface Keys {
  picking: Picking;
  count: number;
  go: (to: number, through: boolean) => void;
  /** Where an arrow leads. */
  step: (arrow: string, from: number) => number;
  /** What else a key does; gives back whether it was meant. */
  onKey: (key: string) => boolean;
}

/** The keys of a long list: arrows, Home, End, Space, Ctrl A, Escape, and what is done to what is picked. */
export const buildListKeys =
  ({ picking, count, go, step, onKey }: Keys) =>
  (e: KeyboardEvent): void => {
    const { at } = picking;
    const to =
      e.key === 'Home' ? 0 : e.key === 'End' ? count - 1 : /^Arrow/.test(e.key) ? (at < 0 ? 0 : step(e.key, at)) : null;
    if (to !== null && to >= 0 && to < count) go(to, e.shiftKey);
    else if (e.key === ' ') picking.press(at, { add: true });
    else if (e.key === 'Enter') picking.press(at);
    else if (e.key === 'a' && (e.ctrlKey || e.metaKey)) picking.pickAll();
    else if (e.key === 'Escape') picking.clear();
    else if (to === null && (e.ctrlKey || e.metaKey || e.altKey || !onKey(e.key))) return;
    e.preventDefault();
  };
