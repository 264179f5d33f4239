import { type CompiledJob } from '../blanks/compile.ts';
import type { Layout } from './layout.ts';
import { type PlacementWeights } from './layout.ts';
import { buildTree } from './buildTree.ts';

/** An order in which to place kinds of pieces: the larger the key, the earlier. */
export type PlacementOrder = (c: CompiledJob, k: number) => number;
export const PLACEMENT_ORDERS: readonly PlacementOrder[] = [
  (c, k) => c.area[k]!,
  (c, k) => Math.max(c.width[k]!, c.height[k]!) * 4e6 + Math.min(c.width[k]!, c.height[k]!),
  (c, k) => c.height[k]! * 4e6 + c.width[k]!,
  (c, k) => c.width[k]! * 4e6 + c.height[k]!,
  (c, k) => c.width[k]! + c.height[k]!,
  (c, k) => Math.min(c.width[k]!, c.height[k]!) * 4e6 + Math.max(c.width[k]!, c.height[k]!),
];

export const DEFAULT_WEIGHTS: PlacementWeights = { leftover: 0.3, opening: 0.1, dislike: 0.5, blink: 0, noise: 0 };

/** A taste by chance, so that the search does not repeat itself. */
export function drawWeights(random: () => number): PlacementWeights {
  const one = (list: readonly number[]) => list[Math.floor(random() * list.length)]!;
  const roll = random();
  return {
    leftover: one([0.02, 0.1, 0.3, 0.6, 1]),
    opening: one([0.02, 0.1, 0.4]),
    dislike: one([0.1, 0.5, 2]),
    blink: roll < 0.3 ? 0 : roll < 0.8 ? 0.02 : 0.1,
    noise: one([0, 0.6, 1.8]),
  };
}

/** Kinds in the pool by falling urgency, then by an order. */
export function sequenceKinds(layout: Layout, order: PlacementOrder, noise: () => number): number[] {
  const { c, pool } = layout;
  const kinds: { k: number; key: number }[] = [];
  for (let k = 0; k < c.pieceCount; k++) if (pool[k]! > 0) kinds.push({ k, key: order(c, k) * noise() });
  kinds.sort((a, b) => c.urgency[b.k]! - c.urgency[a.k]! || b.key - a.key || a.k - b.k);
  return kinds.map(({ k }) => k);
}

/** Places what is in the pool, kind by kind, where it fits best; what fits nowhere stays there. */
export function placePool(
  layout: Layout,
  kinds: readonly number[],
  taste: PlacementWeights,
  budget: number,
  random: () => number,
  over: () => boolean = () => false,
): void {
  const { c } = layout;
  for (const k of kinds) {
    let refused = -1;
    layout.hurried = over();
    while (layout.pool[k]! > 0 && layout.seek(k, taste, budget, random, refused)) {
      const b = layout.put(k);
      // a cut that the cutter cannot make: take it back, and look elsewhere once
      if (c.delicate[layout.stock[b]!] && !buildTree(layout, b)) {
        layout.remove(layout.newest);
        if (refused >= 0) break;
        refused = b;
      }
    }
  }
  layout.hurried = false;
}
