import { databaseOriginOf } from './tableVersions.ts';
import type { Database } from './types.ts';

/** As many ids as a statement may name. */
const AT_ONCE = 500;

/** A row as it is now: whatever is read of it stays the same while its stamp does. */
export interface StampedRow {
  readonly id: string;
  readonly stamp: string;
}

/**
 * What was read of rows that are asked for over and over. A row is read again only where its stamp is another one; all of them are where
 * somebody else has written to the file, or a backup has been restored into it. What is given out is shared: nobody changes it.
 */
export class RowCache<T> {
  private readonly db: Database;
  private readonly read: (ids: string[]) => Iterable<readonly [id: string, value: T]>;
  private known = new Map<string, { readonly stamp: string; readonly value: T }>();
  private origin = '';

  constructor(db: Database, read: (ids: string[]) => Iterable<readonly [id: string, value: T]>) {
    this.db = db;
    this.read = read;
  }

  /** What these rows hold, by id, without those that cannot be found any more; what is known of others is forgotten. */
  of(rows: readonly StampedRow[]): ReadonlyMap<string, T> {
    const origin = databaseOriginOf(this.db);
    if (origin !== this.origin) this.known = new Map();
    this.origin = origin;
    const changed = rows.filter(({ id, stamp }) => this.known.get(id)?.stamp !== stamp).map(({ id }) => id);
    const fresh = new Map<string, T>();
    for (let from = 0; from < changed.length; from += AT_ONCE)
      for (const [id, value] of this.read(changed.slice(from, from + AT_ONCE))) fresh.set(id, value);
    const known: typeof this.known = new Map();
    for (const { id, stamp } of rows) {
      const there = this.known.get(id);
      if (there?.stamp === stamp) known.set(id, there);
      else if (fresh.has(id)) known.set(id, { stamp, value: fresh.get(id)! });
    }
    this.known = known;
    return new Map([...known].map(([id, { value }]) => [id, value]));
  }
}
