import { formatExactLength, parseLength, ticks, type LengthText } from '../length/index.ts';
import { seededRandom } from '../chance/index.ts';
import type { DerivedItem, DerivedPage } from './derive.ts';
import type { Item, Page, Place } from './document.ts';
import { changeItem } from './edit.ts';
import { dropItem } from './snapTargets.ts';
import { computeDistanceFrom, type Axis } from './place.ts';

/* Several items at once: lined up, spread, the same gap between them, two swapped, all tilted a little. */

const LOW = { across: 'x', upDown: 'y' } as const;
const LONG = { across: 'width', upDown: 'height' } as const;
export type End = 'low' | 'middle' | 'high';
const FROM: Readonly<Record<Axis, Readonly<Record<End, Place[Axis]['from']>>>> = {
  across: { low: 'left', middle: 'centre', high: 'right' },
  upDown: { low: 'bottom', middle: 'centre', high: 'top' },
};

const chosenOf = (derived: DerivedPage, ids: readonly string[]): DerivedItem[] =>
  ids.flatMap((id) => derived.items.get(id) ?? []);
const inOrder = (items: readonly DerivedItem[], axis: Axis) =>
  [...items].sort((a, b) => a.box[LOW[axis]] - b.box[LOW[axis]]);
/** Moves an item along one axis to where it begins there; it counts from an edge of its room then. */
const moveAlong = (page: Page, derived: DerivedPage, { item, box }: DerivedItem, axis: Axis, to: number): Page =>
  dropItem(page, derived, item.id, axis === 'across' ? { x: to, y: box.y } : { x: box.x, y: to });

/** Lines items up with the first of them, by an end or their middles: they stay lined up, whatever size they get. */
export function lineUpItems(page: Page, derived: DerivedPage, ids: readonly string[], axis: Axis, end: End): Page {
  const [first, ...others] = chosenOf(derived, ids);
  if (!first) return page;
  const of = first.item.id;
  // what the first itself counts from cannot count from it
  const leans = new Set([first.item.at.across.of, first.item.at.upDown.of]);
  return others.reduce((next, d) => {
    const place = { from: FROM[axis][end], by: '0', of } as Place[Axis];
    if (!leans.has(d.item.id)) return changeItem(next, d.item.id, { at: { ...atOf(next, d), [axis]: place } as Place });
    const spare = first.box[LONG[axis]] - d.box[LONG[axis]];
    const off = end === 'low' ? 0 : end === 'middle' ? Math.floor(spare / 2) : spare;
    return moveAlong(next, derived, d, axis, first.box[LOW[axis]] + off);
  }, page);
}
const atOf = (page: Page, d: DerivedItem): Place => page.items.find((i) => i.id === d.item.id)!.at;

/**
 * Spreads items evenly between the two outermost, which stay: gaps on the mark as even as they come out, each place counted from the
 * first and rounded once. Null: they have no room beside each other, or are fewer than three.
 */
export function distributeItems(page: Page, derived: DerivedPage, ids: readonly string[], axis: Axis): Page | null {
  const items = inOrder(chosenOf(derived, ids), axis);
  const [first, last] = [items[0], items.at(-1)];
  if (items.length < 3 || !first || !last) return null;
  const [low, long] = [LOW[axis], LONG[axis]];
  const from = first.box[low];
  const free = last.box[low] + last.box[long] - from - items.reduce((sum, d) => sum + d.box[long], 0);
  if (free < 0) return null;
  const { step } = derived.mark;
  let before = 0;
  return items.reduce((next, d, i) => {
    const at = from + before + Math.round((free * i) / (items.length - 1) / step) * step;
    before += d.box[long];
    return i === 0 || i === items.length - 1 ? next : moveAlong(next, derived, d, axis, at);
  }, page);
}

/** The same gap between items, from the first in the row on: each counts from the one before it. Null: the gap does not read. */
export function setSameGap(
  page: Page,
  derived: DerivedPage,
  ids: readonly string[],
  axis: Axis,
  gap: LengthText,
): Page | null {
  if (!parseLength(gap, page.unit, { allow: 'zero' }).ok) return null;
  const items = inOrder(chosenOf(derived, ids), axis);
  // the first counts from none of the others
  const [first] = items;
  if (!first) return page;
  const free = items.some((d) => d.item.id === first.item.at[axis].of)
    ? changeItem(page, first.item.id, {
        at: { ...first.item.at, [axis]: edgePlace(axis, first, page) } as Place,
      })
    : page;
  return items.slice(1).reduce((next, d, i) => {
    const place = { from: 'after', by: gap, of: items[i]!.item.id } as Place[Axis];
    return changeItem(next, d.item.id, { at: { ...atOf(next, d), [axis]: place } as Place });
  }, free);
}

function edgePlace(axis: Axis, d: DerivedItem, page: Page): Place[Axis] {
  const from = axis === 'across' ? ('left' as const) : ('bottom' as const);
  return { from, by: computeDistanceFrom(axis, from, d.box[LOW[axis]], d.box, d.room, page.unit) } as Place[Axis];
}

/** Two items change places, middle for middle. */
export function swapPlaces(page: Page, derived: DerivedPage, a: string, b: string): Page {
  const [first, second] = chosenOf(derived, [a, b]);
  if (!first || !second) return page;
  const middle = ({ box }: DerivedItem) => ({ x: box.x + box.width / 2, y: box.y + box.height / 2 });
  const { step } = derived.mark;
  const to = (d: DerivedItem, m: { x: number; y: number }) => ({
    x: onMark(m.x - d.box.width / 2, step),
    y: onMark(m.y - d.box.height / 2, step),
  });
  return dropItem(dropItem(page, derived, a, to(first, middle(second))), derived, b, to(second, middle(first)));
}
const onMark = (n: number, step: number): number => Math.round(n / step) * step;

/** Degrees in steps of half of one, to either side. */
export const MAX_TILT_DEGREES = 45;
const TILT_STEP = 0.5;

/** Tilts an item, counter-clockwise; none at 0. */
export function tiltItem(page: Page, id: string, degrees: number): Page {
  const tilt = Math.round(Math.max(-MAX_TILT_DEGREES, Math.min(MAX_TILT_DEGREES, degrees)) / TILT_STEP) * TILT_STEP;
  return {
    ...page,
    items: page.items.map((item): Item => {
      if (item.id !== id) return item;
      const { tilt: _was, ...straight } = item;
      return tilt === 0 ? straight : { ...straight, tilt };
    }),
  };
}

/** Tilts items each its own way, by up to so many degrees: the same seed, the same page. */
export function scatterTilts(page: Page, ids: readonly string[], seed: number, most: number): Page {
  const random = seededRandom(seed);
  return ids.reduce((next, id) => tiltItem(next, id, (random() * 2 - 1) * most), page);
}

/** A gap as it is typed, between the first two of several: what to begin with. */
export function gapTextBetween(page: Page, derived: DerivedPage, ids: readonly string[], axis: Axis): string {
  const [a, b] = inOrder(chosenOf(derived, ids), axis);
  const gap = a && b ? b.box[LOW[axis]] - a.box[LOW[axis]] - a.box[LONG[axis]] : 0;
  return gap > 0 ? formatExactLength(ticks(gap), page.unit) : '0';
}
