import { Inject, Injectable } from '@nestjs/common';
import { eq } from 'drizzle-orm';
import { savedSearchSchema, type SavedSearch, type UnreadableRecord } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { formatStored } from '../database/readable.ts';
import { searches } from '../database/schema.ts';
import { notFound } from '../http/requestRefusal.ts';

/** Searches that somebody keeps. */
@Injectable()
export class SearchesService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  list(): SavedSearch[] {
    const { id, name, line } = searches;
    const rows = this.db.select({ id, name, line }).from(searches).orderBy(searches.createdAt).all();
    // one of which nothing can be read looks for nothing
    return rows.flatMap((row) => read(row) ?? []);
  }

  /** Those that look for nothing that can be read: what stands there. */
  setAside(): UnreadableRecord[] {
    const { id, name, line } = searches;
    const rows = this.db.select({ id, name, line }).from(searches).orderBy(searches.createdAt).all();
    return rows.flatMap((row) =>
      read(row) ? [] : [{ what: 'search', id: row.id, says: formatStored(row.name.trim() || row.line) }],
    );
  }

  /** Kept under its id: sent twice it is there once, and sent anew with another name or line it has that. */
  keep({ id, name, line }: SavedSearch): SavedSearch {
    this.db
      .insert(searches)
      .values({ id, name, line, createdAt: new Date().toISOString() })
      .onConflictDoUpdate({ target: searches.id, set: { name, line } })
      .run();
    return { id, name, line };
  }

  forget(id: string): void {
    const gone = this.db.delete(searches).where(eq(searches.id, id)).returning({ id: searches.id }).get();
    if (!gone) throw notFound('search');
  }
}

/** Without a name it is called by what it looks for; null where that cannot be read. */
function read(row: SavedSearch): SavedSearch | null {
  const search = savedSearchSchema.safeParse({ ...row, name: row.name.trim() || row.line });
  return search.success ? search.data : null;
}
