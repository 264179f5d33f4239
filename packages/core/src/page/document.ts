import { z } from 'zod';
import { pictureSchema, type Picture } from '../photos/index.ts';
import { oneLine } from '../stock/index.ts';
import { MARK_NAMES, withUnitNamed, lengthText, checkLengthsIn, type LengthText, type Unit } from '../length/index.ts';
import { RECIPE_IDS, nameInputUnits, recipeOf, type RecipeId } from '../recipes/index.ts';

/*
 * The page document, version 2: items made by recipes, bottom to top, each in a room. Lengths are kept as they were typed;
 * everything else about the page is derived.
 */

export const PAGE_VERSION = 2;

/** Ids are put together to name pieces (`item/blank`), so they hold no slash. */
const id = z.string().regex(/^[^/]{1,64}$/, 'must be 1 to 64 characters, none of them a slash');
const name = z.string().trim().min(1).max(120);

/** Which paper a piece is to come from, and how it must run. */
export const wishSchema = z.strictObject({
  /** Ids of acceptable papers, best first. */
  papers: z.array(id).min(1).max(20),
  side: z.enum(['A', 'B', 'any']),
  direction: z.enum(['width', 'height', 'any']),
  /** It must be cut from exactly there: an item of the drawer, and the piece's lower left corner on it. */
  from: z.strictObject({ stock: id, x: lengthText({ allow: 'zero' }), y: lengthText({ allow: 'zero' }) }).optional(),
  /** It is made of several, seams counted from its lower left corner: see geometry/parting.ts. */
  built: z
    .strictObject({
      across: z.array(lengthText()).max(40),
      up: z.array(lengthText()).max(40),
      /** Below 0 there is a gap between them, where nothing of it is seen. */
      overlap: lengthText({ allow: 'negative' }),
    })
    .optional(),
});
export type Wish = z.infer<typeof wishSchema>;

const offset = lengthText({ allow: 'negative' });
const besideAnother = { by: offset, of: id.optional() };
const hasNeighbour = (axis: { from: string; of?: string | undefined }) =>
  (axis.from !== 'before' && axis.from !== 'after') || axis.of !== undefined;
/** Whereby a place counts: an edge, the middle, a third of the room or, with `of`, of another item; or before or after that. */
export const ACROSS = ['left', 'left-third', 'centre', 'right-third', 'right', 'before', 'after'] as const;
export const UP_DOWN = ['bottom', 'lower-third', 'centre', 'upper-third', 'top', 'before', 'after'] as const;
export const placeSchema = z.strictObject({
  across: z
    .strictObject({ from: z.enum(ACROSS), ...besideAnother })
    .refine(hasNeighbour, { path: ['of'], message: 'must name what it is next to' }),
  upDown: z
    .strictObject({ from: z.enum(UP_DOWN), ...besideAnother })
    .refine(hasNeighbour, { path: ['of'], message: 'must name what it is next to' }),
});
export type Place = z.infer<typeof placeSchema>;

const onSchema = z.union([
  z.literal('page'),
  z.strictObject({ page: z.enum(['left', 'right']) }),
  z.strictObject({ item: id, slot: z.string().min(1).max(64) }),
]);

/** A field whose length is another's: of an item, or of one layer of it, and so much more or less. */
const followSchema = z.strictObject({
  path: z
    .array(z.union([z.string().max(64), z.int()]))
    .min(1)
    .max(8),
  of: id,
  layer: z.string().min(1).max(64).optional(),
  axis: z.enum(['width', 'height']),
  by: offset,
});
export type Follow = z.infer<typeof followSchema>;

const itemKeys = {
  id,
  name,
  /** What it lies on: its room and its frame of reference. */
  on: onSchema,
  at: placeSchema,
  /** Turned by hand about its middle, in degrees counter-clockwise; left out: straight. */
  tilt: z.number().min(-45).max(45).optional(),
  /** Of its layers, what must stay to be seen: from the layer's lower left corner. */
  mustSee: z
    .array(
      z.strictObject({
        layer: id,
        x: lengthText({ allow: 'zero' }),
        y: lengthText({ allow: 'zero' }),
        width: lengthText(),
        height: lengthText(),
      }),
    )
    .max(20)
    .optional(),
  /** Lengths that are not typed but another's. */
  follows: z.array(followSchema).max(40).optional(),
  /** By blank: which paper it is cut from. */
  wishes: z.record(id, wishSchema),
  /** By layer: the photo that is seen there. */
  pictures: z.record(id, pictureSchema).optional(),
  /** By layer or blank: a name of its own, where it has one. */
  names: z.record(id, name),
  /** Cut to size, or so much longer on purpose, both ways, and trimmed in place. */
  fit: z.union([z.literal('exact'), z.strictObject({ by: lengthText() })]),
};
const itemOf = (recipe: RecipeId) =>
  z.strictObject({
    ...itemKeys,
    recipe: z.literal(recipe),
    version: z.literal(recipeOf(recipe).version),
    input: recipeOf(recipe).input as z.ZodType<unknown>,
  });
/** Made when it is first asked for: recipes may have to be fetched. */
const itemSchema = z.lazy(() => {
  const [first, ...others] = RECIPE_IDS;
  return z.discriminatedUnion('recipe', [itemOf(first), ...others.map(itemOf)]);
});
export type Item = z.infer<typeof itemSchema>;

