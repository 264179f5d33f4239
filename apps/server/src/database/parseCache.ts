import { parsed } from './schema.ts';

/**
 * JSON of a column that is read over and over, parsed again only where its text is another one. What is given out is shared: nobody
 * changes it.
 */
export class ParseCache<T> {
  private readonly known = new Map<string, { readonly text: string; readonly value: T }>();

  of(id: string, text: string): T {
    const known = this.known.get(id);
    if (known && known.text === text) return known.value;
    const value = parsed(text) as T;
    this.known.set(id, { text, value });
    return value;
  }

  /** Forgets rows that are gone. */
  keep(ids: ReadonlySet<string>): void {
    for (const id of this.known.keys()) if (!ids.has(id)) this.known.delete(id);
  }
}
