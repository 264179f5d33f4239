/** A document that is worked on, as it was before and as it would be again. */
export interface History<T> {
  readonly past: readonly T[];
  readonly now: T;
  readonly future: readonly T[];
}

/** Steps that can be taken back. */
const DEPTH = 200;

export const startHistory = <T>(now: T): History<T> => ({ past: [], now, future: [] });

/** A step on; the same history where nothing changes. */
export const changeHistory = <T>(history: History<T>, next: T): History<T> =>
  next === history.now ? history : { past: [...history.past.slice(1 - DEPTH), history.now], now: next, future: [] };

/** The step just taken leads elsewhere: no step of its own. */
export const amendHistory = <T>(history: History<T>, next: T): History<T> =>
  next === history.now ? history : { past: history.past, now: next, future: [] };

export const undoHistory = <T>({ past, now, future }: History<T>): History<T> =>
  past.length ? { past: past.slice(0, -1), now: past.at(-1)!, future: [now, ...future] } : { past, now, future };

export const redoHistory = <T>({ past, now, future }: History<T>): History<T> =>
  future.length ? { past: [...past, now], now: future[0]!, future: future.slice(1) } : { past, now, future };
