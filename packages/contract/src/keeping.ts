import { z } from 'zod';
import { requestId } from './requests.ts';

/** How much there is of everything. */
export const amountsSchema = z.strictObject({
  pages: z.int(),
  papers: z.int(),
  items: z.int(),
  orders: z.int(),
  cuttings: z.int(),
  sessions: z.int(),
  photos: z.int(),
  pictures: z.int(),
});
export type Amounts = z.infer<typeof amountsSchema>;

/** Copies of the database that were made by themselves, the latest first. */
export const copiesSchema = z.strictObject({
  copies: z.array(z.strictObject({ name: z.string(), day: z.string(), bytes: z.int() })),
  /** Why the last one could not be made; null: it could. */
  trouble: z.string().nullable(),
  now: amountsSchema,
});
export type Copies = z.infer<typeof copiesSchema>;

/** What a backup holds, looked at before anything is restored from it, beside what there is now. */
export const previewSchema = z.strictObject({
  /** By which it is restored; it waits for an hour. */
  ticket: z.string(),
  /** The day it was made, as far as it says. */
  made: z.string().nullable(),
  holds: amountsSchema,
  now: amountsSchema,
});
export type Preview = z.infer<typeof previewSchema>;
export const lookAtCopySchema = z.strictObject({ name: z.string().max(100) });
export type LookAtCopy = z.infer<typeof lookAtCopySchema>;

/** Puts what a backup holds in place of what there is. `replace` says that this is meant, where there is something. */
export const restoreSchema = z.strictObject({
  id: requestId,
  ticket: z.string().max(64),
  replace: z.boolean().default(false),
});
export type Restore = z.infer<typeof restoreSchema>;
/** What was there before is kept under this name among the copies. */
export const restoredSchema = z.strictObject({ before: z.string(), now: amountsSchema });
export type Restored = z.infer<typeof restoredSchema>;

/** The largest backup that is taken in, in megabytes. */
export const BACKUP_LIMIT_MB = 1024;
