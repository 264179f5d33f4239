import { existsSync, mkdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Sqlite from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema.ts';
import { DATABASE_VERSION, migrateDatabase } from './migrations.ts';
import { mendNumbers } from './mended.ts';
import { watchTables } from './tableVersions.ts';
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
 * leaves the state before it. Throws UnusableDatabase where the file is of a later version or cannot be used.
 */
export function openDatabase(file: string): OpenDatabase {
  try {
    return opened(file);
  } catch (error) {
    throw error instanceof UnusableDatabase ? error : new UnusableDatabase(whyNot(file, error), { cause: error });
  }
}

/** What is wrong with a file or its folder, and what to do. */
function whyNot(file: string, error: unknown): string {
  const { code = '', message = '' } = error as { code?: string; message?: string };
  const elsewhere = 'or set TEMNEX_DATA to another folder';
  if (code === 'EEXIST' || code === 'ENOTDIR')
    return `${dirname(file)} is a file, not a folder. Move it away, ${elsewhere}.`;
  if (
    code === 'EACCES' ||
    code === 'EPERM' ||
    code === 'EROFS' ||
    /readonly|unable to open/i.test(`${code} ${message}`)
  )
    return `${file} cannot be opened for writing. Give this user the right to read and write it and its folder, ${elsewhere}.`;
  if (code === 'ENOSPC' || /full/i.test(`${code} ${message}`))
    return `There is no space left for ${file}. Make some, ${elsewhere}.`;
  if (/notadb|corrupt|malformed|not a database|disk image|short_read/i.test(`${code} ${message}`))
    return `${file} is no database of Temnex, or it is damaged. Nothing was changed in it. Put a copy of yours in its place, ${elsewhere}.`;
  return `${file} cannot be used (${message || code}). Look at it and its folder, ${elsewhere}.`;
}

/** Between two looks at whether the write-ahead log can be taken into the file. */
const CHECKPOINT_EVERY = 30_000;

type Client = InstanceType<typeof Sqlite>;

/** Takes the write-ahead log into the file where that can be done now. Where it cannot, it is safe in the log, and the next look may. */
export function checkpointWal(client: Pick<Client, 'pragma'>, how: 'PASSIVE' | 'TRUNCATE' = 'PASSIVE'): void {
  try {
    client.pragma(`wal_checkpoint(${how})`);
  } catch {
    // no space, or the file is gone: requests say so, and a timer is nobody to tell
  }
}

function opened(file: string): OpenDatabase {
  mkdirSync(dirname(file), { recursive: true });
  // one of no length was begun and never written
  const fresh = !existsSync(file) || statSync(file).size === 0;
  const client = new Sqlite(file);
  toldWhatWentWrong(client);
  try {
    return { ...broughtUp(client, file, fresh), fresh };
  } catch (error) {
    client.close();
    throw error;
  }
}

function broughtUp(client: Client, file: string, fresh: boolean): Omit<OpenDatabase, 'fresh'> {
  const version = fresh ? DATABASE_VERSION : versionOf(client);
  if (!fresh) {
    const [sound] = client.pragma('quick_check(1)') as { quick_check: string }[];
    if (sound?.quick_check !== 'ok') throw Object.assign(new Error(sound?.quick_check), { code: 'SQLITE_CORRUPT' });
  }
  if (version > DATABASE_VERSION)
    throw new UnusableDatabase(
      `${file} was written by a later version of Temnex (${version}; this one knows ${DATABASE_VERSION}). Nothing was changed. Start that version again, or set TEMNEX_DATA to another folder.`,
    );
  if (!fresh && !isOurs(client)) throw Object.assign(new Error('not a database of Temnex'), { code: 'SQLITE_NOTADB' });
  const copy = version < DATABASE_VERSION ? keepCopy(client, file, version) : null;
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 5000');
  const db = waiting(drizzle(client, { schema }));
  migrate(db, { migrationsFolder: MIGRATIONS });
  db.transaction((tx) => {
    migrateDatabase(tx, version);
    mendNumbers(tx);
  });
  client.pragma(`user_version = ${DATABASE_VERSION}`);
  watchTables((statement) => client.exec(statement));
  const tidying = setInterval(() => checkpointWal(client), CHECKPOINT_EVERY).unref();
  const close = () => {
    clearInterval(tidying);
    // what stands in the write-ahead log comes into the file, so that copying that one file copies everything
    checkpointWal(client, 'TRUNCATE');
    client.close();
  };
  return { db, copy, close };
}

/**
 * A database whose transactions take the right to write when they begin: then they wait for whoever else has it, where one that has
 * read already would be refused at once.
 */
function waiting<Own extends Database>(db: Own): Own {
  const begin = db.transaction.bind(db);
  const transaction: typeof db.transaction = (work, config) => begin(work, { behavior: 'immediate', ...config });
  return Object.assign(db, { transaction });
}

/**
 * A full disk ends a transaction by itself, in the middle of it or at its end. That there is nothing left to take back then is no
 * fault: what is told is what went wrong before.
 */
function toldWhatWentWrong(client: Client): void {
  const exec = client.exec.bind(client);
  client.exec = (text) => {
    if (text === 'ROLLBACK' && !client.inTransaction) return client;
    return exec(text);
  };
}

/** Whether a file has what the first version had already: another program's is left as it is. */
function isOurs(client: Client): boolean {
  const rows = client.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").all() as { name: string }[];
  const tables = new Set(rows.map(({ name }) => name));
  return ['papers', 'stock', 'pages', 'plans', 'cuttings'].every((name) => tables.has(name));
}

/** The version of a file that was there before; the first one did not say its own. */
function versionOf(client: Client): number {
  const [row] = client.prepare('PRAGMA user_version').all() as { user_version: number }[];
  return row?.user_version || 1;
}

/** Copies a database as it is, in one file; an earlier copy is never written over. */
function keepCopy(client: Client, file: string, version: number): string {
  const name = (n: number) => `${file.replace(/\.sqlite$/, '')}-as-version-${version}${n ? `-${n}` : ''}.sqlite`;
  let n = 0;
  while (existsSync(name(n))) n++;
  client.prepare('VACUUM INTO ?').run(name(n));
  return name(n);
}
