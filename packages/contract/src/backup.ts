import { z } from 'zod';
import { requestId } from './requests.ts';

/** How much there is of everything. */
export const backupCountsSchema = z.strictObject({
  pages: z.int(),
  papers: z.int(),
  items: z.int(),
  orders: z.int(),
  cuttings: z.int(),
  sessions: z.int(),
  photos: z.int(),
  pictures: z.int(),
});
export type BackupCounts = z.infer<typeof backupCountsSchema>;

/** Copies of the database that were made by themselves, the latest first. */
export const backupCopiesSchema = z.strictObject({
  copies: z.array(z.strictObject({ name: z.string(), day: z.string(), bytes: z.int() })),
  /** Why the last one could not be made; null: it could. */
  trouble: z.string().nullable(),
  now: backupCountsSchema,
});
export type BackupCopies = z.infer<typeof backupCopiesSchema>;

/** What a backup holds, looked at before anything is restored from it, beside what there is now. */
export const backupPreviewSchema = z.strictObject({
  /** By which it is restored; it waits for an hour. */
  ticket: z.string(),
  /** The day it was made, as far as it says. */
  made: z.string().nullable(),
  holds: backupCountsSchema,
  now: backupCountsSchema,
});
export type BackupPreview = z.infer<typeof backupPreviewSchema>;
export const previewCopySchema = z.strictObject({ name: z.string().max(100) });
export type PreviewCopy = z.infer<typeof previewCopySchema>;

/** Puts what a backup holds in place of what there is. `replace` says that this is meant, where there is something. */
export const restoreBackupSchema = z.strictObject({
  id: requestId,
  ticket: z.string().max(64),
  replace: z.boolean().default(false),
});
export type RestoreBackup = z.infer<typeof restoreBackupSchema>;
/** What was there before is kept under this name among the copies. */
export const restoreResultSchema = z.strictObject({ before: z.string(), now: backupCountsSchema });
export type RestoreResult = z.infer<typeof restoreResultSchema>;

/** The largest backup that is taken in, in megabytes. */
export const BACKUP_LIMIT_MB = 1024;
