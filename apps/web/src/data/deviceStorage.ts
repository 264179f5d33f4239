/* What this device keeps of itself, under a name. A browser may keep nothing, or have no room: then what is typed holds for this visit. */

/** Null where nothing is kept under the name, or nothing can be. */
export function readKeptText(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Null keeps nothing under the name any more. False where the browser did not do it. */
export function keepText(key: string, text: string | null): boolean {
  try {
    if (text === null) localStorage.removeItem(key);
    else localStorage.setItem(key, text);
    return true;
  } catch {
    return false;
  }
}

/** What `keepValue` kept, whatever it is by now; null where there is none, or it cannot be read. */
export function readKeptValue(key: string): unknown {
  try {
    return JSON.parse(readKeptText(key) ?? 'null') as unknown;
  } catch {
    // written half by a crash
    return null;
  }
}

export const keepValue = (key: string, value: unknown): boolean =>
  keepText(key, value === null ? null : JSON.stringify(value));

/** The names under which something is kept. */
export function listKeptKeys(): string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  } catch {
    return [];
  }
}
