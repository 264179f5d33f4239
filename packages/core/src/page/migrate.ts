import { recipeOf, RECIPE_IDS, type RecipeId } from '../recipes/index.ts';
import { PAGE_VERSION } from './document.ts';

/*
 * Brings a saved page of any earlier version up to today's, one named step a version. What it is given may be anything: what
 * is not a page comes out as it went in, and the schema then says what is wrong with it.
 */

type Json = Readonly<Record<string, unknown>>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);

export const PAGE_STEPS: ReadonlyArray<{
  readonly from: number;
  readonly name: string;
  readonly step: (page: Json) => Json;
}> = [{ from: 1, name: 'base, panels and photos become items made by recipes', step: itemsFromParts }];

export function migratePage(document: unknown): unknown {
  let page = document;
  for (const { from, step } of PAGE_STEPS) if (isObject(page) && page.version === from) page = step(page);
  if (!isObject(page) || page.version !== PAGE_VERSION) return page;
  return { ...page, items: Array.isArray(page.items) ? page.items.map(itemUpToDate) : page.items };
}

/** An item whose recipe has moved on since it was saved. */
function itemUpToDate(item: unknown): unknown {
  if (!isObject(item) || !RECIPE_IDS.includes(item.recipe as RecipeId) || typeof item.version !== 'number') return item;
  const { version, migrations } = recipeOf(item.recipe as RecipeId);
  if (item.version >= version) return item;
  const input = migrations.slice(item.version - 1).reduce((value, { step }) => step(value), item.input);
  return { ...item, version, input };
}

/** How the parts of a version 1 page are called as pieces of a version 2 page. */
export function piecesOfParts(page: unknown): ReadonlyMap<string, string> {
  const found = new Map<string, string>([['base', 'base/base']]);
  if (!isObject(page)) return found;
  const name = (parts: unknown, item: string) => {
    for (const part of listOf(parts)) if (isObject(part)) found.set(String(part.id), `${item}/${String(part.id)}`);
  };
  name(page.panels, 'base');
  for (const photo of listOf(page.photos)) if (isObject(photo)) name(photo.mats, String(photo.id));
  return found;
}

/** In version 1 the base and its panels were one list, and every photo had its mats: each becomes an item. */
function itemsFromParts(page: Json): Json {
  const { width, height, base, panels, photos, spares, first, version: _version, ...rest } = page;
  if (!isObject(base)) return page;
  const pieces = piecesOfParts(page);
  const centred = { across: { from: 'centre', by: 0 }, upDown: { from: 'centre', by: 0 } };
  const made = { version: 1, on: 'page', fit: 'exact' };
  const renamed = (list: unknown) => listOf(list).map((part) => pieces.get(String(part)) ?? part);
  return {
    ...rest,
    version: 2,
    ground: { width, height },
    items: [
      {
        id: 'base',
        name: base.name,
        recipe: 'base-panels',
        ...made,
        at: centred,
        input: { panels: listOf(panels).map(layerFromPart) },
        wishes: wishesOf([{ id: 'base', paper: base.paper }, ...listOf(panels)]),
        names: namesOf(listOf(panels), (i) => `panel ${i + 1}`),
      },
      ...listOf(photos).map((photo) =>
        isObject(photo)
          ? {
              id: photo.id,
              name: photo.name,
              recipe: 'mat-stack',
              ...made,
              at: photo.at,
              input: { print: photo.print, mats: listOf(photo.mats).map(layerFromPart) },
              wishes: wishesOf(listOf(photo.mats)),
              names: namesOf(listOf(photo.mats), (i) => `${String(photo.name)} mat ${i + 1}`),
            }
          : photo,
      ),
    ],
    copies: page.copies ?? 1,
    spares: renamed(spares),
    first: renamed(first),
  };
}

const wishesOf = (parts: readonly unknown[]): Json =>
  Object.fromEntries(parts.flatMap((p) => (isObject(p) && p.paper ? [[String(p.id), p.paper]] : [])));

/** Names that somebody gave; those that were made up follow from the item's name now. */
const namesOf = (parts: readonly unknown[], usual: (i: number) => string): Json =>
  Object.fromEntries(parts.flatMap((p, i) => (isObject(p) && p.name !== usual(i) ? [[String(p.id), p.name]] : [])));

/**
 * Reveals were one, two or four values, and a size that was given as well was worked out anew; `rest` said on which edge a
 * layer lay flush.
 */
function layerFromPart(part: unknown): unknown {
  if (!isObject(part)) return part;
  const { id, reveal, width, height } = part;
  const rest = isObject(part.rest) ? part.rest : {};
  const flush = {
    ...(rest.across === 'left' || rest.across === 'right' ? { [rest.across]: '0' } : {}),
    ...(rest.upDown === 'top' || rest.upDown === 'bottom' ? { [rest.upDown]: '0' } : {}),
  };
  const isFlush = Object.keys(flush).length > 0;
  if (!Array.isArray(reveal)) {
    const size = { ...(width === undefined ? {} : { width }), ...(height === undefined ? {} : { height }) };
    return { id, reveal: isFlush ? { style: 'four', ...flush } : { style: 'two' }, ...size };
  }
  const [a, b, c, d] = reveal as unknown[];
  if (reveal.length === 4) return { id, reveal: { style: 'four', left: a, right: b, top: c, bottom: d } };
  const upright = reveal.length === 2 ? b : a;
  if (isFlush) return { id, reveal: { style: 'four', left: a, right: a, top: upright, bottom: upright, ...flush } };
  return { id, reveal: reveal.length === 2 ? { style: 'two', across: a, upDown: b } : { style: 'even', all: a } };
}
