import type { Size } from '../geometry/index.ts';
import type { LengthText, Ticks } from '../length/index.ts';
import type { Picture } from '../photos/index.ts';
import {
  RECIPE_IDS,
  recipeOf,
  isSamePath,
  setField,
  addEntryTo,
  moveEntryIn,
  applyOffers,
  removeEntryFrom,
  type AnyRecipe,
  type FieldPath,
  type Offer,
  type RecipeId,
  type LayoutContext,
} from '../recipes/index.ts';
import { derivePage, type DerivedItem, type DerivedPage, type Part } from './derive.ts';
import { formatFollowedLength, followInItem, followedSizeOf, changeItemInput } from './follows.ts';
import { newItem, type Follow, type Item, type Page, type Place, type Wish } from './document.ts';
import type { PieceToCut } from './pieces.ts';
import { computeDistanceFrom, type Axis } from './place.ts';

/* Changes to a page, each from one whole document to the next, so that undo is the document before. */

const onItem = (page: Page, id: string, change: (item: Item) => Item): Page => ({
  ...page,
  items: page.items.map((item) => (item.id === id ? change(item) : item)),
});

export const changeItem = (page: Page, id: string, patch: Partial<Pick<Item, 'name' | 'on' | 'at' | 'fit'>>): Page =>
  onItem(page, id, (item) => ({ ...item, ...patch }));

/** Which photo is seen on a layer of an item, and how; null: none. */
export const setPicture = (page: Page, id: string, layer: string, picture: Picture | null): Page =>
  onItem(page, id, ({ pictures, ...item }) => {
    const { [layer]: _old, ...others } = pictures ?? {};
    const next = picture ? { ...others, [layer]: picture } : others;
    return Object.keys(next).length ? { ...item, pictures: next } : item;
  });

/** Changes the input of an item as it is solved, the lengths in it that follow others included. */
const onInput = (
  page: Page,
  derived: DerivedPage,
  id: string,
  change: (recipe: AnyRecipe, input: unknown) => unknown,
): Page => {
  const here = derived.items.get(id);
  return here
    ? onItem(page, id, (item) => changeItemInput(item, here.followed, (input) => change(recipeOf(item.recipe), input)))
    : page;
};

const tableOf = (derived: DerivedPage, item: string): LayoutContext | undefined => derived.items.get(item)?.table;

/** Types a value into a field of an item, or empties it: what gives way or stands still is the recipe's to say. */
export function setItemField(
  page: Page,
  derived: DerivedPage,
  id: string,
  path: FieldPath,
  value: LengthText | undefined,
): Page {
  const table = tableOf(derived, id);
  if (!table) return page;
  return onInput(page, derived, id, (recipe, input) => setField(recipe, input, path, value, table));
}

/** All of an item's input anew, as what was done to it by hand left it. */
export const replaceInput = (page: Page, derived: DerivedPage, id: string, next: unknown): Page =>
  onInput(page, derived, id, () => next);

/** Lets a length follow another's from now on; where nothing would be left of it, the page stays as it is. */
export function followLength(page: Page, derived: DerivedPage, id: string, follow: Follow): Page {
  const here = derived.items.get(id);
  const host = derived.items.get(follow.of);
  const size = host && followedSizeOf(follow, host);
  const text = size ? formatFollowedLength(follow, size, page.unit) : null;
  if (!here || text === null) return page;
  return onItem(page, id, (item) => followInItem(item, here.followed, follow, text, here.table));
}

/** The length stays what it is, and follows no more. */
export function stopFollowing(page: Page, derived: DerivedPage, id: string, path: FieldPath): Page {
  const here = derived.items.get(id);
  if (!here) return page;
  const stay = (input: unknown) => input;
  return onItem(page, id, (item) =>
    changeItemInput(item, here.followed, stay, (follow) => isSamePath(follow.path, path)),
  );
}

/** Takes what a refused item offers: values that work. */
export function takeOffers(page: Page, derived: DerivedPage, id: string, offers: readonly Offer[]): Page {
  const table = tableOf(derived, id);
  if (!table) return page;
  return onInput(page, derived, id, (recipe, input) => applyOffers(recipe, input, offers, table));
}

/** A new item, made by a recipe to begin with, or as it was made elsewhere. It comes to lie on top. */
export const addItem = (page: Page, made: { id: string; name: string; recipe: RecipeId; input: unknown }): Page => ({
  ...page,
  items: [...page.items, newItem(made)],
});

/** Adds a new item where there is room for it, so far from what lies beside it; in the middle where it lies beneath everything. */
export function addWhereFree(
  page: Page,
  derived: DerivedPage,
  made: { id: string; name: string; recipe: RecipeId; input: unknown },
  gap: Ticks,
): Page {
  const added = addItem(page, made);
  const after = derivePage(added, undefined, derived);
  const size = recipeOf(made.recipe).beneath === null ? after.items.get(made.id)?.box : undefined;
  const spot = size ? findFreeSpot(derived, size, gap) : null;
  return spot ? moveTo(added, after, made.id, spot) : added;
}

