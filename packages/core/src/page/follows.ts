import { exactText, parseLength, ticks, type Unit } from '../length/index.ts';
import type { Size } from '../geometry/index.ts';
import {
  isUnder,
  recipeOf,
  samePath,
  setField,
  valueAt,
  type FieldPath,
  type Laid,
  type RecipeId,
  type Table,
} from '../recipes/index.ts';
import type { Follow, Item } from './document.ts';

/*
 * A length that follows another's: "as wide as the sky panel less 1/2". It is put into the input before the item is solved, as if it
 * had been typed, whenever what it follows has changed.
 */

/** What a length comes to that follows one of this size, as one would type it; null where its distance does not read, or nothing is left. */
export function followedText({ axis, by }: Follow, of: Size, unit: Unit): string | null {
  const read = parseLength(by, unit, { allow: 'negative' });
  const length = read.ok ? of[axis] + read.value.ticks : 0;
  return length > 0 ? exactText(ticks(length), unit) : null;
}

/** The size of what is followed, as it lies; null where an item has no such layer. */
export function sizeFollowed(
  { layer }: Follow,
  host: { readonly box: Size; readonly laid: Pick<Laid, 'layers'> | null },
): Size | null {
  if (layer === undefined) return host.box;
  return host.laid?.layers.find((l) => l.key === layer)?.box ?? null;
}

/** Values to put into an input. */
export type Followed = ReadonlyArray<readonly [path: FieldPath, text: string]>;

export const withFollowed = (recipe: RecipeId, input: unknown, values: Followed): unknown =>
  values.reduce((next, [path, text]) => recipeOf(recipe).put(next, path, text), input);

/** An item as it was derived: its input with what follows in it, and what was put there. */
interface Here {
  readonly input: unknown;
  readonly followed: Followed;
}

/** Where a field stands after a change: entries of lists may have come, gone or changed places. Null where it is gone. */
function pathAfter(recipe: RecipeId, before: unknown, after: unknown, path: FieldPath): FieldPath | null {
  const { lists } = recipeOf(recipe);
  const list = lists(before).find((l) => isUnder(path, l.path) && path.length > l.path.length);
  if (!list) return path;
  const at = list.path.length;
  const id = list.ids[Number(path[at])];
  const now = lists(after).find((l) => samePath(l.path, list.path));
  const n = id === undefined ? -1 : (now?.ids.indexOf(id) ?? -1);
  return n < 0 ? null : path.with(at, n);
}

/** The item with another input; what follows goes on where its value still stands as it was put there. */
export function withInput(item: Item, here: Here, input: unknown): Item {
  const { follows = [], ...rest } = item;
  const kept = follows.flatMap((follow): Follow[] => {
    const put = here.followed.find(([at]) => samePath(at, follow.path));
    const path = pathAfter(item.recipe, here.input, input, follow.path);
    return put && path && valueAt(input, path) === put[1] ? [{ ...follow, path: [...path] }] : [];
  });
  return { ...rest, input, ...(kept.length ? { follows: kept } : {}) };
}

/** The item with one length that follows from now on; what must give way to it does. */
export function following(item: Item, here: Here & { readonly table: Table }, follow: Follow, text: string): Item {
  const typed = setField(recipeOf(item.recipe), here.input, follow.path, text, here.table);
  const others = here.followed.filter(([path]) => !samePath(path, follow.path));
  const next = withInput(item, { input: here.input, followed: others }, typed);
  return { ...next, follows: [...(next.follows ?? []), follow] };
}
