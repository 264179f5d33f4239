import { formatExactLength, parseLength, ticks, type LengthProblem, type Ticks, type Unit } from '../length/index.ts';
import type { Rect, Size } from '../geometry/index.ts';
import type { Place } from './document.ts';

/*
 * Where an item lies, along one axis at a time:
 *
 *     left      left-third     centre    right-third    right
 *     |[item]      |[item]|   [ item ]    |[item]|     [item]|      of the room, or of another item
 *     [item]|other                       other|[item]               before and after another item
 */

export type Axis = 'across' | 'upDown';
interface Stretch {
  readonly from: number;
  readonly length: number;
}

const along = (box: Rect, axis: Axis): Stretch =>
  axis === 'across' ? { from: box.x, length: box.width } : { from: box.y, length: box.height };

/** Where something of a length begins within a stretch when `by` is nothing, and whether `by` counts backwards from there. */
function anchor(from: Place[Axis]['from'], length: number, within: Stretch): { at: number; back: boolean } {
  const third = (n: number) => within.from + Math.floor((within.length * n) / 3 - length / 2);
  switch (from) {
    case 'left':
    case 'bottom':
      return { at: within.from, back: false };
    case 'right':
    case 'top':
      return { at: within.from + within.length - length, back: true };
    case 'centre':
      return { at: within.from + Math.floor((within.length - length) / 2), back: false };
    case 'left-third':
    case 'lower-third':
      return { at: third(1), back: false };
    case 'right-third':
    case 'upper-third':
      return { at: third(2), back: false };
    case 'before':
      return { at: within.from - length, back: true };
    case 'after':
      return { at: within.from + within.length, back: false };
  }
}

/** The lower or left end of an item along an axis, in ticks of the page; or why its distance does not read. */
export function computePlaceAlong(
  axis: Axis,
  { from, by }: Place[Axis],
  size: Size,
  within: Rect,
  unit: Unit,
): { ok: true; at: Ticks } | { ok: false; problem: LengthProblem } {
  const read = parseLength(by, unit, { allow: 'negative' });
  if (!read.ok) return { ok: false, problem: read.problem };
  const { at, back } = anchor(from, axis === 'across' ? size.width : size.height, along(within, axis));
  return { ok: true, at: ticks(at + (back ? -read.value.ticks : read.value.ticks)) };
}

/** The distance that puts an item to where it begins at `at`, counted from another edge. */
export function computeDistanceFrom(
  axis: Axis,
  from: Place[Axis]['from'],
  at: number,
  size: Size,
  within: Rect,
  unit: Unit,
): string {
  const { at: zero, back } = anchor(from, axis === 'across' ? size.width : size.height, along(within, axis));
  return formatExactLength(ticks(back ? zero - at : at - zero), unit);
}
