import { z } from 'zod';
import { lengthOf, lengthText, type Ticks } from '../length/index.ts';

/* Papers and what there is of them: the rules, not the storage. */

export const PATTERNS = ['plain', 'stripes', 'checks', 'dots', 'waves', 'clouds', 'grass', 'words'] as const;
const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'colour');
/** How a face looks, enough to tell papers apart and to see which way they run. */
export const lookSchema = z.strictObject({ pattern: z.enum(PATTERNS), ground: colour, ink: colour });
export type Look = z.infer<typeof lookSchema>;

const label = z.string().trim().min(1).max(80);
const id = z.string().min(1).max(64);

export const paperFaceSchema = z.strictObject({
  side: z.enum(['A', 'B']),
  name: label,
  /** none; two-way (turning by half is unseen); one-way (has an up) */
  direction: z.enum(['none', 'two-way', 'one-way']),
  /** The edge of the upright paper along which the pattern runs. */
  along: z.enum(['width', 'height']),
  look: lookSchema,
});
export type PaperFace = z.infer<typeof paperFaceSchema>;

export const paperSchema = z
  .strictObject({ id, name: label, sides: z.array(paperFaceSchema).min(1).max(2) })
  .refine((p) => new Set(p.sides.map((s) => s.side)).size === p.sides.length, {
    path: ['sides'],
    message: 'side-twice',
  });
export type Paper = z.infer<typeof paperSchema>;

const margin = lengthText({ allow: 'zero' });
export const stockItemSchema = z.strictObject({
  id,
  paper: id,
  unit: z.enum(['in', 'mm']),
  width: lengthText(),
  height: lengthText(),
  quantity: z.int().min(1).max(10_000),
  kind: z.enum(['sheet', 'pad', 'scrap', 'strip']),
  trim: z.strictObject({ left: margin, right: margin, top: margin, bottom: margin }),
  turned: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
  reserved: z.boolean(),
  /** Of an odd scrap: its corners in order round it; its width and height are how far it reaches. */
  outline: z
    .array(z.tuple([margin, margin]))
    .min(3)
    .max(60)
    .optional(),
  /** Lines that no cut may cross: a motif, a scene. A line from corner to corner keeps the box round it whole. */
  uncut: z
    .array(z.tuple([z.tuple([margin, margin]), z.tuple([margin, margin])]))
    .max(50)
    .optional(),
  /** Where a kept offcut comes from. */
  origin: z.strictObject({ page: z.string(), stock: z.string(), date: z.string() }).nullable(),
});
export type StockItem = z.infer<typeof stockItemSchema>;

export interface Drawer {
  readonly papers: readonly Paper[];
  readonly stock: readonly StockItem[];
}

export const NO_TRIM = { left: 0, right: 0, top: 0, bottom: 0 } as const;

/** Width and height in ticks of an item already checked. */
export const sizeOfItem = (item: Pick<StockItem, 'width' | 'height' | 'unit'>): { width: Ticks; height: Ticks } => ({
  width: lengthOf(item.width, item.unit),
  height: lengthOf(item.height, item.unit),
});

/** The trimmer and the habits of the person. The mark is the page's: its pieces are sized to it. */
export const habitsSchema = z.strictObject({
  unit: z.enum(['in', 'mm']),
  cutter: z.strictObject({
    reach: lengthText().nullable(),
    narrowest: margin,
    kerf: margin,
    stack: z.int().min(1).max(20),
    /** How much longer than its setting it cuts. */
    long: lengthText({ allow: 'negative' }).default(0),
    /** A cut may stop short of the far edge. */
    stop: z.boolean().default(false),
    /** A knife and ruler are taken up for what the trimmer cannot cut. */
    knife: z.boolean().default(false),
  }),
  /** Hidden centres may be cut out and used, all but this much under what covers them; null: left whole. */
  centres: margin.nullable().default(null),
  keep: z.strictObject({ shorter: margin, longer: margin }),
  aim: z.enum(['least-paper', 'easiest-cuts', 'largest-offcuts']),
});
export type Habits = z.infer<typeof habitsSchema>;

export const USUAL_HABITS: Habits = {
  unit: 'in',
  cutter: { reach: '12 1/4 in', narrowest: '1/4 in', kerf: 0, stack: 1, long: 0, stop: false, knife: false },
  centres: null,
  keep: { shorter: '1 in', longer: '3 in' },
  aim: 'least-paper',
};

/** Scraps before new paper, the largest first: the order in which a drawer is looked through. Leaves the list as it is. */
export function inDrawerOrder(stock: readonly StockItem[]): StockItem[] {
  return stock
    .map((item) => ({
      item,
      fresh: item.kind === 'sheet' || item.kind === 'pad' ? 1 : 0,
      area: sizeOfItem(item).width * sizeOfItem(item).height,
    }))
    .sort((a, b) => a.fresh - b.fresh || b.area - a.area || (a.item.id < b.item.id ? -1 : 1))
    .map(({ item }) => item);
}