export const pageSchema = z
  .strictObject({
    format: z.literal('temnex-page'),
    version: z.literal(PAGE_VERSION),
    name,
    /** Kept as a pattern to begin others from. */
    pattern: z.boolean().optional(),
    /** The unit in which bare numbers are read. */
    unit: z.enum(['in', 'mm']),
    mark: z.enum(MARK_NAMES),
    /** One page; with a seam, two facing pages of this size, so far apart. */
    ground: z.strictObject({
      width: lengthText(),
      height: lengthText(),
      seam: lengthText({ allow: 'zero' }).optional(),
    }),
    /** Bottom to top. */
    items: z.array(itemSchema).max(200),
    /** The same page so many times. */
    copies: z.int().min(1).max(500),
    /** For whom each copy is, in order; a copy that nobody is named for has its number. */
    bags: z.array(oneLine(60)).max(500).optional(),
    /** Pieces of which one more is cut, to be safe. */
    spares: z.array(z.string().max(130)).max(500),
    /** Pieces that are cut first where paper is short. */
    first: z.array(z.string().max(130)).max(500),
  })
  .superRefine((page, context) => {
    const read = checkLengthsIn(page.unit, context);
    read(page.ground.width, ['ground', 'width']);
    read(page.ground.height, ['ground', 'height']);
    if (page.ground.seam !== undefined) read(page.ground.seam, ['ground', 'seam'], { allow: 'zero' });
    const used = (all: readonly string[], path: (i: number) => (string | number)[]) =>
      all.forEach((one, i) => {
        if (all.indexOf(one) < i)
          context.addIssue({
            code: 'custom',
            path: path(i),
            message: 'used-twice',
            params: { problem: { code: 'used-twice', id: one } },
          });
      });
    used(
      page.items.map((i) => i.id),
      (i) => ['items', i, 'id'],
    );
    page.items.forEach((item, at) => {
      for (const { path, ids } of recipeOf(item.recipe).lists(item.input))
        used(ids, (i) => ['items', at, 'input', ...path, i, 'id']);
    });
  });
export type Page = z.infer<typeof pageSchema>;

export const CENTRED: Place = { across: { from: 'centre', by: 0 }, upDown: { from: 'centre', by: 0 } };

/** An item as it is first put on a page: in the middle of it, without papers or names of its own. */
export const newItem = (made: { id: string; name: string; recipe: RecipeId; input: unknown }): Item => ({
  ...made,
  name: made.name.slice(0, 120),
  version: recipeOf(made.recipe).version,
  on: 'page',
  at: CENTRED,
  wishes: {},
  names: {},
  fit: 'exact',
});

/** A page of the usual size with nothing on it. */
export function emptyPage(name: string, unit: Unit = 'in'): Page {
  const inch = unit === 'in';
  return {
    format: 'temnex-page',
    version: PAGE_VERSION,
    name,
    unit,
    mark: inch ? '1/16' : '1 mm',
    ground: inch ? { width: '12', height: '12' } : { width: '305', height: '305' },
    items: [],
    copies: 1,
    spares: [],
    first: [],
  };
}

/** Changes the unit of a page; lengths typed bare keep their meaning by getting the old unit's name. */
export function convertPageUnit(page: Page, unit: Unit): Page {
  if (page.unit === unit) return page;
  const name = <T extends LengthText | undefined>(text: T): T =>
    text === undefined ? text : (withUnitNamed(text, page.unit) as T);
  const { width, height, seam } = page.ground;
  return {
    ...page,
    unit,
    mark: unit === 'in' ? '1/16' : '1 mm',
    ground: { width: name(width), height: name(height), ...(seam === undefined ? {} : { seam: name(seam) }) },
    items: page.items.map((item) => ({
      ...item,
      input: nameInputUnits(item.recipe, item.input, page.unit),
      at: {
        across: { ...item.at.across, by: name(item.at.across.by) },
        upDown: { ...item.at.upDown, by: name(item.at.upDown.by) },
      },
      ...(item.follows ? { follows: item.follows.map((f) => ({ ...f, by: name(f.by) })) } : {}),
      fit: item.fit === 'exact' ? item.fit : { by: name(item.fit.by) },
      ...(item.mustSee
        ? {
            mustSee: item.mustSee.map((m) => ({
              ...m,
              x: name(m.x),
              y: name(m.y),
              width: name(m.width),
              height: name(m.height),
            })),
          }
        : {}),
      ...(item.pictures
        ? {
            pictures: Object.fromEntries(
              Object.entries(item.pictures).map(([layer, picture]) => [layer, pictureNamed(picture, name)]),
            ),
          }
        : {}),
      wishes: Object.fromEntries(
        Object.entries(item.wishes).map(([blank, wish]) => [
          blank,
          {
            ...wish,
            ...(wish.from ? { from: { ...wish.from, x: name(wish.from.x), y: name(wish.from.y) } } : {}),
            ...(wish.built
              ? {
                  built: {
                    across: wish.built.across.map(name),
                    up: wish.built.up.map(name),
                    overlap: name(wish.built.overlap),
                  },
                }
              : {}),
          },
        ]),
      ),
    })),
  };
}

function pictureNamed(picture: Picture, name: (text: LengthText) => LengthText): Picture {
  const { across, upDown } = picture.wanted ?? {};
  const named = (one: typeof across) => one && { ...one, at: name(one.at) };
  return picture.wanted
    ? {
        ...picture,
        wanted: { ...(across ? { across: named(across) } : {}), ...(upDown ? { upDown: named(upDown) } : {}) },
      }
    : picture;
}
