import { z } from 'zod';

/** A plan that was carried out: what it took from the drawer and what it gave back. */
export const cuttingRecordSchema = z.object({
  id: z.string(),
  page: z.string(),
  plan: z.string(),
  cutAt: z.string(),
  undoneAt: z.string().nullable(),
  /** Parts of the page whose paper is cut. */
  parts: z.array(z.string()),
  used: z.array(z.object({ stock: z.string(), count: z.int() })),
  /** Ids of the offcuts that went into the drawer. */
  kept: z.array(z.string()),
});
export type CuttingRecord = z.infer<typeof cuttingRecordSchema>;
