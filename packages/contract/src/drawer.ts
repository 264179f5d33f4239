import { z } from 'zod';
import {
  habitsSchema,
  oneLine,
  paperFacts,
  paperSchema,
  sidesSchema,
  stockItemSchema,
  stockItemShape,
  wholeItem,
  type StockItem,
} from '@temnex/core/stock';
import { requestId } from './requests.ts';

/** A paper, and how often it or its stock has changed. `guessed`: what is stored of its looks cannot be read, so it looks as its name says. */
export const paperRecordSchema = paperSchema.safeExtend({ revision: z.int(), guessed: z.literal(true).optional() });
export type PaperRecord = z.infer<typeof paperRecordSchema>;

/** An item as a change leaves it: there may be none left. */
export const stockRecordSchema = stockItemSchema.safeExtend({ quantity: z.int().min(0) });

/** Something in the drawer that cannot be read: what is stored of it, and why. */
export const unreadableStockSchema = z.strictObject({
  id: z.string(),
  paper: z.string(),
  why: z.string(),
  unit: z.string(),
  width: z.string(),
  height: z.string(),
});
export type UnreadableStock = z.infer<typeof unreadableStockSchema>;

/** The drawer, or what of it has changed since one saw it. */
export const drawerSchema = z.strictObject({
  /** Which drawer it is, and how often anything in it had changed. */
  book: z.string(),
  seq: z.int(),
  /** All of it; else only what has changed. */
  whole: z.boolean(),
  papers: z.array(paperRecordSchema),
  stock: z.array(stockItemSchema),
  unreadable: z.array(unreadableStockSchema),
  /** What is no longer there. */
  gone: z.strictObject({ papers: z.array(z.string()), stock: z.array(z.string()) }),
});
/**
 * The drawer as the interface reads it. The server has looked into each item by itself; of ten thousand, it is only seen that they
 * are items.
 */
export const drawerSeenSchema = drawerSchema.extend({
  stock: z.custom<StockItem[]>(
    (value) =>
      Array.isArray(value) &&
      value.every(
        (item: Partial<StockItem> | null) =>
          typeof item?.id === 'string' &&
          typeof item.paper === 'string' &&
          typeof item.quantity === 'number' &&
          item.width !== undefined &&
          item.height !== undefined,
      ),
  ),
});
/** What one has seen of the drawer. */
export const drawerQuerySchema = z.strictObject({
  book: z.string().max(64).optional(),
  since: z.coerce.number().int().min(0).optional(),
});
export type DrawerQuery = z.infer<typeof drawerQuerySchema>;
export type DrawerRecord = z.infer<typeof drawerSchema>;

export const habitsRecordSchema = z.strictObject({
  /** How often they have changed. */
  version: z.int(),
  habits: habitsSchema,
});
export type HabitsRecord = z.infer<typeof habitsRecordSchema>;

/** A new paper. */
export const newPaperSchema = z.strictObject({
  id: requestId,
  name: paperSchema.shape.name,
  sides: sidesSchema,
  ...paperFacts,
});
export type NewPaper = z.infer<typeof newPaperSchema>;

/** What a paper is, all of it: a fact that is left out is not known any more. */
export const changePaperSchema = z.strictObject({ name: paperSchema.shape.name, sides: sidesSchema, ...paperFacts });
export type ChangePaper = z.infer<typeof changePaperSchema>;

export const newStockSchema = stockItemShape
  .omit({ id: true, origin: true, reserves: true })
  .partial({ trim: true, turned: true, reserved: true })
  .extend({ id: requestId })
  .superRefine(wholeItem);
export type NewStock = z.infer<typeof newStockSchema>;

/** What is said of an item; how many there are changes by movements alone. */
export const changeStockSchema = stockItemShape
  .pick({ reserved: true, turned: true, uncut: true, trim: true, unit: true, width: true, height: true, outline: true })
  .extend({ kind: stockItemShape.shape.kind })
  .partial()
  // null: it is a rectangle after all
  .extend({ outline: stockItemShape.shape.outline.nullable() });
export type ChangeStock = z.infer<typeof changeStockSchema>;

