import { z } from 'zod';
import { lengthText } from '../../length/index.ts';

/* What a grid keeps. */

export const SHAPES = ['square', 'free'] as const;
export const SPREADS = ['room', 'grid'] as const;
export const MOST_LARGE = 40;
export const MOST = 40;
export const MOST_PAPERS = 12;
const count = z.int().min(1).max(MOST);

export const gridSchema = z.strictObject({
  cell: z.strictObject({
    as: z.enum(SHAPES),
    width: lengthText().optional(),
    height: lengthText().optional(),
  }),
  /** Left out: as many as fit. */
  columns: count.optional(),
  rows: count.optional(),
  gutter: lengthText({ allow: 'zero' }).optional(),
  /** Over the whole room with margins, or as large as it is. */
  spread: z.enum(SPREADS),
  margin: z.strictObject({
    across: lengthText({ allow: 'zero' }).optional(),
    upDown: lengthText({ allow: 'zero' }).optional(),
  }),
  all: z.strictObject({ width: lengthText().optional(), height: lengthText().optional() }),
  /** In how many papers: no two neighbours alike. */
  papers: z.int().min(1).max(MOST_PAPERS),
  /** Cells that are one with others: where the lower left one of them is, counted from 1, and how many each way. */
  large: z
    .array(z.strictObject({ id: z.string().min(1).max(64), column: count, row: count, columns: count, rows: count }))
    .max(MOST_LARGE),
});
export type GridInput = z.infer<typeof gridSchema>;
