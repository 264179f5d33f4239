import { z } from 'zod';

/*
 * The plan format, versions 1 to 3: what the planner answers. Numbers are in the job's unit at full precision. A plan has the
 * version of its job; what only version 2 has is marked.
 */

const heldSchema = z.strictObject({
  piece: z.string(),
  copy: z.int().min(1),
  turn: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
  side: z.enum(['A', 'B']),
});
export type Held = z.infer<typeof heldSchema>;

/**
 * A node of a sheet's slicing tree: cut into parts, or holding a piece, an offcut to keep, or waste. Version 2: a windmill has
 * five parts (lower left, lower right, upper right, upper left, centre); `odd` is what an outline leaves beyond its rooms.
 */
export interface PlanNode {
  x: number;
  y: number;
  width: number;
  height: number;
  cut: 'x' | 'y' | 'windmill' | null;
  parts?: PlanNode[] | undefined;
  /** The width that the last cut's kerf swallowed, where nothing is left beyond it. */
  lost?: number | undefined;
  holds?: Held | 'keep' | 'waste' | 'odd' | undefined;
  /** What becomes of the centre cut out of the piece. */
  opening?: PlanNode | undefined;
}
export const planNodeSchema: z.ZodType<PlanNode> = z.strictObject({
  x: z.number(),
  y: z.number(),
  width: z.number(),
  height: z.number(),
  cut: z.enum(['x', 'y', 'windmill']).nullable(),
  get parts() {
    return z.array(planNodeSchema).optional();
  },
  lost: z.number().optional(),
  holds: z.union([heldSchema, z.enum(['keep', 'waste', 'odd'])]).optional(),
  get opening() {
    return planNodeSchema.optional();
  },
});

/** Version 2: which cutter, where it is not the first; and what to set, where the cutter does not cut as set. */
const cutterOfStep = { by: z.int().min(1).optional(), dial: z.number().optional() };

export const stepSchema = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('cut'),
    /** Indices into `sheets`; more than one: stacked and cut together. */
    sheets: z.array(z.int().min(0)).min(1),
    part: z.string(),
    /** The edge that lies on the fence. */
    edge: z.enum(['left', 'bottom']),
    setting: z.number(),
    off: z.string(),
    /** What is left; null where the kerf swallows it. */
    rest: z.string().nullable(),
    ...cutterOfStep,
  }),
  z.strictObject({
    do: z.literal('trim'),
    sheets: z.array(z.int().min(0)).min(1),
    /** The edge that is taken off, and how much of it. */
    edge: z.enum(['left', 'right', 'top', 'bottom']),
    setting: z.number(),
    ...cutterOfStep,
  }),
  z.strictObject({
    /** The centre of a piece, cut out by hand. */
    do: z.literal('open'),
    sheets: z.array(z.int().min(0)).min(1),
    part: z.string(),
    off: z.string(),
  }),
  z.strictObject({
    /** Version 2: one of a windmill's four cuts, which stops at `until` from the edge it starts at. */
    do: z.literal('stop'),
    sheets: z.array(z.int().min(0)).min(1),
    part: z.string(),
    line: z.int().min(1).max(4),
    edge: z.enum(['left', 'bottom']),
    setting: z.number(),
    until: z.number(),
    ...cutterOfStep,
  }),
]);
export type Step = z.infer<typeof stepSchema>;

/** A way out, checked by planning it: how many of the missing copies it cuts, and how much more new paper that opens. */
export const wayOutSchema = z.strictObject({
  how: z.discriminatedUnion('do', [
    z.strictObject({ do: z.literal('turn') }),
    z.strictObject({ do: z.literal('elsewhere') }),
    z.strictObject({ do: z.literal('other-side'), side: z.enum(['A', 'B']) }),
    z.strictObject({ do: z.literal('release'), stock: z.string() }),
    z.strictObject({ do: z.literal('cut-through'), stock: z.string() }),
    z.strictObject({ do: z.literal('other-paper'), paper: z.string() }),
    z.strictObject({ do: z.literal('tuck'), width: z.number(), height: z.number() }),
    z.strictObject({
      do: z.literal('join'),
      along: z.enum(['width', 'height']),
      at: z.number(),
      /** Not said by plans made before it could be taken with a press. */
      overlap: z.number().optional(),
    }),
    /** Two ends, its middle being hidden: one up to `from`, one from `to` on. */
    z.strictObject({ do: z.literal('ends'), along: z.enum(['width', 'height']), from: z.number(), to: z.number() }),
    /** Made of several, seams counted from the lower left corner, each part so far over the next. */
    z.strictObject({
      do: z.literal('build-up'),
      across: z.array(z.number()),
      up: z.array(z.number()),
      overlap: z.number(),
      /** Sheets of its first paper that it takes besides what there is. */
      buy: z.strictObject({ width: z.number(), height: z.number(), quantity: z.int().min(0) }).optional(),
    }),
    z.strictObject({ do: z.literal('shorten'), to: z.number() }),
    z.strictObject({
      do: z.literal('buy'),
      paper: z.string(),
      width: z.number(),
      height: z.number(),
      quantity: z.int().min(0),
    }),
  ]),
  cut: z.int().min(1),
  newSheetArea: z.number(),
});
export type WayOut = z.infer<typeof wayOutSchema>;