/** A new page: what recipes put beneath everything, named by `nameOf`, and on it what is given, unless that lies beneath itself. */
export function startPage(
  page: Page,
  made: { id: string; name: string; recipe: RecipeId; input: unknown } | null,
  nameOf: (recipe: RecipeId) => string,
  newId: () => string,
): Page {
  const lowest = RECIPE_IDS.filter((id) => recipeOf(id).beneath !== null && id !== made?.recipe);
  const beneath =
    made && recipeOf(made.recipe).beneath !== null
      ? []
      : lowest.map((recipe) => ({ id: newId(), name: nameOf(recipe), recipe, input: recipeOf(recipe).beneath }));
  return [...beneath, ...(made ? [made] : [])].reduce(addItem, page);
}

/** Adds a layer to a list of an item. */
export function addEntry(page: Page, derived: DerivedPage, id: string, list: FieldPath, entry: string): Page {
  const table = tableOf(derived, id);
  if (!table) return page;
  return onInput(page, derived, id, (recipe, input) =>
    addEntryTo(input, list, recipe.entry(input, list, table, entry)),
  );
}

/** Removes a layer that stands in a list; any other takes its whole item along. */
export function removePart(page: Page, derived: DerivedPage, part: Part): Page {
  if (!part.entry) return removeItem(page, derived, part.item);
  const { list, id } = part.entry;
  const without = onItem(page, part.item, (item) => {
    const { [id]: _name, ...names } = item.names;
    const { [id]: _wish, ...wishes } = item.wishes;
    const followed = derived.items.get(item.id)?.followed ?? [];
    return { ...changeItemInput(item, followed, (input) => removeEntryFrom(input, list, id)), names, wishes };
  });
  return letGo(without, derived, ({ of, layer }) => of === part.item && layer === part.key);
}

/** What followed something that is gone stays as large as it is. */
const letGo = (page: Page, derived: DerivedPage, gone: (follow: Follow) => boolean): Page =>
  page.items.some((item) => item.follows?.some(gone))
    ? {
        ...page,
        items: page.items.map((item) =>
          item.follows?.some(gone)
            ? changeItemInput(item, derived.items.get(item.id)?.followed ?? [], (input) => input, gone)
            : item,
        ),
      }
    : page;

/** Removes an item. What lay on it, or counted from it, stays where it is on what that lay on. */
export function removeItem(page: Page, derived: DerivedPage, id: string): Page {
  const gone = page.items.find((i) => i.id === id);
  if (!gone) return page;
  const settle = (item: Item): Item => {
    const here = derived.items.get(item.id);
    const host = derived.items.get(id);
    const lay = typeof item.on === 'object' && 'item' in item.on && item.on.item === id;
    const counted = item.at.across.of === id || item.at.upDown.of === id;
    if (!here || !host || (!lay && !counted)) return item;
    const room = lay ? host.room : here.room;
    const fixed = (axis: Axis): Place[Axis] => {
      const from = axis === 'across' ? ('left' as const) : ('bottom' as const);
      const at = axis === 'across' ? here.box.x : here.box.y;
      return { from, by: computeDistanceFrom(axis, from, at, here.box, room, page.unit) } as Place[Axis];
    };
    const at = { across: fixed('across'), upDown: fixed('upDown') } as Place;
    return { ...item, at, on: lay ? gone.on : item.on };
  };
  const free = letGo(page, derived, ({ of }) => of === id);
  return { ...free, items: free.items.filter((i) => i.id !== id).map(settle) };
}

/** Moves a layer one place within its list, or an item without one up or down the page. */
export function movePart(page: Page, derived: DerivedPage, part: Pick<Part, 'item' | 'entry'>, by: 1 | -1): Page {
  const { entry } = part;
  return entry
    ? onInput(page, derived, part.item, (_recipe, input) => moveEntryIn(input, entry.list, entry.id, by))
    : moveEntryIn(page, ['items'], part.item, by);
}

/** Names a layer; the one that stands for its whole item names that. */
export function renamePart(page: Page, part: Part, name: string): Page {
  return onItem(page, part.item, (item) =>
    part.entry ? { ...item, names: { ...item.names, [part.key]: name } } : { ...item, name },
  );
}

/** Chooses the paper of a piece, and with it of those that come from the same paper. */
export function choosePaper(
  page: Page,
  piece: Pick<PieceToCut, 'item' | 'blank' | 'paperFrom'>,
  wish: Wish | null,
): Page {
  const at = piece.paperFrom ?? piece.blank;
  return onItem(page, piece.item, (item) => {
    const { [at]: _old, ...others } = item.wishes;
    return { ...item, wishes: wish ? { ...others, [at]: wish } : others };
  });
}

/** Counts an item's place from another edge or from the middle; it stays where it is. */
export function countFrom(page: Page, derived: DerivedPage, id: string, axis: Axis, from: Place[Axis]['from']): Page {
  const here = derived.items.get(id);
  if (!here) return page;
  const { of } = here.item.at[axis];
  const within = of === undefined ? here.room : (derived.items.get(of)?.box ?? here.room);
  const at = axis === 'across' ? here.box.x : here.box.y;
  const by = computeDistanceFrom(axis, from, at, here.box, within, page.unit);
  return changeItem(page, id, { at: { ...here.item.at, [axis]: { ...here.item.at[axis], from, by } } as Place });
}

