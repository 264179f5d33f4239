import { FLAT, UPRIGHT, type CompiledJob } from '../blanks/compile.ts';

type Dual = (x: number) => number;

/** Dual feasible functions for lengths up to L: sums of values never pass L where sums of lengths do not. */
function dualFunctions(L: number, lengths: readonly number[]): Dual[] {
  const distinct = [...new Set(lengths.map((x) => Math.min(x, L - x + 1)).filter((x) => x > 0 && x * 2 <= L))];
  const every = Math.max(1, Math.ceil(distinct.length / 48));
  const thresholds = distinct.sort((a, b) => a - b).filter((_, i) => i % every === 0);
  const lifted = thresholds.map(
    (e): Dual =>
      (x) =>
        x > L - e ? L : x >= e ? x : 0,
  );
  // rounded to multiples of e, large ones by what they leave (J. Carlier, F. Clautiaux and A. Moukrim, 2007)
  const rounded = thresholds.flatMap((e): Dual[] => {
    const most = Math.floor(L / e);
    return [
      (x) => {
        if (2 * x > L) return ((most - Math.floor((L - x) / e)) * L) / most;
        return 2 * x === L ? L / 2 : (Math.floor(x / e) * L) / most;
      },
    ];
  });
  const stepped = [1, 2, 3, 4, 5].map(
    (m): Dual =>
      (x) =>
        ((m + 1) * x) % L === 0 ? x : (Math.floor(((m + 1) * x) / L) * L) / m,
  );
  return [(x) => x, ...lifted, ...rounded, ...stepped];
}

/** How many items at least the given pieces need, each item taken to be as large as the largest both ways. */
export function boundByLargePieces(
  c: CompiledJob,
  pieces: ReadonlyArray<{ k: number; n: number }>,
  fresh: readonly number[],
): number {
  const W = Math.max(...fresh.map((s) => c.roomWidth[s]!)) + c.kerf;
  const H = Math.max(...fresh.map((s) => c.roomHeight[s]!)) + c.kerf;
  const kinds = pieces.map(({ k, n }) => {
    const bits =
      fresh.reduce((all, s) => all | c.ways[k * c.stockCount + s]!, 0) | (c.width[k] === c.height[k] ? FLAT : 0);
    return { w: c.width[k]! + c.kerf, h: c.height[k]! + c.kerf, n, bits };
  });
  const lengths = kinds.flatMap((p) => [p.w, p.h]);
  const [across, upright] = [dualFunctions(W, lengths), dualFunctions(H, lengths)];
  let most = 0;
  for (const f of across) {
    for (const g of upright) {
      let sum = 0;
      for (const p of kinds) {
        const straight = p.bits & UPRIGHT ? f(p.w) * g(p.h) : Infinity;
        const flat = p.bits & FLAT ? f(p.h) * g(p.w) : Infinity;
        const value = Math.min(straight, flat);
        if (value < Infinity) sum += value * p.n;
      }
      most = Math.max(most, Math.ceil(sum / (W * H) - 1e-9));
    }
  }
  return Math.max(most, pairsAtMost(kinds, W, H));
}

interface LargeKind {
  readonly w: number;
  readonly h: number;
  readonly n: number;
  readonly bits: number;
}

/** More copies than this are not paired one by one. */
const MAX_PAIRED = 150;

/**
 * Of pieces larger than a third of a sheet, by area or by a dual feasible function, no three share one: as many sheets are
 * needed as there are pieces, less the pairs that could be made at the most. Half the pairs of a two-sided matching are
 * never fewer than those.
 */
function pairsAtMost(kinds: readonly LargeKind[], W: number, H: number): number {
  const step =
    (L: number, m: number): Dual =>
    (x) =>
      ((m + 1) * x) % L === 0 ? x : (Math.floor(((m + 1) * x) / L) * L) / m;
  const [across, upright] = [W, H].map((L): Dual[] => [(x) => x, ...[1, 2, 3].map((m) => step(L, m))]) as [
    Dual[],
    Dual[],
  ];
  let most = 0;
  for (const f of across) {
    for (const g of upright) {
      const large = kinds
        .filter(({ w, h, bits }) => {
          const straight = bits & UPRIGHT ? f(w) * g(h) : Infinity;
          const flat = bits & FLAT ? f(h) * g(w) : Infinity;
          return Math.min(straight, flat) * 3 > W * H;
        })
        .flatMap((kind) => new Array<LargeKind>(Math.min(kind.n, MAX_PAIRED + 1)).fill(kind));
      if (large.length > MAX_PAIRED || large.length <= most) continue;
      most = Math.max(most, Math.ceil(large.length - matching(large, W, H) / 2));
    }
  }
  return most;
}

/** Pairs in the largest matching of pieces with copies of themselves, a piece and another if both fit a sheet (H. W. Kuhn, 1955). */
function matching(large: readonly LargeKind[], W: number, H: number): number {
  const sizes = ({ w, h, bits }: LargeKind) => [...(bits & UPRIGHT ? [[w, h]] : []), ...(bits & FLAT ? [[h, w]] : [])];
  const fit = (a: LargeKind, b: LargeKind) =>
    sizes(a).some(([w, h]) => sizes(b).some(([v, g]) => w! + v! <= W || h! + g! <= H));
  const others = large.map((a, i) => large.flatMap((b, j) => (i !== j && fit(a, b) ? [j] : [])));
  const partner = new Int32Array(large.length).fill(-1);
  let seen = new Uint8Array(large.length);
  const augment = (i: number): boolean => {
    for (const j of others[i]!) {
      if (seen[j]) continue;
      seen[j] = 1;
      if (partner[j]! < 0 || augment(partner[j]!)) {
        partner[j] = i;
        return true;
      }
    }
    return false;
  };
  let pairs = 0;
  for (let i = 0; i < large.length; i++) {
    seen = new Uint8Array(large.length);
    if (augment(i)) pairs++;
  }
  return pairs;
}
