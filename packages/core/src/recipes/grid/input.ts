import { z } from 'zod';
import { lengthText } from '../../length/index.ts';

/* What a grid keeps. */

export const SHAPES = ['square', 'free'] as const;
export const SPREADS = ['room', 'grid'] as const;
export const MAX_LARGE_CELLS = 40;
export const MAX_GRID_CELLS = 40;
export const MAX_GRID_PAPERS = 12;
export const MAX_CELL_TILT_DEGREES = 45;
export const MAX_SEED = 999;
/** One of the papers of the cells, beside none of its own; or a paper by itself, as under a photo. */
export const LARGE_PAPERS = ['pattern', 'own'] as const;
/** Letters of papers, rows apart. */
export const PATTERN = /^[a-l]+( [a-l]+)*$/;
const count = z.int().min(1).max(MAX_GRID_CELLS);

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
  papers: z.int().min(1).max(MAX_GRID_PAPERS),
  /** How many each paper gets, by its number from 1; what is left out is shared out evenly. */
  counts: z.record(
    z.string().regex(/^([1-9]|1[0-2])$/),
    z
      .int()
      .min(1)
      .max(MAX_GRID_CELLS * MAX_GRID_CELLS),
  ),
  /** Papers as they were laid by hand: a letter a cell, rows from the top, repeated where the grid is larger. Left out: worked out. */
  pattern: z
    .string()
    .max(MAX_GRID_CELLS * (MAX_GRID_CELLS + 1))
    .regex(PATTERN)
    .optional(),
  /** Cells that are one with others: where the lower left one of them is, counted from 1, and how many each way. */
  large: z
    .array(
      z.strictObject({
        id: z.string().min(1).max(64),
        column: count,
        row: count,
        columns: count,
        rows: count,
        paper: z.enum(LARGE_PAPERS),
      }),
    )
    .max(MAX_LARGE_CELLS),
  /** Tilted by up to so many degrees either way, and shifted by up to so much each way, as the dice of that number fall. */
  loose: z.strictObject({
    tilt: z.int().min(1).max(MAX_CELL_TILT_DEGREES).optional(),
    jitter: lengthText({ allow: 'zero' }).optional(),
    seed: z.int().min(1).max(MAX_SEED),
  }),
});
export type GridInput = z.infer<typeof gridSchema>;
