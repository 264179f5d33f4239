import { z } from 'zod';
import {
  addLengthProblem,
  inches,
  lengthOf,
  lengthText,
  checkLengthsIn,
  ticks,
  type LengthText,
  type Ticks,
} from '../length/index.ts';
import { areaWithin, isSelfCrossing } from '../geometry/index.ts';

/* Papers and what there is of them: the rules, not the storage. */

export const PATTERNS = ['plain', 'stripes', 'checks', 'dots', 'waves', 'clouds', 'grass', 'words'] as const;
/** How large a pattern is; what is not said is medium. */
export const SCALES = ['small', 'medium', 'large'] as const;
const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'must be a colour like #1f4e5f');
/** A picture of a face in place of a drawn look: the name it is stored under, its size in pixels, and how wide the paper is that it shows (inches, where no unit is said). */
export const facePictureSchema = z.strictObject({
  file: z.string().regex(/^[0-9a-f]{64}$/, 'must name a picture that was taken in'),
  width: z.int().min(1).max(10_000),
  height: z.int().min(1).max(10_000),
  across: lengthText(),
});
export type FacePicture = z.infer<typeof facePictureSchema>;

/** How a face looks, enough to tell papers apart and to see which way they run. */
export const lookSchema = z.strictObject({
  pattern: z.enum(PATTERNS),
  ground: colour,
  ink: colour,
  scale: z.enum(SCALES).optional(),
  picture: facePictureSchema.optional(),
});
export type Look = z.infer<typeof lookSchema>;

/** One line, as people write it: what cannot be seen is not in it, and would not be kept. */
export const oneLine = (most: number) =>
  z
    .string()
    .trim()
    .min(1)
    .max(most)
    .regex(/^\P{Cc}*$/u, 'must be on one line');
const label = oneLine(80);
const id = z.string().min(1).max(64);

export const paperFaceSchema = z.strictObject({
  side: z.enum(['A', 'B']),
  name: label,
  /** none; two-way (turning by half is unseen); one-way (has an up) */
  direction: z.enum(['none', 'two-way', 'one-way']),
  /** The edge of the upright paper along which the pattern runs. */
  along: z.enum(['width', 'height']),
  look: lookSchema,
  /** Its main colours, the first the most; left out: its ground and its print. */
  colours: z.array(colour).min(1).max(6).optional(),
});
export type PaperFace = z.infer<typeof paperFaceSchema>;

/** One face, or two that are not the same one. */
export const sidesSchema = z
  .array(paperFaceSchema)
  .min(1)
  .max(2)
  .superRefine(([first, second], context) => {
    if (first && first.side === second?.side)
      addLengthProblem(context, [1, 'side'], { code: 'side-twice', side: first.side });
  });
/** What else is known of a paper; none of it is needed. */
export const paperFacts = {
  /** Grams to the square metre. */
  weight: z.int().min(10).max(2000).optional(),
  seeThrough: z.boolean().optional(),
  /** Where it is kept, unless an item says otherwise. */
  place: label.optional(),
  /** What a pack costs, in hundredths of whatever one pays in. */
  price: z.int().min(0).max(10_000_000).optional(),
  /** So many sheets are in a pack; left out: sold by the sheet. */
  pack: z.int().min(1).max(1000).optional(),
};
export const paperSchema = z.strictObject({ id, name: label, sides: sidesSchema, ...paperFacts });
export type Paper = z.infer<typeof paperSchema>;

const margin = lengthText({ allow: 'zero' });
/** Of a pad, its quantity is the sheets that are left; a branding strip is the printed edge of a sheet, cut off; a finished piece was cut for something. */
export const STOCK_KINDS = ['sheet', 'pad', 'scrap', 'strip', 'branding', 'piece'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];
/** A day, as 2026-05-31. */
export const day = z.string().regex(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'must be a day like 2026-06-14');
/** Its parts, each by itself; `wholeItem` checks how they go together. */
export const stockItemShape = z.strictObject({
  id,
  paper: id,
  unit: z.enum(['in', 'mm']),
  width: lengthText(),
  height: lengthText(),
  quantity: z.int().min(1).max(10_000),
  kind: z.enum(STOCK_KINDS),
  trim: z.strictObject({ left: margin, right: margin, top: margin, bottom: margin }),
  turned: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
  /** Held back: nothing is cut from it. */
  reserved: z.boolean(),
  /** So many of it are kept for a page: for no other one. */
  reserves: z
    .array(z.strictObject({ page: id, count: z.int().min(1).max(10_000) }))
    .max(1000)
    .optional(),
  /** Where it is kept; left out: where its paper is. */
  place: label.optional(),
  /** The day it came. */
  came: day.optional(),
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
  origin: z
    .strictObject({
      page: z.string(),
      stock: z.string(),
      date: z.string(),
      /** What was pencilled on it at the trimmer, where it was to be cut again. */
      part: z.string().max(12).optional(),
    })
    .nullable(),
});

/** What is narrower is not seen on any ruler, and would be shown as 0. */
const LEAST_PAPER = inches(1 / 64);

