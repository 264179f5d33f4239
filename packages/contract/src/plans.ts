import { z } from 'zod';
import { planSchema, type jobSchema } from '@temnex/core/planner';
import { requestId } from './requests.ts';

/** What a cutting order was made from: it answers what is asked only while none of it has changed. */
export const basisSchema = z.strictObject({
  pageVersion: z.int().min(1),
  papers: z.record(z.string(), z.int()).readonly(),
  habits: z.int(),
  cuts: z.array(z.string()).max(10_000).readonly(),
});

export const planRecordSchema = z.strictObject({
  id: z.string(),
  page: z.string(),
  /** Of an order for several pages: all of them, in the order of their bags. */
  together: z.array(z.string()).nullable(),
  basis: basisSchema,
  job: z.custom<z.input<typeof jobSchema>>((value) => typeof value === 'object' && value !== null),
  plan: planSchema,
  createdAt: z.string(),
});
export type PlanRecord = z.infer<typeof planRecordSchema>;

/** The latest cutting order of a page, if there is one. */
export const latestPlanSchema = z.strictObject({ plan: planRecordSchema.nullable() });

/** The server makes the job itself, from exactly this page, drawer and habits, and verifies the plan against it. */
export const storePlanSchema = z.strictObject({ id: requestId, basis: basisSchema, plan: planSchema });
export type StorePlan = z.infer<typeof storePlanSchema>;

const pageIds = z
  .array(z.string().min(1).max(64))
  .min(2)
  .max(60)
  .refine((ids) => new Set(ids).size === ids.length, 'must name each page once');
/** Pages to cut together, their ids with commas between. */
export const togetherQuerySchema = z.strictObject({
  pages: z
    .string()
    .max(4000)
    .transform((text) => text.split(','))
    .pipe(pageIds),
});
/** Why a page cannot be cut with the others. */
export const togetherProblemSchema = z.strictObject({
  page: z.string(),
  code: z.enum(['page-refused', 'nothing-to-cut', 'no-paper-chosen', 'place-gone', 'other-unit']),
  parts: z.array(z.string()),
});
/** What is asked of the planner for several pages at once; no job where something stands in the way. */
export const togetherSchema = z.strictObject({
  pages: z.array(z.strictObject({ id: z.string(), name: z.string(), bag: z.string() })),
  basis: basisSchema,
  job: z.custom<z.input<typeof jobSchema>>((value) => typeof value === 'object').nullable(),
  problems: z.array(togetherProblemSchema),
  /** The order that stands, where it was made from exactly this. */
  stored: planRecordSchema.nullable(),
});
export type Together = z.infer<typeof togetherSchema>;
export const storeTogetherSchema = z.strictObject({
  id: requestId,
  pages: pageIds,
  basis: basisSchema,
  plan: planSchema,
});
export type StoreTogether = z.infer<typeof storeTogetherSchema>;

/** The page itself on paper: how large, how strongly photos are seen, and which items' corners are marked (ids, a space between). */
export const pagePrintQuerySchema = z.strictObject({
  paper: z.enum(['a4', 'letter']).default('a4'),
  scale: z.enum(['true', 'half']).default('half'),
  photos: z.enum(['none', 'light', 'full']).default('light'),
  items: z.string().max(4000).optional(),
});
export type PagePrintQuery = z.infer<typeof pagePrintQuerySchema>;
export const printQuerySchema = z.strictObject({ paper: z.enum(['a4', 'letter']).default('a4') });
