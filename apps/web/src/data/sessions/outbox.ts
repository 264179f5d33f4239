import type { SessionEvent } from '@temnex/core/trimmer';
import type { StoredEvent } from '@temnex/contract';
import { keepText, keepValue, readKeptText, readKeptValue } from '../deviceStorage.ts';

/*
 * What was pressed and the server has not taken in yet, kept on the device: it survives a reload, a crash and an hour without
 * a connection.
 */

const KEY = 'temnex.session.';
const listeners = new Set<() => void>();
const read = new Map<string, { text: string | null; events: readonly SessionEvent[] }>();
const NONE: readonly SessionEvent[] = [];

/** Where there is no storage, or no room in it, what is pressed lives as long as the view does. */
const spare = new Map<string, string>();
const stored = (id: string): string | null => {
  // what found no room any more is later than what had found some
  const here = spare.get(id);
  return here ?? readKeptText(KEY + id);
};

/** The events of a session that wait; the same list while nothing has changed. */
export function pendingEventsOf(id: string): readonly SessionEvent[] {
  const text = stored(id);
  const known = read.get(id);
  if (known && known.text === text) return known.events;
  let events = NONE;
  try {
    if (text) events = JSON.parse(text) as SessionEvent[];
  } catch {
    // written half by a crash: nothing of it can be read
  }
  read.set(id, { text, events });
  return events;
}

/** Closing the window would lose what lives in it alone; the browser asks first. */
const askBeforeLeaving = (event: BeforeUnloadEvent): void => event.preventDefault();

function keep(id: string, events: readonly SessionEvent[]): void {
  const text = events.length ? JSON.stringify(events) : null;
  if (keepText(KEY + id, text) || text === null) spare.delete(id);
  else spare.set(id, text);
  if (spare.size) addEventListener('beforeunload', askBeforeLeaving);
  else removeEventListener('beforeunload', askBeforeLeaving);
  listeners.forEach((tell) => tell());
}

/** Whether what waits lives in this window alone: there was no room on the device to keep it. */
export const isOnlyInMemory = (id: string): boolean => spare.has(id);

export const enqueueEvent = (id: string, event: SessionEvent): void => keep(id, [...pendingEventsOf(id), event]);
export const dequeueEvents = (id: string, gone: ReadonlySet<string>): void => {
  const events = pendingEventsOf(id);
  if (events.some((e) => gone.has(e.id))) keep(id, events.filter((e) => !gone.has(e.id))); // prettier-ignore
};

export function subscribeToOutbox(tell: () => void): () => void {
  listeners.add(tell);
  // another tab of the same device
  const other = (e: StorageEvent) => (e.key?.startsWith(KEY) ? tell() : undefined);
  addEventListener('storage', other);
  return () => {
    listeners.delete(tell);
    removeEventListener('storage', other);
  };
}

const TAKEN = 'temnex.taken.';
/** What the server has taken in, as far as this device knows: for when it opens the session without the server. */
export const cacheStoredEvents = (id: string, events: readonly StoredEvent[]): void =>
  // without it, it opens as the server last showed it
  void keepValue(TAKEN + id, events);
export const cachedEventsOf = (id: string): readonly StoredEvent[] =>
  (readKeptValue(TAKEN + id) ?? []) as readonly StoredEvent[];
