import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Sqlite from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema.ts';

export type Database = BetterSQLite3Database<typeof schema>;
export const DATABASE = Symbol('database');

export interface OpenDatabase {
  readonly db: Database;
  /** Whether the file was made by this opening. */
  readonly fresh: boolean;
  close(): void;
}

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '../../migrations');

/**
 * Opens and migrates the database file. Write-ahead log with full synchronisation: what was answered as saved is on
 * the disk, and a kill in the middle of a save leaves the state before it. Throws when the file cannot be used.
 */
export function openDatabase(file: string): OpenDatabase {
  mkdirSync(dirname(file), { recursive: true });
  const fresh = !existsSync(file);
  const client = new Sqlite(file);
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 5000');
  const db = drizzle(client, { schema });
  migrate(db, { migrationsFolder: MIGRATIONS });
  return { db, fresh, close: () => void client.close() };
}
