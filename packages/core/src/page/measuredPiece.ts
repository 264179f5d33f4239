import { lengthOf, type LengthText } from '../length/index.ts';
import { recipeOf, isSamePath, type FieldPath } from '../recipes/index.ts';
import { derivePage, type DerivedPage } from './derive.ts';
import type { Page } from './document.ts';
import { setItemField } from './edit.ts';
import type { ItemNames } from './pieces.ts';

/**
 * The page once a piece came out as something else and all that depends on it is to follow: its size is given from now on, and
 * what counts from it is worked out anew. Null where nothing on the page says how large that piece is by itself, or where the
 * page could not be then.
 */
export function applyMeasuredPiece(
  page: Page,
  derived: DerivedPage,
  names: ItemNames,
  pieceId: string,
  size: { readonly width: LengthText; readonly height: LengthText },
): { readonly page: Page; readonly derived: DerivedPage } | null {
  const piece = derived.pieces.find((p) => p.id === pieceId);
  const part = derived.parts.find((p) => p.piece === pieceId && p.entry);
  const same = (side: 'width' | 'height') => piece?.[side] === lengthOf(size[side], page.unit);
  if (!piece || !part?.entry || (same('width') && same('height'))) return null;
  const entry = entryPath(derived.items.get(part.item)?.item.input, part.entry);
  if (!entry) return null;
  let [now, last] = [page, derived];
  const set = (path: FieldPath, value: LengthText): void => {
    now = setItemField(now, last, part.item, path, value);
    last = derivePage(now, names, last);
  };
  const fields = () => {
    const item = last.items.get(part.item);
    return item ? recipeOf(item.item.recipe).fields(item.item.input) : [];
  };
  // what shows of it all round is no longer the same both ways
  const stylePath: FieldPath = [...entry, 'reveal', 'style'];
  const style = fields().find((f) => isSamePath(f.path, stylePath))?.value;
  if (style === 'even' || style === 'footer') set(stylePath, style === 'even' ? 'two' : 'four');
  for (const side of ['width', 'height'] as const) {
    const before = last.pieces.find((p) => p.id === pieceId)?.[side];
    if (lengthOf(size[side], page.unit) === before) continue;
    const path: FieldPath = [...entry, side];
    // what is seen of it is all of it, and is a number that one can give
    if (part[side] !== piece[side] || !fields().some((f) => f.kind === 'length' && isSamePath(f.path, path)))
      return null;
    set(path, size[side]);
  }
  const after = last.pieces.find((p) => p.id === pieceId);
  const is = (side: 'width' | 'height') => after?.[side] === lengthOf(size[side], page.unit);
  return now !== page && !last.problems.length && is('width') && is('height') ? { page: now, derived: last } : null;
}

/** Where in an input an entry of one of its lists stands now. */
function entryPath(input: unknown, { list, id }: { readonly list: FieldPath; readonly id: string }): FieldPath | null {
  const entries = list.reduce<unknown>(
    (value, key) => (value as Record<string | number, unknown> | null)?.[key],
    input,
  );
  const at = Array.isArray(entries) ? entries.findIndex((one: { id?: unknown }) => one.id === id) : -1;
  return at < 0 ? null : [...list, at];
}