/** Puts an item so that its lower left corner comes to lie there, in ticks of the page; it counts from where it did. */
export function moveTo(
  page: Page,
  derived: DerivedPage,
  id: string,
  spot: { readonly x: number; readonly y: number },
): Page {
  const here = derived.items.get(id);
  if (!here) return page;
  const axis = (which: Axis, at: number): Place[Axis] => {
    const place = here.item.at[which];
    const within = place.of === undefined ? here.room : (derived.items.get(place.of)?.box ?? here.room);
    return { ...place, by: computeDistanceFrom(which, place.from, at, here.box, within, page.unit) } as Place[Axis];
  };
  return changeItem(page, id, { at: { across: axis('across', spot.x), upDown: axis('upDown', spot.y) } as Place });
}

/** Where something new of a size can lie without covering anything that does not lie beneath everything; null where the middle serves, or nothing does. */
export function findFreeSpot(
  derived: DerivedPage,
  size: Size,
  gap: Ticks,
): { readonly x: number; readonly y: number } | null {
  const there = [...derived.items.values()].filter((d) => recipeOf(d.item.recipe).beneath === null && d.laid);
  const boxes = there.map((d) => d.box);
  const clear = (x: number, y: number) =>
    boxes.every(
      (b) =>
        x + size.width + gap <= b.x ||
        b.x + b.width + gap <= x ||
        y + size.height + gap <= b.y ||
        b.y + b.height + gap <= y,
    );
  const [right, top] = [derived.width - size.width, derived.height - size.height];
  const middle = { x: Math.floor(right / 2), y: Math.floor(top / 2) };
  if (!boxes.length || clear(middle.x, middle.y)) return null;
  // beside, above or below something, or at a margin
  const xs = [gap, right - gap, middle.x, ...boxes.flatMap((b) => [b.x + b.width + gap, b.x - size.width - gap, b.x])];
  const ys = [gap, top - gap, middle.y, ...boxes.flatMap((b) => [b.y + b.height + gap, b.y - size.height - gap, b.y])];
  const spots = [...new Set(xs)].flatMap((x) => [...new Set(ys)].map((y) => ({ x, y })));
  const far = (s: { x: number; y: number }) => Math.abs(s.x - middle.x) + Math.abs(s.y - middle.y);
  return (
    spots
      .filter(({ x, y }) => x >= 0 && y >= 0 && x <= right && y <= top && clear(x, y))
      .sort((a, b) => far(a) - far(b) || a.y - b.y || a.x - b.x)[0] ?? null
  );
}

/** The items in a row with one: on the same room, level with it at least in part; what lies beneath everything is in no row. */
export function findRowNeighbours(derived: DerivedPage, id: string, axis: Axis): DerivedItem[] {
  const here = derived.items.get(id);
  if (!here || recipeOf(here.item.recipe).beneath !== null) return [];
  const [low, long] = axis === 'across' ? (['y', 'height'] as const) : (['x', 'width'] as const);
  const at = axis === 'across' ? 'x' : 'y';
  return [...derived.items.values()]
    .filter(
      (d) =>
        recipeOf(d.item.recipe).beneath === null &&
        JSON.stringify(d.item.on) === JSON.stringify(here.item.on) &&
        d.box[low] < here.box[low] + here.box[long] &&
        here.box[low] < d.box[low] + d.box[long],
    )
    .sort((a, b) => a.box[at] - b.box[at]);
}

/**
 * Spaces the items in a row with one evenly in their room: the same gap, on the mark, between all and to both edges; what is
 * left over goes to the two edges. Null where they do not fit beside each other.
 */
export function spaceEvenly(page: Page, derived: DerivedPage, id: string, axis: Axis): Page | null {
  const row = findRowNeighbours(derived, id, axis);
  if (!row.length) return null;
  const [at, long] = axis === 'across' ? (['x', 'width'] as const) : (['y', 'height'] as const);
  const { room } = row[0]!;
  const free = room[long] - row.reduce((sum, d) => sum + d.box[long], 0);
  if (free < 0) return null;
  const { step } = derived.mark;
  const gap = Math.floor(free / (row.length + 1) / step) * step;
  let next = room[at] + Math.floor((free - gap * (row.length - 1)) / 2);
  return row.reduce((spaced, d) => {
    const to = next;
    next += d.box[long] + gap;
    const { of: _of, ...place } = d.item.at[axis];
    const from =
      place.from === 'before' || place.from === 'after' ? (axis === 'across' ? 'left' : 'bottom') : place.from;
    const by = computeDistanceFrom(axis, from, to, d.box, d.room, page.unit);
    return changeItem(spaced, d.item.id, { at: { ...d.item.at, [axis]: { from, by } } as Place });
  }, page);
}
