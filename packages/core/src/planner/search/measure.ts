import { figuresOf, noFigures, worthKeeping } from '../tree.ts';
import { COLUMN, LEAF, ROW, type Layout } from './layout.ts';
import { realise } from './realise.ts';
import { roundUp, uprightIsBetter } from './leftover.ts';

/** What one sheet of a layout amounts to. Areas in square ticks. */
export interface SheetFigures {
  waste: number;
  largestKept: number;
  cuts: number;
  /** Places of its paper in the lists of its pieces, added up. */
  disliked: number;
  pieceArea: number;
}

/**
 * Adds up a sheet without building its tree: the same decisions as `realise`, as numbers only, since the search asks
 * for them after every change.
 */
export class Measure {
  private readonly layout: Layout;
  private out: SheetFigures = { waste: 0, largestKept: 0, cuts: 0, disliked: 0, pieceArea: 0 };

  constructor(layout: Layout) {
    this.layout = layout;
  }

  sheet(b: number, out: SheetFigures): void {
    const { layout } = this;
    const { c } = layout;
    const s = layout.stock[b]!;
    this.out = out;
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
      const made = realise(layout, b);
      if (!made) return;
      const figures = figuresOf(made, c.kerf, noFigures());
      out.waste += figures.waste + figures.kerf;
      out.largestKept = figures.largestKept;
      out.cuts = figures.cuts;
      return;
    }
    this.node(layout.root[b]!, c.roomWidth[s]!, c.roomHeight[s]!);
  }

  private offcut(width: number, height: number): void {
    const area = width * height;
    if (!worthKeeping(width, height, this.layout.c.job.keep)) this.out.waste += area;
    else if (area > this.out.largestKept) this.out.largestKept = area;
  }

  /** One more cut that takes `left` off, kerf included, along a line of length `across`. */
  private takeOff(left: number, across: number, upright: boolean): void {
    const { kerf } = this.layout.c;
    this.out.cuts++;
    this.out.waste += Math.min(left, kerf) * across;
    if (left > kerf) this.offcut(upright ? left - kerf : across, upright ? across : left - kerf);
  }

  private node(n: number, roomW: number, roomH: number): void {
    const { layout } = this;
    const kind = layout.kind[n]!;
    const width = kind === ROW ? layout.runLength(n) : layout.w[n]!;
    const height = kind === COLUMN ? layout.runLength(n) : layout.h[n]!;
    const a = roomW - width;
    const b = roomH - height;
    if (kind === LEAF && a === 0 && b === 0) return;
    if (kind !== LEAF && (kind === ROW ? b : a) === 0) return this.run(n, roomW, roomH, kind === ROW);
    const upright = b === 0 || (a !== 0 && uprightIsBetter(layout, n, roomW, roomH, width, height));
    if (upright) {
      const size = kind === ROW && b !== 0 ? roundUp(width, layout.c) : width;
      this.takeOff(roomW - size, roomH, true);
      this.node(n, size, roomH);
    } else {
      const size = kind === COLUMN && a !== 0 ? roundUp(height, layout.c) : height;
      this.takeOff(roomH - size, roomW, false);
      this.node(n, roomW, size);
    }
  }

  private run(n: number, roomW: number, roomH: number, row: boolean): void {
    const { layout } = this;
    const across = row ? roomH : roomW;
    let children = 0;
    for (let child = layout.first[n]!; child >= 0; child = layout.next[child]!) {
      children++;
      this.node(child, row ? layout.w[child]! : roomW, row ? roomH : layout.h[child]!);
    }
    this.out.cuts += children - 1;
    this.out.waste += (children - 1) * layout.c.kerf * across;
    const left = (row ? roomW : roomH) - layout.runLength(n);
    if (left > 0) this.takeOff(left, across, row);
  }
}
