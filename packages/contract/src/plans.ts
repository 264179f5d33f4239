import { z } from 'zod';
import { planSchema, type jobSchema } from '@temnex/core';
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

export const printQuerySchema = z.strictObject({ paper: z.enum(['a4', 'letter']).default('a4') });
