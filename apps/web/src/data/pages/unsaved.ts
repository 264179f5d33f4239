import { pageSchema, type Page } from '@temnex/core/page';
import { keepValue, listKeptKeys, readKeptValue } from '../deviceStorage.ts';

/*
 * Edits that are not saved yet, kept in the browser: what the server did not take is offered when the page is opened again. Each
 * window keeps its own, so that none writes over another's.
 */

export interface Unsaved {
  /** The version that the edits were made to. */
  readonly version: number;
  readonly page: Page;
  /** When, as ISO text. */
  readonly at: string;
}
/** What a window kept, by the key that it has there. */
export interface Draft extends Unsaved {
  readonly key: string;
}

const allOf = (id: string) => `temnex unsaved ${id}`;
/** The key under which a window keeps its edits of a page. */
export const draftKey = (id: string, window: string): string => `${allOf(id)} ${window}`;

/** False where the browser does not keep anything: then leaving is the last moment. */
export const keepUnsaved = (key: string, unsaved: Unsaved): boolean => keepValue(key, unsaved);

export const forgetUnsaved = (key: string): void => void keepValue(key, null);

/** What windows that are closed kept of a page and can be read, the latest first. */
export async function loadUnsaved(id: string): Promise<Draft[]> {
  const open = await openDrafts();
  return keysOf(id)
    .filter((key) => !open.has(key))
    .flatMap((key): Draft[] => {
      const kept = readKeptValue(key) as Unsaved | null;
      const page = pageSchema.safeParse(kept?.page);
      return kept && page.success ? [{ ...kept, page: page.data, key }] : [];
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

const keysOf = (id: string): string[] =>
  listKeptKeys().filter((key) => key === allOf(id) || key.startsWith(`${allOf(id)} `));

/** Says that a window is open, until it is closed or killed. Gives back how to end it. */
export function lockDraft(key: string): () => void {
  let end = () => {};
  const held = new Promise<void>((resolve) => (end = resolve));
  void navigator.locks?.request(key, () => held).catch(() => {});
  return end;
}

/** Drafts of windows that are open; none where the browser cannot say. */
async function openDrafts(): Promise<ReadonlySet<string>> {
  const { held = [] } = (await navigator.locks?.query().catch(() => null)) ?? {};
  return new Set(held.flatMap(({ name }) => (name ? [name] : [])));
}
