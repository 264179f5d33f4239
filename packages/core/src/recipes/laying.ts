import { roundToMark, ticks, type Mark, type Rounding, type Ticks } from '../length/index.ts';
import type { Rect, Size } from '../geometry/index.ts';
import type { Blank } from './blanks.ts';
import type { FieldPath } from './fields.ts';
import type { Dim, Layer } from './recipe.ts';

/* The usual of what recipes give: a whole rectangle of paper, cut on the mark. */

/** A layer that is the whole of its box; cut from the blank of its own key unless said otherwise. */
export const makeLayer = (layer: Pick<Layer, 'key' | 'role' | 'n' | 'box' | 'group'> & Partial<Layer>): Layer => ({
  shape: null,
  opaque: true,
  blank: layer.key,
  entry: null,
  sized: { width: [...layer.group, 'width'], height: [...layer.group, 'height'] },
  ...layer,
});

/** A print that is there already: nothing is cut for it. */
export const makePrint = (box: Rect, group: FieldPath): Layer =>
  makeLayer({ key: 'print', role: 'print', n: 1, box, group, blank: null });

/** A rectangle to cut: its exact size goes to the mark the way that the recipe names; nothing that is cut is narrower than one. */
export function makeBlank(
  blank: Pick<Blank, 'key' | 'role' | 'n'> & Partial<Omit<Blank, 'width' | 'height' | 'off'>>,
  size: Size,
  mark: Mark,
  rounding: Rounding,
): Blank {
  const onMark = (length: Ticks) => ticks(Math.max(mark.step, roundToMark(length, mark, rounding)));
  const [width, height] = [onMark(size.width), onMark(size.height)];
  const off = { width: ticks(size.width - width), height: ticks(size.height - height) };
  return { quantity: 1, shape: null, marks: [], finish: [], yields: [], ...blank, width, height, off };
}

/** Width and height of something as large as the item itself, along its upper and its left edge. */
export const outerDimsOf = (group: FieldPath, { width, height }: Size): Dim[] => {
  const at = (x: number, y: number) => ({ x: ticks(x), y: ticks(y) });
  return [
    { kind: 'span', path: [...group, 'width'], from: at(0, height), to: at(width, height), side: 'top' },
    { kind: 'span', path: [...group, 'height'], from: at(0, 0), to: at(0, height), side: 'left' },
  ];
};

/** Layers that lie side by side, those of one blank together: so they are one row where layers are listed. */
export const sortByBlank = (layers: readonly Layer[]): Layer[] => {
  const order = [...new Set(layers.map((l) => l.blank))].sort();
  return order.flatMap((blank) => layers.filter((l) => l.blank === blank));
};
