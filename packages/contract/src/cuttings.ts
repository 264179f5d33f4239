import { z } from 'zod';
import { lengthText } from '@temnex/core/length';
import { spoiledPieceSchema } from '@temnex/core/cutting';
import { requestId } from './requests.ts';

/** A piece that was cut: it stays as it is, whatever becomes of its page. */
export const cutPieceSchema = z.strictObject({
  piece: z.string(),
  unit: z.enum(['in', 'mm']),
  width: lengthText(),
  height: lengthText(),
  paper: z.string(),
  side: z.enum(['A', 'B']),
  /** What it measures, where that is not what was wanted, and it will do. */
  cameOutAs: z.strictObject({ width: lengthText(), height: lengthText() }).optional(),
  /** The scrap it has become, once nothing wanted it any more. */
  scrap: z.string().optional(),
});

/** A plan that was carried out: what it took from the drawer and what it gave back. */
export const cuttingRecordSchema = z.strictObject({
  id: z.string(),
  page: z.string(),
  plan: z.string(),
  cutAt: z.string(),
  undoneAt: z.string().nullable(),
  /** Of pages that were cut together: the cut of the first of them, which has what all of them used and kept. */
  session: z.string().nullable(),
  /** Pieces that are cut, one entry a copy. */
  pieces: z.array(cutPieceSchema),
  used: z.array(z.strictObject({ stock: z.string(), count: z.int() })),
  /** Ids of the offcuts that went into the drawer. */
  kept: z.array(z.string()),
});
export type CuttingRecord = z.infer<typeof cuttingRecordSchema>;

/** How far a plan was carried out: the first steps of it, and copies that were spoiled. Nothing: all of it, and none. */
export const cutSchema = z.strictObject({
  id: requestId,
  steps: z.int().min(0).optional(),
  spoiled: z.array(spoiledPieceSchema).max(1000).optional(),
});
export type CutRequest = z.infer<typeof cutSchema>;

/** A cut piece that nothing wants any more goes into the drawer as a scrap. */
export const scrapPieceSchema = z.strictObject({
  id: requestId,
  /** Which piece of this cut, by its place in the list. */
  at: z.int().min(0),
});
export type ScrapPiece = z.infer<typeof scrapPieceSchema>;
