import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Sqlite from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema.ts';
import { DATABASE_VERSION, bringUpToDate } from './steps.ts';
import type { Database } from './types.ts';

export interface OpenDatabase {
  readonly db: Database;
  /** Whether the file was made by this opening. */
  readonly fresh: boolean;
  /** Where the file as it was is kept, if it was brought up to date. */
  readonly copy: string | null;
  close(): void;
}

/** Why a database cannot be used, in a sentence that says what to do. */
export class UnusableDatabase extends Error {}

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '../../migrations');

/**
 * Opens and migrates the database file; before anything of an older one is changed, a copy of it as it was is kept beside it.
 * Write-ahead log with full synchronisation: what was answered as saved is on the disk, and a kill in the middle of a save
 * leaves the state before it. Throws UnusableDatabase where the file is of a later version, and what SQLite throws where it
 * cannot be used.
 */
export function openDatabase(file: string): OpenDatabase {
  mkdirSync(dirname(file), { recursive: true });
  const fresh = !existsSync(file);
  const client = new Sqlite(file);
  const close = () => {
    // what stands in the write-ahead log comes into the file, so that copying that one file copies everything
    client.pragma('wal_checkpoint(TRUNCATE)');
    client.close();
  };
  const version = fresh ? DATABASE_VERSION : versionOf(client);
  if (version > DATABASE_VERSION) {
    client.close();
    throw new UnusableDatabase(
      `${file} was written by a later version of Temnex (${version}; this one knows ${DATABASE_VERSION}). Nothing was changed. Start that version again, or set TEMNEX_DATA to another folder.`,
    );
  }
  const copy = version < DATABASE_VERSION ? keepCopy(client, file, version) : null;
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 5000');
  const db = drizzle(client, { schema });
  migrate(db, { migrationsFolder: MIGRATIONS });
  db.transaction((tx) => bringUpToDate(tx, version));
  client.pragma(`user_version = ${DATABASE_VERSION}`);
  return { db, fresh, copy, close };
}

/** The version of a file that was there before; the first one did not say its own. */
function versionOf(client: InstanceType<typeof Sqlite>): number {
  const [row] = client.prepare('PRAGMA user_version').all() as { user_version: number }[];
  return row?.user_version || 1;
}

/** Copies a database as it is, in one file; an earlier copy is never written over. */
function keepCopy(client: InstanceType<typeof Sqlite>, file: string, version: number): string {
  const name = (n: number) => `${file.replace(/\.sqlite$/, '')}-as-version-${version}${n ? `-${n}` : ''}.sqlite`;
  let n = 0;
  while (existsSync(name(n))) n++;
  client.prepare('VACUUM INTO ?').run(name(n));
  return name(n);
}
