import { z } from 'zod';

const keys = { id: z.string(), removedAt: z.string() };
/** What was taken out and can be brought back. */
export const removedItemSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('page'), ...keys, name: z.string() }),
  z.strictObject({ kind: z.literal('photo'), ...keys, name: z.string() }),
  z.strictObject({ kind: z.literal('paper'), ...keys, name: z.string() }),
  z.strictObject({
    kind: z.literal('stock'),
    ...keys,
    /** What the paper is called. */
    name: z.string(),
    width: z.string(),
    height: z.string(),
    unit: z.enum(['in', 'mm']),
    count: z.int(),
  }),
]);
export type RemovedItem = z.infer<typeof removedItemSchema>;
