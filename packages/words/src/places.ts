import { ZERO, parseLength, type Unit } from '@temnex/core/length';
import type { Axis, Place } from '@temnex/core/page';
import { formatLengthWithDifference, type Voice } from './lengths.ts';

/** Below the point that is counted from, and above it; an item's own name stands behind. */
const SIDES: Readonly<Record<Axis, readonly [below: string, above: string]>> = {
  across: ['left of', 'right of'],
  upDown: ['below', 'above'],
};
const EDGES: Readonly<Partial<Record<Place[Axis]['from'], string>>> = {
  left: 'the left edge',
  right: 'the right edge',
  bottom: 'the bottom edge',
  top: 'the top edge',
};
const THIRDS: Readonly<Partial<Record<Place[Axis]['from'], string>>> = {
  'left-third': 'the left third',
  'right-third': 'the right third',
  'lower-third': 'the lower third',
  'upper-third': 'the upper third',
};

/**
 * Where an item lies along one axis, as people point: `1¼ left of center`, `2 from the bottom edge`, `directly above the title`.
 * Typed lengths are shown as figures of the mark, never as decimals. `nameOf` says how items are called.
 */
export function describePlaceAlong(
  axis: Axis,
  { from, by, of }: Place[Axis],
  unit: Unit,
  voice: Voice,
  nameOf: (item: string) => string,
): string {
  const read = parseLength(by, unit, { allow: 'negative' });
  const length = read.ok ? read.value.ticks : ZERO;
  const far = formatLengthWithDifference(Math.abs(length), voice);
  const other = of === undefined ? null : nameOf(of);
  const [below, above] = SIDES[axis];
  const beside = length < 0 ? below : above;
  const edge = EDGES[from];
  if (edge) {
    const name = other === null ? edge : `${edge} of ${other}`;
    if (!length) return other === null ? `at ${edge}` : `flush with ${name}`;
    return length > 0 ? `${far} ${other === null ? 'from' : 'in from'} ${name}` : `${far} past ${name}`;
  }
  const third = THIRDS[from];
  if (third) {
    const name = other === null ? third : `${third} of ${other}`;
    return length ? `${far} ${beside} ${name}` : `on ${name}`;
  }
  if (from === 'centre') {
    const name = other === null ? 'center' : `the middle of ${other}`;
    if (length) return `${far} ${beside} ${name}`;
    const way = axis === 'across' ? 'across' : 'up and down';
    return other === null ? `centered ${way}` : `centered ${way} on ${other}`;
  }
  const side = from === 'before' ? below : above;
  const name = other ?? 'what is gone';
  if (!length) return `directly ${side} ${name}`;
  return length > 0 ? `${far} ${side} ${name}` : `${side} ${name}, overlapping it by ${far}`;
}

/** Both axes together: `2 from the left edge, 1¼ below center`. */
export function describePlace(
  { across, upDown }: Place,
  unit: Unit,
  voice: Voice,
  nameOf: (item: string) => string,
): string {
  const [x, y] = [
    describePlaceAlong('across', across, unit, voice, nameOf),
    describePlaceAlong('upDown', upDown, unit, voice, nameOf),
  ];
  return x === 'centered across' && y === 'centered up and down' ? 'centered on the page' : `${x}, ${y}`;
}
