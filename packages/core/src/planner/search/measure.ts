import { addTreeFigures, emptyFigures } from '../sheets/tree.ts';
import { type Layout } from './layout.ts';
import { LEAF } from './sheetTrees.ts';
import { measureCuts, buildTree, type CutFigures } from './buildTree.ts';

/** What one sheet of a layout amounts to. Areas in square ticks. */
export interface SheetFigures extends CutFigures {
  /** Places of its paper in the lists of its pieces, added up. */
  disliked: number;
  pieceArea: number;
}

/** Adds up a sheet without building its tree, except where a cutter may refuse a cut. */
export function measureSheet(layout: Layout, b: number, out: SheetFigures): void {
  const { c } = layout;
  const s = layout.stock[b]!;
  // what a frame wastes is counted with the frame
  out.waste = c.blanks[s]!.frame < 0 ? c.stockArea[s]! - c.roomWidth[s]! * c.roomHeight[s]! : 0;
  out.largestKept = out.cuts = out.disliked = out.pieceArea = 0;
  for (let n = layout.root[b]!; n >= 0; n = layout.after(n)) {
    if (layout.kind[n] !== LEAF) continue;
    const k = layout.piece[n]!;
    out.disliked += c.place[k * c.stockCount + s]!;
    out.pieceArea += c.area[k]!;
  }
  if (c.delicate[s]) {
    const made = buildTree(layout, b);
    if (!made) return;
    const figures = addTreeFigures(made, c.kerf, emptyFigures());
    out.waste += figures.waste + figures.kerf;
    out.largestKept = figures.largestKept;
    out.cuts = figures.cuts;
    return;
  }
  measureCuts(layout, b, out);
}
