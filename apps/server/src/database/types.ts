import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import type * as schema from './schema.ts';

export type Database = BetterSQLite3Database<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];
export const DATABASE = Symbol('database');
