import { FLAT, UPRIGHT } from '../blanks/compile.ts';
import { COLUMN, LEAF, ROW, SheetTrees } from './sheetTrees.ts';

/** How the next insertion weighs a place; drawn anew now and then so that the search does not repeat itself. */
export interface PlacementWeights {
  /** Price of room left beside the piece, per area: near 0 takes the tightest outline, near 1 the tightest strip. */
  readonly leftover: number;
  /** Price of the area left on a stock item that is opened for the piece. */
  readonly opening: number;
  /** Price of a less liked paper, per area of the piece. */
  readonly dislike: number;
  /** Chance of overlooking a place. */
  readonly blink: number;
  /** How far chance may change the price of opening an item, as a share of it. */
  readonly noise: number;
}

const OPEN_NEW = 1e15;
/** Above this many pieces nothing but the first construction is worth its time. */
export const MANY_PIECES = 3000;
const LAST_SHEETS = 60;

/**
 * Sheets being cut, and where the next piece goes on them: `seek` prices every place that is free and remembers the cheapest, `put`
 * puts the piece there.
 */
export class Layout extends SheetTrees {
  // the place found by `seek`
  private atNode = -1;
  private atStock = -1;
  private atFlat = 0;
  private atRow = 0;
  /** The time is over, and all that is left must be placed at once. */
  hurried = false;

  /** Looks for the best place for one copy of k, opening new paper only up to `budget` of area. Remembers it for `put`. */
  seek(k: number, taste: PlacementWeights, budget: number, random: () => number, skipSheet: number): boolean {
    return this.seekStock(k, taste, budget, random, this.seekBeside(k, taste, random, skipSheet)) < Infinity;
  }

  /** Looks for the best place for one copy of k on the sheets that are opened. Gives what it costs, and remembers it for `put`. */
  seekBeside(k: number, taste: PlacementWeights, random: () => number, skipSheet = -1): number {
    const { c, kind, parent, prev, w, h, roomW, roomH } = this;
    const S = c.stockCount;
    const area = c.area[k]!;
    const [kw, kh, kerf, loose] = [c.width[k]!, c.height[k]!, c.kerf, c.aligned ? 0 : 2 * c.step];
    let best = Infinity;
    this.atNode = this.atStock = -1;
    for (let b = this.oldest(); b < this.sheets; b++) {
      if (this.spare[b]! < area || b === skipSheet || this.full[b * c.pieceCount + k]) continue;
      const ks = k * S + this.stock[b]!;
      const ways = c.ways[ks]!;
      if (!ways) continue;
      const dislike = c.place[ks]! * taste.dislike * area;
      let room = false;
      for (let flat = 0; flat < 2; flat++) {
        if (!(ways & (flat ? FLAT : UPRIGHT))) continue;
        const pw = flat ? kh : kw;
        const ph = flat ? kw : kh;
        for (let n = this.root[b]!; n >= 0; n = this.after(n)) {
          const up = parent[n]!;
          const inKind = up < 0 ? 0 : kind[up]!;
          if (kind[n] !== ROW && (inKind !== ROW || prev[n]! < 0)) {
            const pad = loose && !(up < 0 ? kind[n] === LEAF : inKind === ROW && parent[up]! < 0) ? loose : 0;
            const left = roomW[n]! - pw - kerf - pad;
            const fits = left >= 0 && ph - h[n]! <= roomH[n]!;
            if (fits) room = true;
            if (fits && (taste.blink === 0 || random() >= taste.blink)) {
              const cost =
                dislike +
                this.price(
                  inKind === ROW ? w[up]! : w[n]!,
                  inKind === ROW ? h[up]! : h[n]!,
                  pw,
                  ph,
                  left,
                  h[n]! + roomH[n]!,
                  taste,
                );
              if (cost < best) {
                best = cost;
                this.remember(n, -1, flat, 1);
              }
            }
          }
          if (kind[n] !== COLUMN && (inKind !== COLUMN || prev[n]! < 0)) {
            const pad = loose && !(up < 0 ? kind[n] === LEAF : inKind === COLUMN && parent[up]! < 0) ? loose : 0;
            const left = roomH[n]! - ph - kerf - pad;
            const fits = left >= 0 && pw - w[n]! <= roomW[n]!;
            if (fits) room = true;
            if (fits && (taste.blink === 0 || random() >= taste.blink)) {
              const cost =
                dislike +
                this.price(
                  inKind === COLUMN ? h[up]! : h[n]!,
                  inKind === COLUMN ? w[up]! : w[n]!,
                  ph,
                  pw,
                  left,
                  w[n]! + roomW[n]!,
                  taste,
                );
              if (cost < best) {
                best = cost;
                this.remember(n, -1, flat, 0);
              }
            }
          }
        }
      }
      if (!room) this.full[b * c.pieceCount + k] = 1;
    }
    return best;
  }

