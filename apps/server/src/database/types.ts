import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import type * as schema from './schema.ts';

/** The database; its client is for what no query says: copies of the file, other files beside it. */
export type Database = BetterSQLite3Database<typeof schema> & {
  readonly $client: { prepare(text: string): { run(...values: unknown[]): unknown } };
};
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];
export const DATABASE = Symbol('database');
