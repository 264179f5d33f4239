import { FLAT, UPRIGHT, type CompiledJob } from '../src/planner/blanks/compile.ts';
import { ExactSheet, type Copy } from '../src/planner/sheets/exactSheet.ts';

/** What the best possible plan of a tiny job amounts to: square ticks missing, of new paper opened, and wasted. */
export interface Best {
  readonly missing: number;
  readonly newArea: number;
  readonly waste: number;
}

/**
 * Tries every edge-to-edge layout of a tiny job (no kerf, no cutter limits): for the tests and the benchmarks to hold the
 * search against. The least waste of a set of pieces in a rectangle is found over all first cuts at sums of piece sizes;
 * exponential, for up to about six pieces.
 */
export function bruteForce(c: CompiledJob): Best {
  const kinds: number[] = [];
  for (let k = 0; k < c.pieceCount; k++) for (let i = 0; i < c.quantity[k]!; i++) kinds.push(k);
  // [s] ways differ from item to item
  const exact = c.blanks.map((_, s) => {
    const copies = kinds.map((k): Copy => {
      const ways = c.ways[k * c.stockCount + s]!;
      const way = (flat: boolean) => ({ turn: flat ? (90 as const) : (0 as const), side: 'A' as const });
      const square = c.width[k] === c.height[k];
      const upright = ways & UPRIGHT ? way(false) : null;
      const flat = ways & FLAT || (ways && square) ? way(true) : null;
      return { k, width: c.width[k]!, height: c.height[k]!, upright, flat };
    });
    return new ExactSheet(copies, c.job);
  });
  const all = (1 << kinds.length) - 1;
  const area = (set: number) => kinds.reduce((sum, k, i) => sum + (set & (1 << i) ? c.area[k]! : 0), 0);

  const items: number[] = [];
  for (let s = 0; s < c.stockCount; s++) for (let i = 0; i < Math.min(c.copies[s]!, kinds.length); i++) items.push(s);
  // best[set]: least new paper, then least waste, that holds the set, using the items seen so far
  let states = new Map<number, { newArea: number; waste: number }>([[0, { newArea: 0, waste: 0 }]]);
  for (const s of items) {
    const next = new Map(states);
    for (const [set, used] of states) {
      const rest = all ^ set;
      for (let more = rest; more; more = (more - 1) & rest) {
        const waste = exact[s]!.least(more, c.roomWidth[s]!, c.roomHeight[s]!);
        if (waste === Infinity) continue;
        const now = { newArea: used.newArea + (c.isNew[s] ? c.stockArea[s]! : 0), waste: used.waste + waste };
        const known = next.get(set | more);
        if (!known || now.newArea < known.newArea || (now.newArea === known.newArea && now.waste < known.waste))
          next.set(set | more, now);
      }
    }
    states = next;
  }
  const ranked = [...states].map(([set, { newArea, waste }]) => ({ missing: area(all ^ set), newArea, waste }));
  return ranked.sort((a, b) => a.missing - b.missing || a.newArea - b.newArea || a.waste - b.waste)[0]!;
}
