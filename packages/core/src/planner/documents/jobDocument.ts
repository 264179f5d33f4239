import { z } from 'zod';
import { lengthText } from '../../length/index.ts';
import { finishSchema, shapeSchema } from './finishing.ts';

/*
 * The job format, versions 1 to 3: what is asked of the planner. Lengths are text as typed, or numbers in `unit`. What later
 * versions add is marked; an earlier document that uses it is refused.
 */

const size = lengthText();
const margin = lengthText({ allow: 'zero' });
const name = z.string().max(200);
const id = z.string().min(1).max(100);

export const faceSchema = z.strictObject({
  side: z.enum(['A', 'B']),
  name: name.optional(),
  direction: z.enum(['none', 'two-way', 'one-way']).default('none'),
  along: z.enum(['width', 'height']).default('height'),
});

const point = z.tuple([margin, margin]);
const cutterKeys = {
  step: size.nullable().default(null),
  reach: size.nullable().default(null),
  narrowest: margin.default(0),
  stack: z.int().min(1).max(100).default(1),
  /** Version 2: how much longer than its setting it cuts. */
  long: lengthText({ allow: 'negative' }).optional(),
  /** Version 2: what the person calls it. */
  name: name.optional(),
};

export const TURNINGS = ['any', 'half', 'none'] as const;
/** What lies in a block: the outline, how large its piece is, and where each begins and how far it is turned, counter-clockwise. */
const blockSchema = z.strictObject({
  of: id,
  each: z.strictObject({ width: size, height: size }),
  outline: shapeSchema,
  places: z
    .array(z.tuple([margin, margin, z.number().min(0).lt(360)]))
    .min(1)
    .max(10_000),
});

export const jobSchema = z.strictObject({
  format: z.literal('temnex-job'),
  version: z.literal([1, 2, 3]),
  name: name.default(''),
  unit: z.enum(['in', 'mm']).default('in'),
  cutter: z
    .strictObject({
      ...cutterKeys,
      kerf: margin.default(0),
      /** Version 2: a cut may stop short of the far edge. */
      stop: z.boolean().optional(),
      /** Version 2: what is taken up where this one cannot, most liked first. */
      then: z.array(z.strictObject(cutterKeys)).max(5).optional(),
    })
    .prefault({}),
  plan: z
    .strictObject({
      aim: z.enum(['least-paper', 'easiest-cuts', 'largest-offcuts']).default('least-paper'),
      seconds: z.number().min(0).max(600).default(1),
      nodes: z.int().min(0).nullable().default(null),
      seed: z.int().default(1),
      /** Version 2: all that one setting does, over all sheets; or one sheet finished before the next. */
      order: z.enum(['by-setting', 'sheet-by-sheet']).optional(),
      keep: z.strictObject({ shorter: margin.optional(), longer: margin.optional() }).prefault({}),
    })
    .prefault({}),
  papers: z
    .array(z.strictObject({ id, name: name.optional(), sides: z.array(faceSchema).min(1).max(2).optional() }))
    .max(5000),
  stock: z
    .array(
      z.strictObject({
        id,
        paper: id,
        /** Version 2: may be left out where there is an outline. */
        width: size.optional(),
        height: size.optional(),
        quantity: z.int().min(1).max(1_000_000).default(1),
        /** Version 2: the corners of an odd scrap, in order round it. */
        outline: z.array(point).min(3).max(200).optional(),
        /** Version 2: lines on the paper that no cut may cross. */
        uncut: z
          .array(z.tuple([point, point]))
          .max(50)
          .optional(),
        kind: z.enum(['sheet', 'pad', 'scrap', 'strip']).default('sheet'),
        trim: z
          .strictObject({
            left: margin.default(0),
            right: margin.default(0),
            top: margin.default(0),
            bottom: margin.default(0),
          })
          .prefault({}),
        turned: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]).default(0),
        reserved: z.boolean().default(false),
      }),
    )
    .max(50_000),
  pieces: z
    .array(
      z.strictObject({
        id,
        name: name.optional(),
        width: size,
        height: size,
        quantity: z.int().min(1).max(1_000_000).default(1),
        papers: z.array(id).min(1),
        side: z.enum(['A', 'B', 'any']).default('any'),
        direction: z.enum(['width', 'height', 'any']).default('any'),
        priority: z.number().default(1),
        opening: z.strictObject({ x: margin, y: margin, width: size, height: size }).nullable().optional(),
        from: z.strictObject({ stock: id, x: margin, y: margin }).nullable().optional(),
        /** Version 2: where the piece may be made of two, the join being hidden: between these places along an edge. */
        join: z
          .strictObject({ along: z.enum(['width', 'height']), from: margin, to: margin, overlap: margin })
          .optional(),
        /** Version 2: where its middle lies hidden, so that two ends do which reach so far under: no paper is needed between these places. */
        ends: z.strictObject({ along: z.enum(['width', 'height']), from: margin, to: margin }).optional(),
        /** Version 2: how small it may be made where less of it is tucked under. */
        least: z.strictObject({ width: size, height: size }).optional(),
        /** Version 2: what is done to it by hand once it is cut, in order. */
        finish: z.array(finishSchema).max(200).optional(),
        /** Version 2: what it looks like then. */
        shape: shapeSchema.optional(),
        /** Version 3: many of its shape may be cut as one block, laid in it as near as they go, and cut out by hand. */
        nest: z.strictObject({ turning: z.enum(TURNINGS), apart: margin }).optional(),
        /** Version 3: it is such a block, of the piece that is named. */
        block: blockSchema.optional(),
      }),
    )
    .min(1)
    .max(10_000),
  /** Version 3: pieces that are wanted some other time, from these papers: of offcuts that are alike else, those are kept that serve them. */
  wants: z
    .array(z.strictObject({ width: size, height: size, papers: z.array(id).min(1) }))
    .max(500)
    .optional(),
});
export type JobDocument = z.input<typeof jobSchema>;

/** Where a document uses what only version 2 has. */
export function newInVersion2(d: z.output<typeof jobSchema>): (string | number)[][] {
  const found: (string | number)[][] = [];
  const look = (entry: object, keys: readonly string[], ...path: (string | number)[]) => {
    for (const key of keys) if ((entry as Record<string, unknown>)[key] !== undefined) found.push([...path, key]);
  };
  look(d.cutter, ['long', 'name', 'stop', 'then'], 'cutter');
  look(d.plan, ['order'], 'plan');
  d.stock.forEach((s, i) => look(s, ['outline', 'uncut'], 'stock', i));
  d.pieces.forEach((p, i) => look(p, ['join', 'ends', 'least', 'finish', 'shape'], 'pieces', i));
  return found;
}

/** Where a document uses what only version 3 has. */
export function newInVersion3(d: z.output<typeof jobSchema>): (string | number)[][] {
  const wants = d.wants === undefined ? [] : [['wants']];
  const pieces = d.pieces.flatMap((p, i) => {
    const by = (p.finish ?? []).findIndex((f) => f.do === 'outline' && (f.as === 'shape' || f.times !== undefined));
    return [
      ...(['nest', 'block'] as const).flatMap((key) => (p[key] === undefined ? [] : [['pieces', i, key]])),
      ...(by < 0 ? [] : [['pieces', i, 'finish', by]]),
    ];
  });
  return [...pieces, ...wants];
}