const label = paperSchema.shape.name;
/** What a step does to one item. */
const stepChangeSchema = z.strictObject({
  stock: z.string().max(64),
  /** So many more, or fewer. */
  by: z.int().min(-10_000).max(10_000).optional(),
  /** Where it goes; null: to where its paper is. */
  place: label.nullable().optional(),
  reserved: z.boolean().optional(),
  /** So many of it are kept for a page from now on. */
  keep: z.strictObject({ page: z.string().max(64), count: z.int().min(0).max(10_000) }).optional(),
});
export const DRAWER_STEP_KINDS = [
  'put-in',
  'moved',
  'held-back',
  'freed',
  'kept-for',
  'taken-out',
  'cleared-out',
] as const;
export type DrawerStepKind = (typeof DRAWER_STEP_KINDS)[number];
/** Many things done to the drawer as one: all of it or nothing, and undone as one. */
export const drawerStepSchema = z.strictObject({
  id: requestId,
  says: z.enum(DRAWER_STEP_KINDS),
  papers: z.array(newPaperSchema).max(500).optional(),
  put: z.array(newStockSchema).max(2000).optional(),
  change: z.array(stepChangeSchema).max(20_000).optional(),
});
export type DrawerStep = z.infer<typeof drawerStepSchema>;
export type StepChange = z.infer<typeof stepChangeSchema>;
/** A step that was taken. */
export const stepRecordSchema = z.strictObject({
  id: z.string(),
  says: z.enum(DRAWER_STEP_KINDS),
  /** How many items it touched. */
  count: z.int(),
  at: z.string(),
  undoneAt: z.string().nullable(),
});
export type StepRecord = z.infer<typeof stepRecordSchema>;

/** A search that somebody keeps: what it is called, and its line. */
export const savedSearchSchema = z.strictObject({
  id: requestId,
  name: label,
  line: oneLine(300),
});
export type SavedSearch = z.infer<typeof savedSearchSchema>;

/** What is stored beside the drawer and cannot be read, so that its list leaves it out: what it is, and what stands there. */
export const unreadableRecordSchema = z.strictObject({
  what: z.enum(['search', 'challenge', 'step']),
  id: z.string(),
  says: z.string(),
});
export type UnreadableRecord = z.infer<typeof unreadableRecordSchema>;

/** Something to use up: what counts is said as a search, how many pieces, until when. */
export const challengeSchema = z.strictObject({
  name: label,
  line: oneLine(300),
  pieces: z.int().min(1).max(10_000),
  from: z.iso.date('is no day; write it as 2026-06-14'),
  to: z.iso.date('is no day; write it as 2026-06-14'),
  /** What happens to what is left over at the end, in words. */
  rest: z.string().trim().max(200),
});
export type Challenge = z.infer<typeof challengeSchema>;
export const newChallengeSchema = challengeSchema.extend({ id: requestId });
export type NewChallenge = z.infer<typeof newChallengeSchema>;
/** A challenge, and how far it has come. */
export const challengeRecordSchema = challengeSchema.extend({
  id: z.string(),
  /** Pieces that were cut from what counts, by day. */
  days: z.record(z.string(), z.int()),
  counted: z.int(),
  /** What was cut meanwhile and does not count: from what, how many pieces, and which parts of the rule it is not. */
  not: z.array(z.strictObject({ stock: z.string(), what: z.string(), pieces: z.int(), why: z.array(z.string()) })),
});
export type ChallengeRecord = z.infer<typeof challengeRecordSchema>;

const many = z.int().min(1).max(10_000);
/** How many more or fewer there are, or how many there really are. */
export const newMovementSchema = z.discriminatedUnion('why', [
  z.strictObject({ id: requestId, why: z.literal('added'), by: many }),
  z.strictObject({ id: requestId, why: z.literal('taken'), by: many }),
  z.strictObject({ id: requestId, why: z.literal('corrected'), to: z.int().min(0).max(10_000) }),
]);
export type NewMovement = z.infer<typeof newMovementSchema>;

/** Why there came to be more or fewer of something. */
export const MOVEMENTS = [
  'had',
  'added',
  'taken',
  'corrected',
  'used',
  'kept',
  'taken-back',
  'moved',
  'held-back',
  'freed',
  'kept-for',
] as const;
export const movementSchema = z.strictObject({
  id: z.string(),
  stock: z.string(),
  by: z.int(),
  why: z.enum(MOVEMENTS),
  /** The cut it belongs to. */
  cutting: z.string().nullable(),
  /** So many more, or fewer, are kept for a page. */
  held: z.int(),
  page: z.string().nullable(),
  /** Where it went to. */
  place: z.string().nullable(),
  /** The step it belongs to. */
  step: z.string().nullable(),
  at: z.string(),
});
export type Movement = z.infer<typeof movementSchema>;
