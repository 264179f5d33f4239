import { pageSchema, type Page } from '@temnex/core';

/*
 * Edits that are not saved yet, kept in the browser: what the server did not take is offered when the page is opened again.
 */

export interface Unsaved {
  /** The version that the edits were made to. */
  readonly version: number;
  readonly page: Page;
  /** When, as ISO text. */
  readonly at: string;
}

const keyOf = (id: string) => `temnex unsaved ${id}`;

/** False where the browser does not keep anything: then leaving is the last moment. */
export function keepUnsaved(id: string, unsaved: Unsaved): boolean {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(unsaved));
    return true;
  } catch {
    return false;
  }
}

export function forgetUnsaved(id: string): void {
  try {
    localStorage.removeItem(keyOf(id));
  } catch {
    // nothing is kept where nothing can be
  }
}

/** What was kept; null where there is nothing that can be read. */
export function unsavedOf(id: string): Unsaved | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null') as Unsaved | null;
    const page = pageSchema.safeParse(kept?.page);
    return kept && page.success ? { ...kept, page: page.data } : null;
  } catch {
    return null;
  }
}
