import { z } from 'zod';
import { lengthText } from '../../length/index.ts';

/* What repeated shapes keep. */

export const FIGURES = [
  'hexagon',
  'circle',
  'triangle',
  'pennant',
  'tag',
  'scalloped',
  'star',
  'heart',
  'own',
] as const;
export type Figure = (typeof FIGURES)[number];
export const POINTING = ['points-up', 'flats-up'] as const;
export const LIES = ['straight', 'moved', 'alternating'] as const;
export const EDGES = ['whole', 'cut', 'free'] as const;
export const MAX_SHAPES_IN_ROW = 60;
export const MAX_SHAPES = 600;
export const MAX_SHAPE_PAPERS = 12;
export const MAX_STAR_POINTS = 24;
const count = z.int().min(1).max(MAX_SHAPES_IN_ROW);
const corner = z.tuple([z.int(), z.int()]);
const ring = z.array(corner).min(3).max(2000);

/** An outline of one's own, as it was read: corners in ticks from its lower left, and what is cut out of it. */
export const outlineSchema = z.strictObject({
  name: z.string().max(100),
  outline: ring,
  holes: z.array(ring).max(50),
});
export type OwnOutline = z.infer<typeof outlineSchema>;

export const MEASURES = ['flats', 'corners', 'side', 'across', 'width', 'height'] as const;
export type Measure = (typeof MEASURES)[number];

export const shapesSchema = z.strictObject({
  figure: z.enum(FIGURES),
  /** Those that its figure has; one says it, or two where they hang not together. */
  size: z.strictObject(
    Object.fromEntries(MEASURES.map((name) => [name, lengthText().optional()])) as Record<
      Measure,
      z.ZodOptional<ReturnType<typeof lengthText>>
    >,
  ),
  /** Of a hexagon: which way up. */
  pointing: z.enum(POINTING),
  /** Of a star its points, of a scalloped circle its scallops. */
  points: z.int().min(3).max(MAX_STAR_POINTS),
  /** In a row, and rows. Left out: as many as fit. */
  columns: count.optional(),
  rows: count.optional(),
  /** In all; the last row is shorter then. */
  number: z.int().min(1).max(MAX_SHAPES).optional(),
  gap: lengthText({ allow: 'zero' }).optional(),
  all: z.strictObject({ length: lengthText().optional() }),
  lie: z.enum(LIES),
  /** Whole ones only, or over all of the page, cut off at its edges; or only counted, on no page yet. */
  edges: z.enum(EDGES),
  papers: z.int().min(1).max(MAX_SHAPE_PAPERS),
  own: outlineSchema.optional(),
});
export type ShapesInput = z.infer<typeof shapesSchema>;