export const missingSchema = z.strictObject({
  piece: z.string(),
  quantity: z.int().min(1),
  why: z.enum([
    'no-paper',
    'wrong-side-only',
    'no-stock-long-enough',
    'no-stock-wide-enough',
    'direction',
    'held-back',
    'kept-whole',
    'beyond-reach',
    'too-narrow',
    'place-taken',
    'not-enough',
  ]),
  paper: z.string().optional(),
  needed: z.number().optional(),
  longest: z.number().optional(),
  /** The size of what comes nearest, where nothing is large enough. */
  nearest: z.strictObject({ width: z.number(), height: z.number() }).optional(),
  help: z.array(wayOutSchema).default([]),
});
export type Missing = z.infer<typeof missingSchema>;

export const totalsSchema = z.strictObject({
  newSheets: z.int(),
  newSheetArea: z.number(),
  scraps: z.int(),
  usedArea: z.number(),
  pieceArea: z.number(),
  keptArea: z.number(),
  wasteArea: z.number(),
  kerfArea: z.number(),
  cuts: z.int(),
  settings: z.int(),
});
export type Totals = z.infer<typeof totalsSchema>;

/** Version 3: pieces of one shape that are cut together, laid in a block of this size; corners from its lower left. */
export const planBlockSchema = z.strictObject({
  id: z.string().min(1).max(100),
  of: z.string(),
  width: z.number().positive(),
  height: z.number().positive(),
  quantity: z.int().min(1),
  places: z
    .array(z.tuple([z.number().min(0), z.number().min(0), z.number().min(0).lt(360)]))
    .min(1)
    .max(10_000),
});
export type PlanBlock = z.infer<typeof planBlockSchema>;

export const planSchema = z.strictObject({
  format: z.literal('temnex-plan'),
  version: z.literal([1, 2, 3]),
  /** Version 3: what stands in place of the pieces that may be cut in blocks. */
  blocks: z.array(planBlockSchema).max(500).optional(),
  job: z.string(),
  unit: z.enum(['in', 'mm']),
  aim: z.enum(['least-paper', 'easiest-cuts', 'largest-offcuts']),
  status: z.enum(['complete', 'short']),
  sheets: z.array(
    z.strictObject({
      stock: z.string(),
      copy: z.int().min(1),
      tree: planNodeSchema,
      /** What is pencilled on it, where it bears a letter already; left out: A, B and so on in their order. */
      letter: z
        .string()
        .regex(/^[A-Z]{1,3}\d{0,5}$/)
        .optional(),
      /** The number of the last part that was named after this letter before. */
      named: z.int().min(1).max(100_000).optional(),
    }),
  ),
  steps: z.array(stepSchema),
  missing: z.array(missingSchema),
  totals: totalsSchema,
  bound: z.strictObject({
    newSheetArea: z.number(),
    newSheets: z.int(),
    proved: z.boolean(),
    /** Version 2: no way to cut the sheets, each into its pieces as they are shared out, has fewer settings. Left out where that is not known. */
    settings: z.int().min(1).optional(),
    how: z.enum([
      'nothing-needed',
      'area',
      'at-most-per-sheet',
      'large-pieces',
      'coverable',
      'pinned',
      'patterns',
      'tried',
    ]),
  }),
});
export type Plan = z.infer<typeof planSchema>;

/** The node that a step's path names; `r.0.1+` is part 1 with all after it. */
export function findPart(tree: PlanNode, path: string): { nodes: PlanNode[]; cut: PlanNode['cut'] } {
  const [, plain = 'r', from] = /^(.*?)(?:\.(\d+)\+)?$/.exec(path) ?? [];
  let node = tree;
  for (const index of plain.split('.').slice(1))
    node = (index === 'o' ? node.opening : node.parts?.[Number(index)]) ?? node;
  return from === undefined
    ? { nodes: [node], cut: null }
    : { nodes: node.parts?.slice(Number(from)) ?? [], cut: node.cut };
}
