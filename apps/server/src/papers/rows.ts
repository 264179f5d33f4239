import { and, eq, isNull } from 'drizzle-orm';
import { guessFace, paperFacts, sidesSchema, stockItemSchema, type StockItem } from '@temnex/core/stock';
import { issueFromZod, type JobIssue } from '@temnex/core/planner';
import { TERMINAL, describeIssue } from '@temnex/words';
import type { PaperRecord } from '@temnex/contract';
import { pickReadable } from '../database/readable.ts';
import { papers, type stock } from '../database/schema.ts';

export type StockRow = typeof stock.$inferSelect;

/** Of a paper whose name cannot be read. */
const NO_NAME = 'a paper without a name';

export const presentPaper = (id: string) => and(eq(papers.id, id), isNull(papers.removedAt));

export const stockItemOf = ({
  demo: _demo,
  createdAt: _createdAt,
  removedAt: _removedAt,
  seq: _seq,
  origin,
  outline,
  uncut,
  reserves,
  place,
  came,
  ...row
}: StockRow): StockItem => ({
  ...row,
  ...(outline ? { outline } : {}),
  ...(uncut?.length ? { uncut } : {}),
  ...(reserves?.length ? { reserves } : {}),
  ...(place === null ? {} : { place }),
  ...(came === null ? {} : { came }),
  origin: origin ?? null,
});

export const paperOf = ({
  demo: _demo,
  createdAt: _createdAt,
  removedAt: _removedAt,
  seq: _seq,
  weight,
  seeThrough,
  place,
  price,
  pack,
  name,
  revision,
  ...row
}: typeof papers.$inferSelect): PaperRecord => ({
  ...row,
  name: name.trim() || NO_NAME,
  revision: Number.isNaN(revision) ? 0 : revision,
  // one whose faces cannot be read looks as its name says until somebody says how it does
  ...(sidesSchema.safeParse(row.sides).success ? {} : { sides: [guessFace(name)], guessed: true as const }),
  ...pickReadable(paperFacts, { weight, seeThrough, place, price, pack }),
});
/** What of a row may be damaged, as people call it. */
const PARTS_OF_ROW: Readonly<Record<string, string>> = {
  trim: 'its margins',
  origin: 'where it came from',
  quantity: 'how many there are',
  outline: 'its outline',
  uncut: 'its lines that stay whole',
  reserves: 'what is saved of it',
};
/** Problems of a form that nobody typed, so that what they say of it tells nobody anything. */
const FORMS = new Set<JobIssue['problem']['code']>(['schema', 'left-out', 'wrong-kind', 'too-much', 'too-little']);
const whyUnreadable = (issue: JobIssue): string =>
  FORMS.has(issue.problem.code)
    ? `${PARTS_OF_ROW[String(issue.path[0])] ?? String(issue.path[0] ?? 'something of it')} cannot be read`
    : describeIssue(issue, TERMINAL);

/** A row as it was read: what it is, and why not where it cannot be read. */
export interface CheckedRow {
  readonly id: string;
  readonly paper: string;
  readonly seq: number;
  readonly item: StockItem;
  readonly why: string | null;
}
export function checkRow(row: StockRow): CheckedRow {
  const item = stockItemOf(row);
  // what is used up is as it was when there was some
  const read = stockItemSchema.safeParse({ ...item, quantity: Math.max(1, item.quantity) });
  const why = read.success ? null : whyUnreadable(issueFromZod(read.error.issues[0]!));
  return { id: row.id, paper: row.paper, seq: row.seq, item, why };
}
