import { z } from 'zod';
import { MARK_NAMES } from '@temnex/core/length';
import { sessionEventSchema } from '@temnex/core/trimmer';
import { basisSchema, planRecordSchema } from './plans.ts';
import { refusalSchema } from './refusals.ts';
import { requestId } from './requests.ts';

/** A session at the trimmer. */
export const sessionRecordSchema = z.strictObject({
  id: z.string(),
  /** The page, or the first of those that are cut together. */
  page: z.string(),
  pages: z.array(z.string()),
  /** The orders that it cuts or has cut, the first of them first, also those that were taken back. */
  plans: z.array(z.string()),
  startedAt: z.string(),
  /** When it was put down, or left for another; null: it goes on. */
  endedAt: z.string().nullable(),
});
export type SessionRecord = z.infer<typeof sessionRecordSchema>;

export const NO_OP_REASONS = ['already', 'too-early', 'order-gone', 'over'] as const;
/** An event as it was taken in: its place among all, and why it changed nothing. */
export const storedEventSchema = z.strictObject({
  seq: z.int(),
  event: sessionEventSchema,
  idle: z.enum(NO_OP_REASONS).nullable(),
});
export type StoredEvent = z.infer<typeof storedEventSchema>;

/** A session with all that happened in it and the orders it has cut. */
export const sessionSchema = z.strictObject({
  session: sessionRecordSchema,
  /** What its pages are called, and the finest mark of the first. */
  title: z.string(),
  mark: z.enum(MARK_NAMES),
  /** Where its page is made several times: how many, for whom, how many of each piece go into one, and how many were cut before each order. */
  kit: z
    .strictObject({
      copies: z.int().min(2),
      names: z.array(z.string()),
      perPage: z.record(z.string(), z.int()),
      before: z.record(z.string(), z.record(z.string(), z.int())),
    })
    .nullable(),
  events: z.array(storedEventSchema),
  /** How many of its events cannot be read; nothing comes of them. Left out by what a device has kept of earlier versions. */
  unreadable: z.int().min(0).default(0),
  plans: z.array(planRecordSchema),
});
export type Session = z.infer<typeof sessionSchema>;

/** A session begins with an order; one that goes on for these pages is answered instead, whatever its order. */
export const beginSessionSchema = z.strictObject({ id: requestId, plan: z.string().max(64) });
export type BeginSession = z.infer<typeof beginSessionSchema>;

/** What is asked of the planner for what is left of a session: nothing, or something that its pages must say first. */
export const sessionRestSchema = z.strictObject({
  job: planRecordSchema.shape.job.nullable(),
  basis: basisSchema,
  /** Those of its pages of which something is left. */
  pages: z.array(z.string()),
  left: z.enum(['some', 'nothing', 'unclear']),
  /** By item of the drawer: what this session pencilled on it before it was put down. */
  pencilled: z.record(z.string(), z.string()),
});
export type SessionRest = z.infer<typeof sessionRestSchema>;

export const sessionsQuerySchema = z.strictObject({ page: z.string().max(64).optional() });
export type SessionsQuery = z.infer<typeof sessionsQuerySchema>;

/** What happened on a device, in its order. */
export const sendEventsSchema = z.strictObject({
  events: z
    .array(sessionEventSchema.extend({ id: requestId }))
    .min(1)
    .max(500),
  /** The last event that the device knows of. */
  since: z.int().min(0).default(0),
});
export type SendEvents = z.infer<typeof sendEventsSchema>;

/** All that the device does not know yet, its own among it; and what could not be done, with what was sent after it left out. */
export const sentEventsSchema = z.strictObject({
  session: sessionRecordSchema,
  events: z.array(storedEventSchema),
  refused: z.strictObject({ event: z.string(), refusal: refusalSchema }).nullable(),
});
export type SentEvents = z.infer<typeof sentEventsSchema>;
