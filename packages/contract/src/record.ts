import { z } from 'zod';
import { lengthText } from '@temnex/core/length';
import type { Handling } from '@temnex/core/planner';
import { cutPieceSchema } from './cuttings.ts';

/** Null where it cannot be read. */
const length = lengthText().nullable();
const size = { unit: z.enum(['in', 'mm']), width: length, height: length };
/** Something in the drawer as it was when it was cut from or kept, and where it came from. */
export const recordedItemSchema = z.strictObject({
  stock: z.string(),
  paper: z.string(),
  kind: z.string(),
  ...size,
  /** The day it came, or was kept. */
  came: z.string().nullable(),
  /** What it was cut from, the sheet it once was last; nothing where it was bought. */
  from: z.array(z.strictObject({ stock: z.string(), page: z.string(), day: z.string(), ...size })),
});
export type RecordedItem = z.infer<typeof recordedItemSchema>;

/** What was put down at once: all of an order, or as much of it as was cut before something went wrong. */
export const recordedCutSchema = z.strictObject({
  id: z.string(),
  cutAt: z.string(),
  undoneAt: z.string().nullable(),
  /** What it took or gave cannot be read, all of it or a part: what is told of it is too little. */
  unreadable: z.literal(true).optional(),
  pieces: z.array(
    cutPieceSchema.omit({ scrap: true, paper: true }).extend({
      name: z.string(),
      paper: z.string(),
      /** The item that it was cut from, where the order is still known. */
      stock: z.string().nullable(),
    }),
  ),
  used: z.array(recordedItemSchema.extend({ count: z.int() })),
  kept: z.array(recordedItemSchema.extend({ there: z.int() })),
});
export type RecordedCut = z.infer<typeof recordedCutSchema>;

const whole = z.int().min(0);
export const handlingSchema = z.strictObject({
  settings: whole,
  cuts: whole,
  takenUp: whole,
  waiting: whole,
}) satisfies z.ZodType<Handling>;

/** One time at the trimmer, or an order that was put down without it. */
export const recordEntrySchema = z.strictObject({
  id: z.string(),
  at: z.string(),
  /** Names of its pages. */
  title: z.string(),
  pages: z.array(z.string()),
  /** Its session; null: it was put down as a whole. */
  session: z.string().nullable(),
  /** Whether it goes on. */
  open: z.boolean(),
  minutes: z.int().nullable(),
  notes: z.array(z.string()),
  /** What went wrong, and how many pieces that had come off were spoiled. */
  wrong: z.array(z.strictObject({ how: z.enum(['size', 'edge', 'torn', 'paper']).nullable(), spoiled: z.int() })),
  cuts: z.array(recordedCutSchema),
  /** What each order that was cut asked of the hands as it was planned, in the order in which they were cut; none that cannot be read. */
  handling: z.array(handlingSchema),
});
export type RecordEntry = z.infer<typeof recordEntrySchema>;
export const recordQuerySchema = z.strictObject({
  page: z.string().max(64).optional(),
  /** So many entries are left out first. */
  after: z.coerce.number().int().min(0).max(1_000_000).default(0),
});
export type RecordQuery = z.infer<typeof recordQuerySchema>;
export const recordSchema = z.strictObject({ entries: z.array(recordEntrySchema), more: z.boolean() });
export type RecordPage = z.infer<typeof recordSchema>;
