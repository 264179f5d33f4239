import { Inject, Injectable } from '@nestjs/common';
import { eq, sql } from 'drizzle-orm';
import {
  DEFAULT_HABITS,
  DEFAULT_RULES,
  habitsSchema,
  rulesSchema,
  type DrawerRules,
  type Habits,
} from '@temnex/core/stock';
import type { HabitsRecord } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { habits, rules } from '../database/schema.ts';

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null;

/** How somebody cuts, and what they keep: their habits, and the rules of their drawer. */
@Injectable()
export class HabitsService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  habits(): HabitsRecord {
    const row = this.db.select().from(habits).where(eq(habits.id, 1)).get();
    if (!row) return { version: 0, habits: DEFAULT_HABITS };
    // habits that were stored before there was a choice about something have the usual one; so do those that cannot be read
    const { document, version } = row;
    const cutter = { ...DEFAULT_HABITS.cutter, ...document?.cutter };
    const read = habitsSchema.safeParse({ ...DEFAULT_HABITS, ...(isObject(document) ? document : {}), cutter });
    return { version: Number.isNaN(version) ? 0 : version, habits: read.success ? read.data : DEFAULT_HABITS };
  }

  rules(): DrawerRules {
    const row = this.db.select().from(rules).where(eq(rules.id, 1)).get();
    const read = rulesSchema.safeParse({ ...DEFAULT_RULES, ...(isObject(row?.document) ? row.document : {}) });
    return read.success ? read.data : DEFAULT_RULES;
  }

  saveRules(document: DrawerRules): DrawerRules {
    this.db.insert(rules).values({ id: 1, document }).onConflictDoUpdate({ target: rules.id, set: { document } }).run();
    return document;
  }

  saveHabits(document: Habits): HabitsRecord {
    const row = this.db
      .insert(habits)
      .values({ id: 1, document, version: 1 })
      .onConflictDoUpdate({ target: habits.id, set: { document, version: sql`${habits.version} + 1` } })
      .returning()
      .get();
    return { version: row.version, habits: document };
  }
}
