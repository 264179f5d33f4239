import { formatExactLength, ticks, type LengthText, type Mark } from '@temnex/core/length';
import { areaWithin, isSelfCrossing, type Point } from '@temnex/core/geometry';
import type { StockItem } from '@temnex/core/stock';

/* An odd scrap traced by its corners: points in ticks, x to the right and y up, from wherever one began. */

export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** To the nearest mark of the cutter. */
export const snapToMark = ({ x, y }: Spot, { step }: Mark): Spot => ({
  x: Math.round(x / step) * step,
  y: Math.round(y / step) * step,
});

export const lengthBetween = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y);

/** The edges between corners as they stand: closed once there are three. */
export function listDrawnEdges(
  corners: readonly Spot[],
): { readonly from: Spot; readonly to: Spot; readonly i: number }[] {
  const edges = corners.map((from, i) => ({ from, to: corners[(i + 1) % corners.length]!, i }));
  return corners.length > 2 ? edges : edges.slice(0, Math.max(0, corners.length - 1));
}

/** The second of two corners moved along their edge, so that it is so long, and snapped. */
export function setEdgeLength(from: Spot, to: Spot, length: number, mark: Mark): Spot {
  const now = lengthBetween(from, to) || 1;
  return snapToMark(
    { x: from.x + ((to.x - from.x) * length) / now, y: from.y + ((to.y - from.y) * length) / now },
    mark,
  );
}

export type TracedScrap =
  | { readonly ok: true; readonly outline: [LengthText, LengthText][]; readonly width: string; readonly height: string }
  | { readonly ok: false; readonly why: 'few' | 'crosses' | 'nothing' | 'many' };

/** What was traced as an item has it: corners counted from its lower left, and how far it reaches. */
export function buildTracedScrap(corners: readonly Spot[], unit: StockItem['unit']): TracedScrap {
  if (corners.length < 3) return { ok: false, why: 'few' };
  if (corners.length > 60) return { ok: false, why: 'many' };
  const [left, bottom] = [Math.min(...corners.map((p) => p.x)), Math.min(...corners.map((p) => p.y))];
  const moved = corners.map((p): Point => ({ x: ticks(p.x - left), y: ticks(p.y - bottom) }));
  if (isSelfCrossing(moved)) return { ok: false, why: 'crosses' };
  if (!areaWithin(moved)) return { ok: false, why: 'nothing' };
  const text = (t: number): LengthText => (t ? formatExactLength(ticks(t), unit) : 0);
  return {
    ok: true,
    outline: moved.map((p) => [text(p.x), text(p.y)]),
    width: String(text(Math.max(...moved.map((p) => p.x)))),
    height: String(text(Math.max(...moved.map((p) => p.y)))),
  };
}
