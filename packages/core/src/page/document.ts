import { z } from 'zod';
import {
  MARK_NAMES,
  exactText,
  lengthText,
  parseLength,
  type LengthText,
  type Ticks,
  type Unit,
} from '../length/index.ts';
import { matLayerSchema, panelSchema } from '../recipes/index.ts';

/* The page document, version 1. Lengths are kept as they were typed; everything else about the page is derived. */

const id = z.string().min(1).max(64);
const name = z.string().trim().min(1).max(120);

/** Which paper a part is to come from, and how it must run. */
export const wishSchema = z.strictObject({
  /** Ids of acceptable papers, best first. */
  papers: z.array(id).min(1).max(20),
  side: z.enum(['A', 'B', 'any']),
  direction: z.enum(['width', 'height', 'any']),
  /** It must be cut from exactly there: an item of the drawer, and the piece's lower left corner on it. */
  from: z.strictObject({ stock: id, x: lengthText({ allow: 'zero' }), y: lengthText({ allow: 'zero' }) }).optional(),
});
export type Wish = z.infer<typeof wishSchema>;
const wish = wishSchema.nullable();

const offset = lengthText({ allow: 'negative' });
export const placeSchema = z.strictObject({
  across: z.strictObject({ from: z.enum(['left', 'centre', 'right']), by: offset }),
  upDown: z.strictObject({ from: z.enum(['bottom', 'centre', 'top']), by: offset }),
});
export type Place = z.infer<typeof placeSchema>;

export const matSchema = matLayerSchema.extend({ id, name, paper: wish });
export type Mat = z.infer<typeof matSchema>;
export const pagePhotoSchema = z.strictObject({
  id,
  name,
  print: z.strictObject({ width: lengthText(), height: lengthText(), known: z.enum(['measured', 'assumed']) }),
  mats: z.array(matSchema).max(12),
  /** Of the outermost mat (or the print) on the page. */
  at: placeSchema,
});
export type PagePhoto = z.infer<typeof pagePhotoSchema>;
export const pagePanelSchema = panelSchema.extend({ id, name, paper: wish });
export type PagePanel = z.infer<typeof pagePanelSchema>;

export const pageSchema = z
  .strictObject({
    format: z.literal('temnex-page'),
    version: z.literal(1),
    name,
    /** The unit in which bare numbers are read. */
    unit: z.enum(['in', 'mm']),
    mark: z.enum(MARK_NAMES),
    width: lengthText(),
    height: lengthText(),
    base: z.strictObject({ name, paper: wish }),
    /** Inward from the base. */
    panels: z.array(pagePanelSchema).max(12),
    photos: z.array(pagePhotoSchema).max(40),
    /** The same page so many times. */
    copies: z.int().min(1).max(500).default(1),
    /** Parts of which one more is cut, to be safe. */
    spares: z.array(z.string().max(100)).max(500).default([]),
    /** Parts that are cut first where paper is short. */
    first: z.array(z.string().max(100)).max(500).default([]),
  })
  .superRefine((page, context) => {
    const seen = new Set<string>();
    const check = (id: string, path: (string | number)[]) => {
      if (seen.has(id))
        context.addIssue({
          code: 'custom',
          path,
          message: 'used-twice',
          params: { problem: { code: 'used-twice', id } },
        });
      seen.add(id);
    };
    page.panels.forEach((p, i) => check(p.id, ['panels', i, 'id']));
    page.photos.forEach((p, i) => {
      check(p.id, ['photos', i, 'id']);
      p.mats.forEach((m, j) => check(m.id, ['photos', i, 'mats', j, 'id']));
    });
  });
export type Page = z.infer<typeof pageSchema>;

export const PAGE_VERSION = 1;

/** Brings a saved document of any earlier version up to this one. Each version adds its named step here. */
export function migratePage(document: unknown): unknown {
  // copies, spares and what is cut first came later
  return document && typeof document === 'object' && !Array.isArray(document)
    ? { copies: 1, spares: [], first: [], ...document }
    : document;
}

export const CENTRED: Place = { across: { from: 'centre', by: 0 }, upDown: { from: 'centre', by: 0 } };

export function emptyPage(name: string, unit: Unit = 'in'): Page {
  const inch = unit === 'in';
  return {
    format: 'temnex-page',
    version: 1,
    name,
    unit,
    mark: inch ? '1/16' : '1 mm',
    width: inch ? '12' : '305',
    height: inch ? '12' : '305',
    base: { name: 'base', paper: null },
    panels: [],
    photos: [],
    copies: 1,
    spares: [],
    first: [],
  };
}

/** The text to store for ticks in a page of this unit. */
export const asTyped = (length: Ticks, unit: Unit): string => exactText(length, unit);

/** Changes the unit of a page; lengths typed bare keep their meaning by getting the old unit's name. */
export function inOtherUnit(page: Page, unit: Unit): Page {
  if (page.unit === unit) return page;
  const named = (text: LengthText): LengthText => {
    const read = parseLength(text, page.unit, { allow: 'negative' });
    const bare = typeof text === 'number' || !/[a-z"″']/i.test(text);
    return read.ok && bare && read.value.ticks !== 0 ? `${text} ${page.unit}` : text;
  };
  const walk = (value: unknown, key: string): unknown => {
    if (Array.isArray(value)) return value.map((v) => (key === 'reveal' ? named(v as LengthText) : walk(v, key)));
    if (value && typeof value === 'object')
      return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v, k)]));
    return ['width', 'height', 'by', 'x', 'y'].includes(key) && (typeof value === 'string' || typeof value === 'number')
      ? named(value)
      : value;
  };
  const renamed = walk({ ...page }, '') as Page;
  return { ...renamed, version: page.version, unit, mark: unit === 'in' ? '1/16' : '1 mm' };
}
