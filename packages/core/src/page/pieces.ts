import { ZERO, roundToMark, ticks, type Mark, type Ticks } from '../length/index.ts';
import { groupEqualSizes, computePatches, shiftRect, type Patch, type Rect, type Size } from '../geometry/index.ts';
import type { Blank, LaidOut, RecipeId, LayoutContext } from '../recipes/index.ts';
import type { Item, Wish } from './document.ts';
import { seamsOf } from './seams.ts';

/* What is cut for an item: its blanks as pieces, whole or in parts. */

/** A piece of paper to cut, its size on the cutter's mark. */
export interface PieceToCut extends Omit<Blank, 'key'> {
  /** `item/blank`, and which part it is of one that is made of several. */
  readonly id: string;
  readonly item: string;
  readonly blank: string;
  readonly name: string;
  readonly wish: Wish | null;
  /** Longer by so much, both ways, than it will be: trimmed in place. */
  readonly over: Ticks;
  /** The layers that it makes, bottom to top, by their ids. */
  readonly parts: readonly string[];
  /** It is one part of a piece that is made of several: that piece's size. */
  readonly patchOf: Size | null;
}

/** Of a spread: from where to where its two pages meet. */
export interface Seam {
  readonly x: Ticks;
  readonly width: Ticks;
}

/** How layers and pieces are called that have no name of their own. The core has no words: they are passed in. */
export interface ItemNames {
  part(recipe: RecipeId, role: string, n: number, item: string): string;
  piece(recipe: RecipeId, role: string, n: number, item: string): string;
  /** A part, of so many unlike ones, of a piece of this name. */
  patch(piece: string, n: number, of: number): string;
}
const plainName = (_recipe: RecipeId, role: string, n: number, item: string): string => `${item} ${role} ${n}`;
export const FALLBACK_NAMES: ItemNames = {
  part: plainName,
  piece: plainName,
  patch: (piece, n) => `${piece} part ${n}`,
};

export const pieceId = (item: string, blank: string): string => `${item}/${blank}`;
const patchId = (piece: string, n: number): string => `${piece} part ${n}`;
export const partId = (item: string, layer: string): string => `${item}/${layer}`;

/**
 * What is cut for a blank: one kind of piece; the parts of one that is made of several; of one that lies over the seam of a spread,
 * a part for each page.
 */
export function collectPieces(
  blank: Blank,
  item: Item,
  laid: LaidOut,
  over: Ticks,
  names: ItemNames,
  { unit, mark }: LayoutContext,
  origin: Rect,
  seam: Seam | null,
): PieceToCut[] {
  const { key, role, n, quantity, off, shape, marks, finish, yields } = blank;
  const layers = laid.layers.filter((layer) => layer.blank === key);
  const parts = layers.map((layer) => partId(item.id, layer.key));
  const wish = wishOf(item, blank);
  const whole: PieceToCut = {
    id: pieceId(item.id, key),
    item: item.id,
    blank: key,
    name: item.names[key] ?? names.piece(item.recipe, role, n, item.name),
    wish,
    width: over ? ticks(blank.width + over) : blank.width,
    height: over ? ticks(blank.height + over) : blank.height,
    ...(blank.paperFrom === undefined ? {} : { paperFrom: blank.paperFrom }),
    ...(blank.nests === undefined ? {} : { nests: blank.nests }),
    role,
    n,
    quantity,
    off,
    over,
    shape,
    marks,
    finish,
    yields,
    parts,
    patchOf: null,
  };
  // what is shaped, worked on by hand, or woven and put together before it is laid is cut whole
  const madeFirst = laid.layers.some((layer) => layer.along);
  if (shape || madeFirst || finish.some((f) => f.do !== 'trim')) return [whole];
  const inParts = (patches: readonly Patch[], kept: Wish | null): PieceToCut[] =>
    patches.map((patch, i) => ({
      ...whole,
      id: patchId(whole.id, i + 1),
      name: names.patch(whole.name, i + 1, patches.length),
      width: patch.width,
      height: patch.height,
      quantity: patch.quantity,
      wish: kept,
      off: { width: ZERO, height: ZERO },
      marks: [],
      yields: [],
      patchOf: { width: whole.width, height: whole.height },
    }));
  const seams = seamsOf(wish, unit);
  if (wish && seams) {
    const patches = computePatches(whole, seams).map((patch) => ({ ...patch, quantity: quantity * patch.quantity }));
    return inParts(patches, withoutPlace(wish));
  }
  const trim = finish.find((f) => f.do === 'trim');
  const laidOver = seam ? layers.map(({ box }) => halvesOf(shiftRect(box, origin), whole, seam, mark, trim?.left)) : [];
  const halves = laidOver.flatMap((found) => found ?? []);
  if (!halves.length) return [whole];
  if (trim && halves.length === 2) {
    const each = halves.map((size) => ({ ...size, quantity: 1 }));
    const [left, right] = inParts(each, wish && withoutPlace(wish));
    return [
      { ...left!, finish: [{ ...trim, right: ZERO }] },
      { ...right!, finish: [{ ...trim, left: ZERO }] },
    ];
  }
  const uncut = laidOver.filter((found) => found === null).length;
  return [
    ...(uncut ? [{ ...whole, quantity: uncut }] : []),
    ...inParts(groupEqualSizes(halves), wish && withoutPlace(wish)),
  ];
}

/** The paper that is wished for a blank: its own, or that of the blank from whose paper it comes, at no place of that one's. */
export function wishOf(item: Pick<Item, 'wishes'>, { key, paperFrom }: Pick<Blank, 'key' | 'paperFrom'>): Wish | null {
  if (paperFrom === undefined) return item.wishes[key] ?? null;
  const shared = item.wishes[paperFrom];
  if (!shared) return null;
  const { built: _seams, ...wish } = withoutPlace(shared);
  return wish;
}

const withoutPlace = ({ from: _place, ...anywhere }: Wish): Wish => anywhere;

/** What of a layer lies on each page of a spread, as it is cut; null where it lies on one. */
function halvesOf(box: Rect, piece: Size, seam: Seam, mark: Mark, trimmed: Ticks = ZERO): Size[] | null {
  const [left, right] = [seam.x - box.x + trimmed, box.x + box.width - seam.x - seam.width];
  if (left <= 0 || right <= 0) return null;
  const first = roundToMark(ticks(left), mark, 'nearest');
  // what was cut too long on purpose is so at its outer ends
  const second = ticks(piece.width - first - (seam.width ? roundToMark(seam.width, mark, 'nearest') : 0));
  return [first, second].filter((width) => width > 0).map((width) => ({ width: ticks(width), height: piece.height }));
}