  /** The first sheet that is looked at: in a hurry, only the last sheets opened. */
  private oldest(): number {
    return this.hurried ? Math.max(0, this.sheets - LAST_SHEETS) : 0;
  }

  /** The same among what may be opened for it, where that costs less than `best`. */
  private seekStock(k: number, taste: PlacementWeights, budget: number, random: () => number, best: number): number {
    const { c } = this;
    const S = c.stockCount;
    const [kw, kh, area] = [c.width[k]!, c.height[k]!, c.area[k]!];
    for (let s = 0; s < S; s++) {
      const ways = c.ways[k * S + s]!;
      if (!ways || this.opened[s]! >= c.copies[s]!) continue;
      const opensNew = c.isNew[s]!;
      if (opensNew && this.newArea + c.stockArea[s]! > budget) continue;
      if (taste.blink > 0 && !opensNew && random() < taste.blink) continue;
      const W = c.roomWidth[s]!;
      const H = c.roomHeight[s]!;
      for (let flat = 0; flat < 2; flat++) {
        if (!(ways & (flat ? FLAT : UPRIGHT))) continue;
        const pw = flat ? kh : kw;
        const ph = flat ? kw : kh;
        const slack = Math.min((W - pw) * H, (H - ph) * W);
        const luck = taste.noise ? 1 + taste.noise * (random() - 0.5) : 1;
        const cost =
          (taste.leftover * slack + taste.opening * (W * H - area)) * luck +
          c.place[k * S + s]! * taste.dislike * area +
          (opensNew ? OPEN_NEW + c.stockArea[s]! * (1 + taste.opening * random()) : 0);
        if (cost < best) {
          best = cost;
          this.remember(-1, s, flat, 0);
          if (this.hurried && !opensNew) return best;
        }
      }
    }
    return best;
  }

  /**
   * What a place costs: the area that the outlines waste for certain, and the room left over along the way,
   * at its full price where no piece could use it. (along, across) is the run that the piece joins.
   */
  private price(
    along: number,
    across: number,
    p: number,
    q: number,
    left: number,
    crossRoom: number,
    taste: PlacementWeights,
  ): number {
    const higher = q > across ? q : across;
    const wasted = (higher - across) * along + (higher - q) * p;
    const over = crossRoom - higher;
    const thin = this.c.thinnest;
    return wasted + left * higher * (left < thin ? 1 : taste.leftover) + (over > 0 && over < thin ? over * p : 0);
  }

  private remember(node: number, stock: number, flat: number, row: number): void {
    this.atNode = node;
    this.atStock = stock;
    this.atFlat = flat;
    this.atRow = row;
  }

  /** Puts one copy of k where `seek` found room. Returns the sheet, and takes the copy out of the pool. */
  put(k: number): number {
    const { c } = this;
    const leaf = (this.newest = this.take());
    this.kind[leaf] = LEAF;
    this.piece[leaf] = k;
    this.flat[leaf] = this.atFlat;
    this.w[leaf] = this.atFlat ? c.height[k]! : c.width[k]!;
    this.h[leaf] = this.atFlat ? c.width[k]! : c.height[k]!;
    this.pool[k]!--;
    let b: number;
    if (this.atNode < 0) {
      const s = this.atStock;
      b = this.sheets++;
      this.stock[b] = s;
      this.root[b] = leaf;
      this.spare[b] = c.roomWidth[s]! * c.roomHeight[s]!;
      this.opened[s]!++;
      if (c.isNew[s]) this.newArea += c.stockArea[s]!;
      this.sheet[leaf] = b;
    } else {
      b = this.sheet[this.atNode]!;
      this.sheet[leaf] = b;
      this.beside(this.atNode, leaf, this.atRow ? ROW : COLUMN);
    }
    this.spare[b]! -= c.area[k]!;
    // a root that now stands inside a run has become a setting: it is measured anew too
    const wrapped = this.atNode >= 0 && this.kind[this.atNode] !== LEAF ? this.atNode : this.parent[leaf]!;
    this.grow(wrapped);
    this.spread(b);
    return b;
  }
}
