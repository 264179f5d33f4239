import { compileJob, type CompiledJob, type SearchPreconditions } from '../blanks/compile.ts';
import { usableRectangleOf, type Frame, type FramedSheets } from '../blanks/frames.ts';
import type { Job } from '../documents/job.ts';
import { maxCoverableArea, maxAreaFrom } from './coverable.ts';
import { gcd, maxPerSheet } from './perSheet.ts';
import { boundByLargePieces } from './largePieces.ts';
import { newAreaOfFrames } from '../search/solutionOfLayout.ts';
import { isNewPaper } from '../sheets/standing.ts';

export type BoundReason =
  'nothing-needed' | 'area' | 'at-most-per-sheet' | 'large-pieces' | 'coverable' | 'pinned' | 'patterns' | 'tried';

/** No plan that cuts everything opens less new paper than this. Areas in square ticks. */
export interface Bound {
  readonly newArea: number;
  readonly newSheets: number;
  readonly how: BoundReason;
  /** Of a plan that cuts one sheet: the fewest settings for what is cut from it, where that is known. */
  readonly settings?: number;
}

/**
 * A lower bound on the new paper. Papers that share no piece are independent, so their bounds add up. Of each piece, the
 * copies that no scrap can give must come from new paper; over those, the largest of:
 *   area               their area, or all that is wanted less all that the scraps have
 *   at-most-per-sheet  how often one piece comes from one sheet at the most
 *   large-pieces       dual feasible functions (S. P. Fekete and J. Schepers, 2004)
 *   coverable          all that is wanted less what cuts can cover of the scraps (P. C. Gilmore and R. E. Gomory, 1965)
 * Once the time is over, what is quick to tell is told.
 */
export function computeLowerBound(job: Job, framing: FramedSheets, over: () => boolean = () => false): Bound {
  const c = compileJob(job, settledForBound(job, framing));
  const opened = newAreaOfFrames(c);
  const parts = groupsOfPapers(c).map((group) => {
    const whole = boundOfGroup(c, group, over);
    if (over()) return whole;
    const byPaper = sumOf(alone(c, group).map((g) => boundOfGroup(c, g, over)));
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
function settledForBound(job: Job, framing: FramedSheets): SearchPreconditions {
  const frames = framing.sheets.map(([frame]): Frame => {
    const { stock, pins, opens } = frame!;
    const room = usableRectangleOf(job.stock[stock]!);
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
function groupsOfPapers(c: CompiledJob): Group[] {
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
function alone(c: CompiledJob, group: Group): Group[] {
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

function boundOfGroup(c: CompiledJob, g: Group, over: () => boolean): Bound {
  const roomOf = (s: number) => maxAreaFrom(c, s);
  const areaWanted = g.pieces.reduce((sum, k) => sum + c.area[k]! * c.quantity[k]!, 0);
  const fromScraps = (most: (s: number) => number) =>
    g.scraps.reduce((sum, s) => sum + Math.min(most(s), fittingArea(c, g.pieces, s)) * c.copies[s]!, 0);
  // copies that no scrap can give, whatever else is cut from the scraps
  const mustBeNew = g.pieces
    .map((k) => {
      let left = c.quantity[k]!;
      for (const s of g.scraps) {
        if (left <= 0) break;
        if (!c.ways[k * c.stockCount + s]) continue;
        // not known in time: as if the scraps gave them all
        left = over() ? 0 : left - maxPerSheet(c, k, s) * c.copies[s]!;
      }
      return { k, n: Math.max(0, left) };
    })
    .filter(({ n }) => n > 0);
  const newOnly = mustBeNew.reduce((sum, { k, n }) => sum + c.area[k]! * n, 0);

  let best = covering(c, g.fresh, Math.max(areaWanted - fromScraps(roomOf), newOnly), roomOf, 'area');
  const consider = (bound: Bound) => {
    if (bound.newArea > best.newArea || (bound.newArea === best.newArea && bound.newSheets > best.newSheets))
      best = bound;
  };
  for (const { k, n } of mustBeNew) {
    if (over()) return best;
    consider(covering(c, g.fresh, n, (s) => maxPerSheet(c, k, s), 'at-most-per-sheet'));
  }
  if (mustBeNew.length)
    consider(covering(c, g.fresh, boundByLargePieces(c, mustBeNew, g.fresh), () => 1, 'large-pieces'));
  if (over()) return best;
  const covered = (s: number) => (over() ? roomOf(s) : maxCoverableArea(c, g.pieces, s));
  consider(covering(c, g.fresh, areaWanted - fromScraps(covered), covered, 'coverable'));
  return best;
}

/** Area of all copies that fit on an item at all. */
const fittingArea = (c: CompiledJob, pieces: readonly number[], s: number): number =>
  pieces.reduce((sum, k) => sum + (c.ways[k * c.stockCount + s] ? c.area[k]! * c.quantity[k]! : 0), 0);

/** Least total area, and least number, of new items whose gains add up to `need`. Any number of each may be taken. */
function covering(
  c: CompiledJob,
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
