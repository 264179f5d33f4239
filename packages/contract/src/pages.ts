import { z } from 'zod';
import type { Ticks } from '@temnex/core/length';
import { pageSchema, wishSchema } from '@temnex/core/page';
import { STAGES } from '@temnex/core/cutting';
import { requestId } from './requests.ts';

/** How far a page has come. */
export const stageSchema = z.enum(STAGES);

export const pageRecordSchema = z.strictObject({
  id: z.string(),
  /** Rises with every write; a write names the version it was made from. */
  version: z.int(),
  document: pageSchema,
  demo: z.boolean(),
  updatedAt: z.string(),
});
export type PageRecord = z.infer<typeof pageRecordSchema>;

export const pageSummarySchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  width: z.string(),
  height: z.string(),
  unit: z.enum(['in', 'mm']),
  parts: z.int(),
  /** Kept to begin others from. */
  pattern: z.boolean(),
  demo: z.boolean(),
  updatedAt: z.string(),
  stage: stageSchema,
  /** It is kept as it is, and can be mended or taken out. */
  unreadable: z.boolean(),
});
export type PageSummary = z.infer<typeof pageSummarySchema>;

export const createPageSchema = z.strictObject({ id: requestId, document: pageSchema });
export type CreatePage = z.infer<typeof createPageSchema>;
export const savePageSchema = z.strictObject({ version: z.int().min(1), document: pageSchema });
export type SavePage = z.infer<typeof savePageSchema>;

/** What a page still wants cut, by what was known when it was saved; lengths in ticks. */
export const wantingPageSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  pieces: z.array(
    z.strictObject({
      id: z.string(),
      width: z.custom<Ticks>((value) => typeof value === 'number'),
      height: z.custom<Ticks>((value) => typeof value === 'number'),
      quantity: z.int(),
      wish: wishSchema.nullable(),
    }),
  ),
});
