import { FLAT, UPRIGHT, compile, type Compiled, type Settled } from './compile.ts';
import { usable, type Frame, type Framing } from './frames.ts';
import type { Job } from './job.ts';
import { areaOf } from './outline.ts';
import { PricedSheet } from './pricedSheet.ts';
import { newAreaOfFrames } from './search/stand.ts';
import { isNewPaper } from './standing.ts';

export type BoundReason =
  'nothing-needed' | 'area' | 'at-most-per-sheet' | 'large-pieces' | 'coverable' | 'pinned' | 'patterns' | 'tried';

/** No plan that cuts everything opens less new paper than this. Areas in square ticks. */
export interface Bound {
  readonly newArea: number;
  readonly newSheets: number;
  readonly how: BoundReason;
}

/**
 * A lower bound on the new paper. Papers that share no piece are independent, so their bounds add up. Of each piece, the
 * copies that no scrap can give must come from new paper; over those, the largest of:
 *   area               their area, or all that is wanted less all that the scraps have
 *   at-most-per-sheet  how often one piece comes from one sheet at the most
 *   large-pieces       dual feasible functions (S. P. Fekete and J. Schepers, 2004)
 *   coverable          all that is wanted less what cuts can cover of the scraps (P. C. Gilmore and R. E. Gomory, 1965)
 */
export function lowerBound(job: Job, framing: Framing): Bound {
  const c = compile(job, settledForBound(job, framing));
  const opened = newAreaOfFrames(c);
  const parts = groupsOfPapers(c).map((group) => {
    const whole = boundOfGroup(c, group);
    const byPaper = sumOf(alone(c, group).map((g) => boundOfGroup(c, g)));
    return byPaper.newArea > whole.newArea ? byPaper : whole;
  });
  const sum = sumOf(parts);
  const pinned = c.frames.filter((f) => f.opens && isNewPaper(job.stock[f.stock]!)).length;
  if (!pinned) return sum;
  const how = opened >= sum.newArea ? 'pinned' : sum.how;
  return { newArea: sum.newArea + opened, newSheets: sum.newSheets + pinned, how };
}

/**
 * What holds however the framed sheets are cut: each is one room with all its paper, free where a pinned piece opens it anyway. A
 * piece that might come out of some opening is not asked for.
 */
function settledForBound(job: Job, framing: Framing): Settled {
  const frames = framing.sheets.map(([frame]): Frame => {
    const { stock, pins, opens } = frame!;
    const room = usable(job.stock[stock]!);
    return { stock, pins, opens, rooms: [room], tree: { ...room, cut: null, parts: [], lost: 0, holds: { room: 0 } } };
  });
  const openings = job.pieces.flatMap((p) => (p.opening ? [p.opening] : []));
  const long = (r: { width: number; height: number }) => Math.max(r.width, r.height);
  const short = (r: { width: number; height: number }) => Math.min(r.width, r.height);
  const wanted = job.pieces.map((p) =>
    p.from || openings.some((o) => long(p) <= long(o) && short(p) <= short(o)) ? 0 : p.quantity,
  );
  return { frames, wanted };
}

/** Bounds of independent parts added up; the reason is that of the largest. */
function sumOf(bounds: readonly Bound[]): Bound {
  const largest = bounds.reduce<Bound | null>((most, b) => (!most || b.newArea > most.newArea ? b : most), null);
  return {
    newArea: bounds.reduce((sum, b) => sum + b.newArea, 0),
    newSheets: bounds.reduce((sum, b) => sum + b.newSheets, 0),
    how: largest?.how ?? 'nothing-needed',
  };
}

interface Group {
  readonly pieces: readonly number[];
  readonly fresh: readonly number[];
  readonly scraps: readonly number[];
}

/** Pieces and stock that have to do with each other: connected by "this piece may come from that". */
function groupsOfPapers(c: Compiled): Group[] {
  const root = Array.from({ length: c.pieceCount + c.stockCount }, (_, i) => i);
  const find = (i: number): number => {
    let at = i;
    while (root[at] !== at) at = root[at] = root[root[at]!]!;
    return at;
  };
  for (let k = 0; k < c.pieceCount; k++) {
    for (let s = 0; s < c.stockCount; s++) if (c.ways[k * c.stockCount + s]) root[find(k)] = find(c.pieceCount + s);
  }
  const groups = new Map<number, { pieces: number[]; fresh: number[]; scraps: number[] }>();
  const groupAt = (i: number) => {
    const key = find(i);
    const group = groups.get(key) ?? { pieces: [], fresh: [], scraps: [] };
    groups.set(key, group);
    return group;
  };
  for (let k = 0; k < c.pieceCount; k++) groupAt(k).pieces.push(k);
  for (let s = 0; s < c.stockCount; s++) groupAt(c.pieceCount + s)[c.isNew[s] ? 'fresh' : 'scraps'].push(s);
  return [...groups.values()].filter((g) => g.pieces.length && g.fresh.length);
}

