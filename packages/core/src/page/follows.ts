import { formatExactLength, parseLength, ticks, type Unit } from '../length/index.ts';
import type { Size } from '../geometry/index.ts';
import {
  isUnder,
  recipeOf,
  isSamePath,
  setField,
  valueAt,
  type FieldPath,
  type LaidOut,
  type RecipeId,
  type LayoutContext,
} from '../recipes/index.ts';
import type { Follow, Item } from './document.ts';

/*
 * A length that follows another's: "as wide as the sky panel less 1/2". It is put into the input before the item is solved, as if it
 * had been typed, whenever what it follows has changed.
 */

/** What a length comes to that follows one of this size, as one would type it; null where its distance does not read, or nothing is left. */
export function formatFollowedLength({ axis, by }: Follow, of: Size, unit: Unit): string | null {
  const read = parseLength(by, unit, { allow: 'negative' });
  const length = read.ok ? of[axis] + read.value.ticks : 0;
  return length > 0 ? formatExactLength(ticks(length), unit) : null;
}

/** The size of what is followed, as it lies; null where an item has no such layer. */
export function followedSizeOf(
  { layer }: Follow,
  host: { readonly box: Size; readonly laid: Pick<LaidOut, 'layers'> | null },
): Size | null {
  if (layer === undefined) return host.box;
  return host.laid?.layers.find((l) => l.key === layer)?.box ?? null;
}

/** Values to put into an input. */
export type FollowedValues = ReadonlyArray<readonly [path: FieldPath, text: string]>;

export const applyFollowed = (recipe: RecipeId, input: unknown, values: FollowedValues): unknown =>
  values.reduce((next, [path, text]) => recipeOf(recipe).put(next, path, text), input);

/** Where a field stands after a change: entries of lists may have come, gone or changed places. Null where it is gone. */
function pathAfter(recipe: RecipeId, before: unknown, after: unknown, path: FieldPath): FieldPath | null {
  const { lists } = recipeOf(recipe);
  const list = lists(before).find((l) => isUnder(path, l.path) && path.length > l.path.length);
  if (!list) return path;
  const at = list.path.length;
  const id = list.ids[Number(path[at])];
  const now = lists(after).find((l) => isSamePath(l.path, list.path));
  const n = id === undefined ? -1 : (now?.ids.indexOf(id) ?? -1);
  return n < 0 ? null : path.with(at, n);
}

/**
 * The item with its input changed as it is solved, `followed` in it: what follows goes on where its value still stands as it was put
 * there. Those that are let go stay what they are.
 */
export function changeItemInput(
  item: Item,
  followed: FollowedValues,
  change: (input: unknown) => unknown,
  letGo: (follow: Follow) => boolean = () => false,
): Item {
  const { follows = [], ...rest } = item;
  const before = applyFollowed(item.recipe, item.input, followed);
  const input = change(before);
  const kept = follows.flatMap((follow): Follow[] => {
    const put = followed.find(([at]) => isSamePath(at, follow.path));
    const path = pathAfter(item.recipe, before, input, follow.path);
    return put && path && !letGo(follow) && valueAt(input, path) === put[1] ? [{ ...follow, path: [...path] }] : [];
  });
  return { ...rest, input, ...(kept.length ? { follows: kept } : {}) };
}

/** The item with one length that follows from now on; what must give way to it does. */
export function followInItem(
  item: Item,
  followed: FollowedValues,
  follow: Follow,
  text: string,
  table: LayoutContext,
): Item {
  const type = (input: unknown) => setField(recipeOf(item.recipe), input, follow.path, text, table);
  const next = changeItemInput(item, followed, type, ({ path }) => isSamePath(path, follow.path));
  return { ...next, follows: [...(next.follows ?? []), follow] };
}
