/*
 * Of many sheets that could be cut, the mix with the least waste that gives each piece as often as it is wanted and takes
 * each item as often as there is one: a set partitioning problem. Prices for the pieces (Lagrange multipliers, found by the
 * subgradient method of M. Held, P. Wolfe and H. Crowder, 1974) say which sheets can be in a better mix at all; of those,
 * all mixes are tried.
 */

/** A sheet that could be cut: of stock s, so many copies of some kinds of pieces, for a cost. */
export interface SheetOption {
  readonly s: number;
  readonly cost: number;
  readonly kinds: readonly number[];
  /** [i] copies of kinds[i] */
  readonly counts: readonly number[];
}

/** What a mix must hold: [k] copies wanted, [s] copies there are at the most, and the cost it must stay below. */
export interface MixTask<T extends SheetOption> {
  readonly columns: readonly T[];
  readonly wanted: Float64Array;
  readonly copies: Float64Array;
  /** [k] area, to begin with prices by */
  readonly area: Float64Array;
  readonly below: number;
  readonly over: () => boolean;
}

const ROUNDS = 250;
/** Sheets that are tried in all mixes, and steps of that. */
const MAX_TRIED = 1500;
const STEPS = 30_000;

/** The mix that costs least, or null where none below the limit is found, in the time or within the steps. */
export function findBestMix<T extends SheetOption>(task: MixTask<T>): T[] | null {
  const priced = pricedOf(task);
  const { columns } = priced;
  return columns.length && columns.length <= MAX_TRIED ? allMixes(task, priced) : null;
}

/** Sheets that can be in a better mix, and by how much each is over what its pieces are worth; no mix costs less than the bound. */
interface Priced<T> {
  readonly columns: readonly T[];
  readonly over: readonly number[];
  readonly bound: number;
}

function pricedOf<T extends SheetOption>({ columns, wanted, copies, area, below, over }: MixTask<T>): Priced<T> {
  const [K, S] = [wanted.length, copies.length];
  // to begin with, waste is shared out by area
  const all = area.reduce((sum, a, k) => sum + a * wanted[k]!, 0);
  let price = Float64Array.from(area, (a) => (a * below) / all);
  let best = { price, bound: -Infinity, lows: new Float64Array(S) };
  let step = 1;
  let idle = 0;
  let reduced = new Float64Array(0);
  const off = new Float64Array(K);
  for (let round = 1; round <= ROUNDS && !over(); round++) {
    reduced = new Float64Array(columns.length);
    const lows = new Float64Array(S);
    const low = new Int32Array(S).fill(-1);
    for (let j = 0; j < columns.length; j++) {
      const v = columns[j]!;
      reduced[j] = reducedCost(v, price);
      if (reduced[j]! < lows[v.s]!) [lows[v.s], low[v.s]] = [reduced[j]!, j];
    }
    let bound = 0;
    for (let k = 0; k < K; k++) bound += price[k]! * wanted[k]!;
    off.set(wanted);
    for (let s = 0; s < S; s++) {
      if (low[s]! < 0) continue;
      bound += lows[s]! * copies[s]!;
      const v = columns[low[s]!]!;
      for (let i = 0; i < v.kinds.length; i++) off[v.kinds[i]!]! -= v.counts[i]! * copies[s]!;
    }
    if (bound > best.bound + 1) {
      best = { price, bound, lows };
      idle = 0;
      // what cannot be in a better mix need not be priced again
      if (round % 20 === 0) columns = columns.filter((v, j) => reduced[j]! - lows[v.s]! < below - bound);
    } else if (++idle > 8) {
      idle = 0;
      step /= 2;
      price = best.price;
      if (step < 0.005) break;
    }
    const norm = off.reduce((sum, x) => sum + x * x, 0);
    if (!norm || bound >= below - 1) break;
    const by = (step * (below - bound)) / norm;
    price = price.map((p, k) => p + by * off[k]!);
  }
  const chosen = columns
    .map((v) => ({ v, over: reducedCost(v, best.price) - best.lows[v.s]! }))
    .filter(({ over }) => over < below - best.bound)
    .sort((a, b) => a.over - b.over);
  return { columns: chosen.map(({ v }) => v), over: chosen.map(({ over }) => over), bound: best.bound };
}

/** Of all mixes of the priced columns the one that costs least, if one costs less than the limit; as far as the steps go. */
function allMixes<T extends SheetOption>(task: MixTask<T>, { columns, over, bound }: Priced<T>): T[] | null {
  const K = task.wanted.length;
  let least = task.below;
  const holding: number[][] = Array.from({ length: K }, () => []);
  columns.forEach((v, j) => v.kinds.forEach((k) => holding[k]!.push(j)));
  const rest = task.wanted.slice();
  const left = task.copies.slice();
  const mix: T[] = [];
  let found: T[] | null = null;
  let steps = 0;
  const fits = (j: number, sum: number) => {
    const v = columns[j]!;
    if (sum + over[j]! >= least || left[v.s]! < 1) return false;
    for (let i = 0; i < v.kinds.length; i++) if (v.counts[i]! > rest[v.kinds[i]!]!) return false;
    return true;
  };
  /** `sum`: no mix with what is chosen so far wastes less. */
  const go = (sum: number): void => {
    if (++steps > STEPS || (steps % 256 === 0 && task.over())) return;
    let open: number[] | null = null;
    for (let k = 0; k < K && open?.length !== 1; k++) {
      if (!rest[k]) continue;
      const can = holding[k]!.filter((j) => fits(j, sum));
      if (!can.length) return;
      if (!open || can.length < open.length) open = can;
    }
    if (!open) {
      const cost = mix.reduce((total, v) => total + v.cost, 0);
      if (cost < least) [least, found] = [cost, [...mix]];
      return;
    }
    for (const j of open) {
      const v = columns[j]!;
      left[v.s]!--;
      v.kinds.forEach((k, i) => (rest[k]! -= v.counts[i]!));
      mix.push(v);
      go(sum + over[j]!);
      mix.pop();
      v.kinds.forEach((k, i) => (rest[k]! += v.counts[i]!));
      left[v.s]!++;
    }
  };
  go(bound);
  return found;
}

function reducedCost({ cost, kinds, counts }: SheetOption, price: Float64Array): number {
  let sum = cost;
  for (let i = 0; i < kinds.length; i++) sum -= price[kinds[i]!]! * counts[i]!;
  return sum;
}