/** The pieces of a group that can come from one paper only, paper by paper, with its stock. */
function alone(c: Compiled, group: Group): Group[] {
  const paperOf = (s: number) => c.blanks[s]!.item.paper.id;
  const papers = new Map<string, { pieces: number[]; fresh: number[]; scraps: number[] }>();
  for (const s of [...group.fresh, ...group.scraps]) {
    const own = papers.get(paperOf(s)) ?? { pieces: [], fresh: [], scraps: [] };
    papers.set(paperOf(s), own);
    own[c.isNew[s] ? 'fresh' : 'scraps'].push(s);
  }
  for (const k of group.pieces) {
    const possible = new Set(
      [...group.fresh, ...group.scraps].filter((s) => c.ways[k * c.stockCount + s]).map(paperOf),
    );
    const [only] = possible;
    if (possible.size === 1) papers.get(only!)!.pieces.push(k);
  }
  return [...papers.values()].filter((g) => g.pieces.length && g.fresh.length);
}

function boundOfGroup(c: Compiled, g: Group): Bound {
  const roomOf = (s: number) => roomFor(c, s);
  const areaWanted = g.pieces.reduce((sum, k) => sum + c.area[k]! * c.quantity[k]!, 0);
  const fromScraps = (most: (s: number) => number) =>
    g.scraps.reduce((sum, s) => sum + Math.min(most(s), fittingArea(c, g.pieces, s)) * c.copies[s]!, 0);
  // copies that no scrap can give, whatever else is cut from the scraps
  const mustBeNew = g.pieces
    .map((k) => {
      const given = g.scraps.reduce(
        (sum, s) => sum + (c.ways[k * c.stockCount + s] ? mostPerSheet(c, k, s) * c.copies[s]! : 0),
        0,
      );
      return { k, n: Math.max(0, c.quantity[k]! - given) };
    })
    .filter(({ n }) => n > 0);
  const newOnly = mustBeNew.reduce((sum, { k, n }) => sum + c.area[k]! * n, 0);

  let best = covering(c, g.fresh, Math.max(areaWanted - fromScraps(roomOf), newOnly), roomOf, 'area');
  const consider = (bound: Bound) => {
    if (bound.newArea > best.newArea || (bound.newArea === best.newArea && bound.newSheets > best.newSheets))
      best = bound;
  };
  for (const { k, n } of mustBeNew)
    consider(covering(c, g.fresh, n, (s) => mostPerSheet(c, k, s), 'at-most-per-sheet'));
  if (mustBeNew.length) consider(covering(c, g.fresh, largePieces(c, mustBeNew, g.fresh), () => 1, 'large-pieces'));
  const covered = (s: number) => coverable(c, g.pieces, s);
  consider(covering(c, g.fresh, areaWanted - fromScraps(covered), covered, 'coverable'));
  return best;
}

/** What a blank can give at the most, in area. Of an odd scrap only its paper counts, of a pinned sheet not what is pinned. */
function roomFor(c: Compiled, s: number): number {
  const { frame, item } = c.blanks[s]!;
  const room = c.roomWidth[s]! * c.roomHeight[s]!;
  if (frame < 0) return room;
  const pinned = c.frames[frame]!.pins.reduce((sum, k) => sum + c.area[k]!, 0);
  return Math.min(room, areaOf(item)) - pinned;
}

/** More points than this, along one edge, make the look at first cuts too long for a bound. */
const MOST_POINTS = 48;

/** The most area of a blank that pieces of a group can take, whatever the cuts: by all first cuts, were there enough of each piece. */
function coverable(c: Compiled, pieces: readonly number[], s: number): number {
  const room = roomFor(c, s);
  if (c.job.cutter.stop || c.blanks[s]!.frame >= 0) return room;
  const sheet = new PricedSheet(c, s);
  if (sheet.points > MOST_POINTS) return room;
  const prices = new Float64Array(c.pieceCount);
  for (const k of pieces) prices[k] = c.area[k]!;
  return Math.min(room, sheet.worthAtMost(prices));
}

/** Area of all copies that fit on an item at all. */
const fittingArea = (c: Compiled, pieces: readonly number[], s: number): number =>
  pieces.reduce((sum, k) => sum + (c.ways[k * c.stockCount + s] ? c.area[k]! * c.quantity[k]! : 0), 0);