/** How the parts of an item go together, in its unit: margins that leave something, an outline that is its own, lines on the paper. */
export function wholeItem(
  item: Pick<z.infer<typeof stockItemShape>, 'unit' | 'width' | 'height' | 'outline' | 'uncut'> & {
    readonly trim?: StockItem['trim'] | undefined;
  },
  context: z.RefinementCtx,
): void {
  const read = checkLengthsIn(item.unit, context);
  const [width, height] = [read(item.width, ['width']), read(item.height, ['height'])];
  if (width === null || height === null) return;
  if (width < LEAST_PAPER) addLengthProblem(context, ['width'], { code: 'too-small-for-paper' });
  if (height < LEAST_PAPER) addLengthProblem(context, ['height'], { code: 'too-small-for-paper' });
  const edge = (name: keyof StockItem['trim']) => read(item.trim?.[name] ?? 0, ['trim', name], { allow: 'zero' }) ?? 0;
  const wide = edge('left') + edge('right') >= width;
  const high = edge('top') + edge('bottom') >= height;
  if (wide || high) addLengthProblem(context, ['trim', wide ? 'left' : 'top'], { code: 'trim-too-wide' });
  const spot = ([x, y]: readonly [LengthText, LengthText], path: (string | number)[]) => ({
    x: ticks(read(x, [...path, 0], { allow: 'zero' }) ?? 0),
    y: ticks(read(y, [...path, 1], { allow: 'zero' }) ?? 0),
  });
  if (item.outline) {
    const corners = item.outline.map((corner, i) => spot(corner, ['outline', i]));
    const [xs, ys] = [corners.map((p) => p.x), corners.map((p) => p.y)];
    const problem = (code: string) => addLengthProblem(context, ['outline'], { code });
    if (Math.min(...xs) !== 0 || Math.min(...ys) !== 0) problem('outline-not-at-corner');
    else if (Math.max(...xs) !== width || Math.max(...ys) !== height) problem('outline-not-its-size');
    else if (isSelfCrossing(corners)) problem('outline-crosses-itself');
    else if (areaWithin(corners) === 0) problem('outline-no-area');
  }
  item.uncut?.forEach((line, i) => {
    for (const [at, end] of line.entries()) {
      const { x, y } = spot(end, ['uncut', i, at]);
      if (x > width || y > height) addLengthProblem(context, ['uncut', i, at], { code: 'line-outside' });
    }
  });
}
export const stockItemSchema = stockItemShape.superRefine(wholeItem);
export type StockItem = z.infer<typeof stockItemShape>;

export interface Drawer {
  readonly papers: readonly Paper[];
  readonly stock: readonly StockItem[];
}

export const NO_TRIM = { left: 0, right: 0, top: 0, bottom: 0 } as const;

const sizes = new WeakMap<object, { width: Ticks; height: Ticks }>();
/** Width and height in ticks of an item already checked; of the same item read once. */
export function sizeOfItem(item: Pick<StockItem, 'width' | 'height' | 'unit'>): { width: Ticks; height: Ticks } {
  let size = sizes.get(item);
  if (!size)
    sizes.set(item, (size = { width: lengthOf(item.width, item.unit), height: lengthOf(item.height, item.unit) }));
  return size;
}

/** The trimmer and the habits of the person. The mark is the page's: its pieces are sized to it. */
const habitsShape = z.strictObject({
  unit: z.enum(['in', 'mm']),
  cutter: z.strictObject({
    name: oneLine(40).optional(),
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
  /** Further cutters, taken up for what the first cannot cut: the first of them that can. */
  others: z
    .array(
      z.strictObject({
        name: oneLine(40),
        reach: lengthText().nullable(),
        narrowest: margin,
        stack: z.int().min(1).max(20),
        long: lengthText({ allow: 'negative' }).default(0),
      }),
    )
    .max(4)
    .optional(),
  /** Hidden centres may be cut out and used, all but this much under what covers them; null: left whole. */
  centres: margin.nullable().default(null),
  keep: z.strictObject({ shorter: margin, longer: margin }),
  aim: z.enum(['least-paper', 'easiest-cuts', 'largest-offcuts']),
  /** All that one setting does, over all sheets, which is usual; or one sheet finished before the next. */
  order: z.enum(['by-setting', 'sheet-by-sheet']).optional(),
});
export const habitsSchema = habitsShape.superRefine(({ unit, cutter, others = [], keep, centres }, context) => {
  const read = checkLengthsIn(unit, context);
  if (cutter.reach !== null) read(cutter.reach, ['cutter', 'reach']);
  for (const name of ['narrowest', 'kerf'] as const) read(cutter[name], ['cutter', name], { allow: 'zero' });
  read(cutter.long, ['cutter', 'long'], { allow: 'negative' });
  others.forEach((one, i) => {
    if (one.reach !== null) read(one.reach, ['others', i, 'reach']);
    read(one.narrowest, ['others', i, 'narrowest'], { allow: 'zero' });
    read(one.long, ['others', i, 'long'], { allow: 'negative' });
  });
  for (const name of ['shorter', 'longer'] as const) read(keep[name], ['keep', name], { allow: 'zero' });
  if (centres !== null) read(centres, ['centres'], { allow: 'zero' });
});
export type Habits = z.infer<typeof habitsSchema>;

export const DEFAULT_HABITS: Habits = {
  unit: 'in',
  cutter: { reach: '12 1/4 in', narrowest: '1/4 in', kerf: 0, stack: 1, long: 0, stop: false, knife: false },
  centres: null,
  keep: { shorter: '1 in', longer: '3 in' },
  aim: 'least-paper',
};

/** Whole paper, as it is bought; anything else is what was left of some. */
export const isSheet = ({ kind }: Pick<StockItem, 'kind'>): boolean => kind === 'sheet' || kind === 'pad';

/** Scraps before new paper, the largest first: the order in which a drawer is looked through. Leaves the list as it is. */
export function sortForDrawer(stock: readonly StockItem[]): StockItem[] {
  return stock
    .map((item) => {
      const { width, height } = sizeOfItem(item);
      return { item, fresh: isSheet(item) ? 1 : 0, area: width * height };
    })
    .sort((a, b) => a.fresh - b.fresh || b.area - a.area || (a.item.id < b.item.id ? -1 : 1))
    .map(({ item }) => item);
}
