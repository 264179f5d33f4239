import { FLAT, UPRIGHT, type Compiled } from './compile.ts';

/** What the best possible plan of a tiny job needs. */
export interface Best {
  readonly missing: number;
  readonly newSheets: number;
}

/**
 * Tries every edge-to-edge layout of a tiny job (no kerf, no cutter limits): for the tests to hold the search against.
 * Which sets of pieces fit a rectangle is found over all first cuts at sums of piece sizes; exponential, for up to
 * about six pieces.
 */
export function bruteForce(c: Compiled): Best {
  const kinds: number[] = [];
  for (let k = 0; k < c.pieceCount; k++) for (let i = 0; i < c.quantity[k]!; i++) kinds.push(k);
  const all = (1 << kinds.length) - 1;
  const memo = new Map<string, boolean>();
  const cuts = new Set<number>([0]);
  for (const k of kinds)
    for (const base of [...cuts]) for (const size of [c.width[k]!, c.height[k]!]) cuts.add(base + size);

  const fits = (set: number, w: number, h: number, s: number): boolean => {
    if (!set) return true;
    const key = `${set} ${w} ${h} ${s}`;
    const known = memo.get(key);
    if (known !== undefined) return known;
    const answer = tryFit(set, w, h, s);
    memo.set(key, answer);
    return answer;
  };
  const tryFit = (set: number, w: number, h: number, s: number): boolean => {
    let area = 0;
    for (let i = 0; i < kinds.length; i++) if (set & (1 << i)) area += c.area[kinds[i]!]!;
    if (area > w * h) return false;
    if ((set & (set - 1)) === 0) {
      const k = kinds[31 - Math.clz32(set)]!;
      const ways = c.ways[k * c.stockCount + s]!;
      const square = c.width[k] === c.height[k];
      return Boolean(
        (ways & UPRIGHT && c.width[k]! <= w && c.height[k]! <= h) ||
        ((ways & FLAT || (ways && square)) && c.height[k]! <= w && c.width[k]! <= h),
      );
    }
    for (let part = (set - 1) & set; part; part = (part - 1) & set) {
      for (const at of cuts) {
        if (at > 0 && at < w && fits(part, at, h, s) && fits(set ^ part, w - at, h, s)) return true;
        if (at > 0 && at < h && fits(part, w, at, s) && fits(set ^ part, w, h - at, s)) return true;
      }
    }
    return false;
  };

  const items: number[] = [];
  for (let s = 0; s < c.stockCount; s++) for (let i = 0; i < Math.min(c.copies[s]!, kinds.length); i++) items.push(s);
  // least[set]: fewest new sheets that hold the set, using the items seen so far
  let least = new Map<number, number>([[0, 0]]);
  for (const s of items) {
    const next = new Map(least);
    for (const [set, used] of least) {
      const rest = all ^ set;
      for (let more = rest; more; more = (more - 1) & rest) {
        const cost = used + c.isNew[s]!;
        if (cost >= (next.get(set | more) ?? Infinity)) continue;
        if (fits(more, c.roomWidth[s]!, c.roomHeight[s]!, s)) next.set(set | more, cost);
      }
    }
    least = next;
  }
  let best: Best = { missing: kinds.length, newSheets: 0 };
  for (const [set, newSheets] of least) {
    const missing = kinds.length - set.toString(2).replaceAll('0', '').length;
    if (missing < best.missing || (missing === best.missing && newSheets < best.newSheets))
      best = { missing, newSheets };
  }
  return best;
}
