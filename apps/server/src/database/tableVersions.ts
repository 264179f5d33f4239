import { sql } from 'drizzle-orm';
import type { Database } from './types.ts';

/** Tables whose answers are kept. */
const WATCHED = ['pages', 'papers', 'plans', 'cuttings', 'sessions', 'session_events'] as const;
export type WatchedTable = (typeof WATCHED)[number];

/**
 * Gives a watched table another state with each change of it, for this opening of the file: in the transaction that makes the change, so
 * that it has its state before again where that is taken back. No state ever comes twice.
 */
export function watchTables(exec: (statement: string) => void): void {
  exec('create temp table table_states (name text primary key, state text not null)');
  for (const table of WATCHED) {
    exec(`insert into table_states values ('${table}', '')`);
    for (const change of ['insert', 'update', 'delete'])
      exec(
        `create temp trigger ${table}_${change}_watched after ${change} on main.${table} begin update table_states set state = hex(randomblob(8)) where name = '${table}'; end`,
      );
  }
}

/** An answer that is kept while the tables that it is read from are as they were. It is shared: nobody changes it. */
export class TableCache<T> {
  private readonly db: Database;
  private readonly tables: readonly WatchedTable[];
  private readonly read: () => T;
  private kept: { readonly state: string; readonly answer: T } | null = null;

  constructor(db: Database, tables: readonly WatchedTable[], read: () => T) {
    this.db = db;
    this.tables = tables;
    this.read = read;
  }

  get(): T {
    const state = stateOf(this.db, this.tables);
    if (this.kept?.state !== state) this.kept = { state, answer: this.read() };
    return this.kept.answer;
  }
}

/** Changes where any of the tables has changed, where another program has written to the file, and where a backup was restored. */
function stateOf(db: Database, tables: readonly WatchedTable[]): string {
  const states = db.all<{ name: string; state: string }>(sql`select name, state from table_states order by name`);
  const asked = states.filter(({ name }) => (tables as readonly string[]).includes(name));
  return [databaseOriginOf(db), ...asked.map(({ state }) => state)].join();
}

/** Changes where another program has written to the file, and where a backup was restored; not with what is written here. */
export function databaseOriginOf(db: Database): string {
  const row = db.get<{ name: string; version: number } | undefined>(
    sql`select (select name from book) as name, data_version as version from pragma_data_version`,
  );
  return `${row?.name} ${row?.version}`;
}
