import type { Frame } from './frames.ts';
import { usableRectangleOf } from './frames.ts';
import type { Job, Rectangle } from '../documents/job.ts';
import { canCutTree, type Tree } from '../sheets/tree.ts';
import { waysOf } from './turning.ts';

/*
 * Stop cuts: a cutter whose cut may end short of the far edge can cut a windmill, which no edge-to-edge cut begins:
 *
 *     +-----+--------+
 *     |  B  |   A    |
 *     |     +--+-----+      A: lower left and upper right
 *     +-----+--+     |      B: lower right and upper left
 *     |   A    |  B  |
 *     +--------+-----+
 *
 * Each arm, and the centre, is a room that the search fills.
 */

interface Block {
  readonly k: number;
  readonly n: number;
  readonly w: number;
  readonly h: number;
}

/** At the most this many pieces along each side of a block. */
const ALONG = 4;
const KINDS = 30;
const BEST = 4;

/** Sets of windmills that might save something, the fullest first: each is to be tried. */
export function listWindmillFrames(job: Job, taken: readonly Frame[]): Frame[][] {
  const found: { frames: Frame[]; filled: number }[] = [];
  const seen = new Set<string>();
  job.stock.forEach((item, stock) => {
    const size = `${item.paper.id} ${item.width} ${item.height} ${item.turned}`;
    const copies = item.quantity - taken.filter((f) => f.stock === stock).length;
    if (item.reserved || item.outline || item.uncut.length || copies < 1 || seen.has(size)) return;
    seen.add(size);
    const room = usableRectangleOf(item);
    if (Math.max(room.width, room.height) > job.cutter.reach) return;
    for (const { a, b, tree } of pairs(job, blocksOf(job, item), room)) {
      if (!canCutTree(tree, job)) continue;
      const rooms = tree.parts.map(({ x, y, width, height }) => ({ x, y, width, height }));
      const frame: Frame = { stock, tree, rooms, pins: [], opens: true };
      const filled = (2 * a.n * areaOf(job, a.k) + 2 * b.n * areaOf(job, b.k)) / (item.width * item.height);
      const wanted = (k: number) => job.pieces[k]!.quantity;
      const need = (k: number) => (a.k === k ? 2 * a.n : 0) + (b.k === k ? 2 * b.n : 0);
      const times = Math.min(copies, Math.floor(wanted(a.k) / need(a.k)), Math.floor(wanted(b.k) / need(b.k)), 200);
      for (const n of new Set([times, 1])) if (n > 0) found.push({ frames: new Array<Frame>(n).fill(frame), filled });
    }
  });
  return found
    .sort((p, q) => q.filled - p.filled)
    .slice(0, 2 * BEST)
    .map(({ frames }) => frames);
}

const areaOf = (job: Job, k: number): number => job.pieces[k]!.width * job.pieces[k]!.height;

/** Rows of equal pieces that could make an arm. */
function blocksOf(job: Job, item: Job['stock'][number]): Block[] {
  const { kerf, step } = job.cutter;
  const up = (length: number) => (step ? Math.ceil(length / step) * step : length);
  const blocks: Block[] = [];
  const kinds = job.pieces
    .map((piece, k) => ({ piece, k }))
    .filter(({ piece }) => !piece.from && piece.papers.includes(item.paper.id))
    .sort((p, q) => areaOf(job, q.k) - areaOf(job, p.k))
    .slice(0, KINDS);
  for (const { piece, k } of kinds) {
    const ways = waysOf(piece, item);
    for (const [way, w, h] of [
      [ways.upright, piece.width, piece.height],
      [ways.flat, piece.height, piece.width],
    ] as const) {
      if (!way || (way === ways.flat && w === h)) continue;
      for (let i = 1; i <= ALONG; i++)
        for (let j = 1; j <= ALONG && i * j * 2 <= piece.quantity; j++)
          blocks.push({ k, n: i * j, w: up(i * w + (i - 1) * kerf), h: up(j * h + (j - 1) * kerf) });
    }
  }
  return blocks;
}

/** Windmills of two blocks, each of which makes two opposite arms. */
function* pairs(job: Job, blocks: readonly Block[], room: Rectangle): Generator<{ a: Block; b: Block; tree: Tree }> {
  const { kerf } = job.cutter;
  const { x, y, width: W, height: H } = room;
  for (const a of blocks)
    for (const b of blocks) {
      if (a.w + b.w + kerf > W || a.h + b.h + kerf > H) continue;
      // the arms must pass each other, or an edge-to-edge cut would do
      if (a.w <= b.w + 2 * kerf || b.h <= a.h + 2 * kerf) continue;
      if (a.k === b.k && 2 * (a.n + b.n) > job.pieces[a.k]!.quantity) continue;
      const at = (px: number, py: number, width: number, height: number): Tree => ({
        x: x + px,
        y: y + py,
        width,
        height,
        cut: null,
        parts: [],
        lost: 0,
        holds: { room: 0 },
      });
      const parts = [
        at(0, 0, a.w, a.h),
        at(a.w + kerf, 0, W - a.w - kerf, b.h),
        at(b.w + kerf, b.h + kerf, W - b.w - kerf, H - b.h - kerf),
        at(0, a.h + kerf, b.w, H - a.h - kerf),
        at(b.w + kerf, a.h + kerf, a.w - b.w - kerf, b.h - a.h - kerf),
      ].map((part, i) => ({ ...part, holds: { room: i } }));
      yield { a, b, tree: { x, y, width: W, height: H, cut: 'windmill', parts, lost: 0, holds: null } };
    }
}
