import { z } from 'zod';
import type { jobSchema } from '@temnex/core';
import { planSchema } from '@temnex/core';

export const planRecordSchema = z.object({
  id: z.string(),
  page: z.string(),
  pageVersion: z.int(),
  job: z.custom<z.input<typeof jobSchema>>(),
  plan: planSchema,
  createdAt: z.string(),
});
export type PlanRecord = z.infer<typeof planRecordSchema>;

/** The job goes in as it was asked; the server reads it itself and verifies the plan against it. */
export const storePlanSchema = z.strictObject({
  pageVersion: z.int().min(1),
  job: z.record(z.string(), z.unknown()),
  plan: planSchema,
});
export type StorePlan = z.infer<typeof storePlanSchema>;

export const printQuerySchema = z.strictObject({ paper: z.enum(['a4', 'letter']).default('a4') });