/** Least total area, and least number, of new items whose gains add up to `need`. Any number of each may be taken. */
function covering(
  c: Compiled,
  fresh: readonly number[],
  need: number,
  gain: (s: number) => number,
  how: BoundReason,
): Bound {
  if (need <= 0) return { newArea: 0, newSheets: 0, how: 'nothing-needed' };
  const items = fresh.map((s) => ({ area: c.stockArea[s]!, gain: gain(s) })).filter((i) => i.gain > 0);
  if (!items.length) return { newArea: 0, newSheets: 0, how: 'nothing-needed' };
  const newSheets = Math.ceil(need / Math.max(...items.map((i) => i.gain)) - 1e-9);
  const unit = items.map((i) => i.area).reduce((a, b) => gcd(a, b));
  const ratio = Math.min(...items.map((i) => i.area / i.gain));
  const least = Math.ceil((need * ratio) / unit - 1e-9);
  const sizes = items.map((i) => Math.round(i.area / unit));
  const top = least + Math.max(...sizes);
  if (top > 20_000) return { newArea: least * unit, newSheets, how };
  // reach[v]: the most that v units of paper can give
  const reach = new Float64Array(top + 1);
  for (let v = 1; v <= top; v++) {
    items.forEach((item, i) => {
      if (sizes[i]! <= v) reach[v] = Math.max(reach[v]!, reach[v - sizes[i]!]! + item.gain);
    });
    if (reach[v]! >= need - 1e-9) return { newArea: v * unit, newSheets, how };
  }
  return { newArea: least * unit, newSheets, how };
}

export function gcd(a: number, b: number): number {
  let [p, q] = [a, b];
  while (q) [p, q] = [q, p % q];
  return p;
}

/** The most copies of one piece that edge-to-edge cuts get from one item; an upper bound where that is too much to try. */
export function mostPerSheet(c: Compiled, k: number, s: number): number {
  const ways = c.ways[k * c.stockCount + s]!;
  const [w, h] = [c.width[k]! + c.kerf, c.height[k]! + c.kerf];
  const [W, H] = [c.roomWidth[s]! + c.kerf, c.roomHeight[s]! + c.kerf];
  // stop cuts can do what edge-to-edge cuts cannot
  if (c.job.cutter.stop) return Math.floor(roomFor(c, s) / (c.area[k]! || 1));
  const lattice = (pw: number, ph: number) => Math.floor(W / pw) * Math.floor(H / ph);
  if (ways === UPRIGHT && w !== h) return lattice(w, h);
  if (ways === FLAT) return lattice(h, w);
  if (w === h) return lattice(w, h);
  if (!ways) return 0;
  const [xs, ys] = [sumsUpTo(W, w, h), sumsUpTo(H, w, h)];
  if (xs.length * ys.length > 4000) return Math.floor((W * H) / (w * h));
  // most[i][j]: copies from xs[i] by ys[j], by dynamic programming over first cuts (Gilmore and Gomory, 1965)
  const most = xs.map(() => new Array<number>(ys.length).fill(0));
  const below = (list: readonly number[], size: number) => {
    let i = list.length - 1;
    while (list[i]! > size) i--;
    return i;
  };
  xs.forEach((x, i) =>
    ys.forEach((y, j) => {
      let n = (x >= w && y >= h) || (x >= h && y >= w) ? 1 : 0;
      for (let p = 1; p < i && xs[p]! * 2 <= x; p++) n = Math.max(n, most[p]![j]! + most[below(xs, x - xs[p]!)]![j]!);
      for (let q = 1; q < j && ys[q]! * 2 <= y; q++) n = Math.max(n, most[i]![q]! + most[i]![below(ys, y - ys[q]!)]!);
      most[i]![j] = n;
    }),
  );
  return most.at(-1)!.at(-1)!;
}

/** All a·w + b·h up to `limit`, ascending, from 0. */
function sumsUpTo(limit: number, w: number, h: number): number[] {
  const sums = new Set<number>();
  for (let a = 0; a * w <= limit; a++) for (let b = 0; a * w + b * h <= limit; b++) sums.add(a * w + b * h);
  return [...sums].sort((p, q) => p - q);
}

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
function largePieces(c: Compiled, pieces: ReadonlyArray<{ k: number; n: number }>, fresh: readonly number[]): number {
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
const MOST_PAIRED = 150;

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
        .flatMap((kind) => new Array<LargeKind>(Math.min(kind.n, MOST_PAIRED + 1)).fill(kind));
      if (large.length > MOST_PAIRED || large.length <= most) continue;
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
