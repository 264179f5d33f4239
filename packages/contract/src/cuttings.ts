import { z } from 'zod';

/** A plan that was carried out: what it took from the drawer and what it gave back. */
export const cuttingRecordSchema = z.object({
  id: z.string(),
  page: z.string(),
  plan: z.string(),
  cutAt: z.string(),
  undoneAt: z.string().nullable(),
  /** Parts of the page whose paper is cut, one entry a copy. */
  parts: z.array(z.string()),
  used: z.array(z.object({ stock: z.string(), count: z.int() })),
  /** Ids of the offcuts that went into the drawer. */
  kept: z.array(z.string()),
});
export type CuttingRecord = z.infer<typeof cuttingRecordSchema>;

/** How far a plan was carried out: the first steps of it, and copies that were spoiled. Nothing: all of it, and none. */
export const cutSchema = z.strictObject({
  steps: z.int().min(0).optional(),
  spoiled: z
    .array(z.strictObject({ piece: z.string().max(200), copy: z.int().min(1) }))
    .max(1000)
    .optional(),
});
export type Cut = z.infer<typeof cutSchema>;
