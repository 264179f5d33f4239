import type { Job, Rectangle } from '../documents/job.ts';
import { waysOf } from '../blanks/turning.ts';
import type { KindOnSheet } from './selections.ts';
import { visitHeldPieces, measureSheetTree } from './standing.ts';
import { canCutTree, hasWindmill, makeOffcutTree, type CutSheet, type Tree } from './tree.ts';

/*
 * What hands do: strips of one height across the sheet, then the pieces off the strips, all that one setting does together. Of the
 * ways to turn the pieces, the fewest settings, then the fewest cuts, then the least waste.
 */

/** Kinds whose turns are all tried. */
const MAX_KINDS = 6;

/** A sheet cut in strips: how high they are set one after the other, then how long what comes off them. */
export interface StripCutting {
  readonly tree: Tree;
  readonly sequence: readonly number[];
}

/** A sheet with these pieces, cut in strips; null where they do not come from strips. */
export function cutInStrips(job: Job, { stock, tree }: CutSheet, kinds: readonly KindOnSheet[]): StripCutting | null {
  let best: (StripCutting & { figure: readonly number[] }) | null = null;
  for (const level of [true, false])
    for (const turns of turnsOf(kinds)) {
      const laid = stripped(kinds, turns, tree, level, job);
      if (!laid || (best && !isLess(laid.figure, best.figure))) continue;
      const figure = [...laid.figure, measureSheetTree(job, stock, laid.tree).waste];
      if ((!best || isLess(figure, best.figure)) && canCutTree(laid.tree, job)) best = { ...laid, figure };
    }
  return best && { tree: best.tree, sequence: best.sequence };
}

const isLess = (a: readonly number[], b: readonly number[]): boolean => {
  for (let i = 0; i < a.length; i++) if (a[i]! !== b[i]!) return a[i]! < b[i]!;
  return true;
};

/** The pieces of a sheet by kind; null where the sheet or one of them is settled, and not to be cut anew. */
export function kindsOnSheet(job: Job, { stock, tree, settled }: CutSheet): KindOnSheet[] | null {
  const item = job.stock[stock]!;
  if (settled || item.outline || item.uncut.length || hasWindmill(tree)) return null;
  const { step, kerf } = job.cutter;
  const onMark = (length: number) => !step || length % step === 0;
  const counts = new Map<number, number>();
  let plain = onMark(kerf);
  visitHeldPieces(tree, ({ holds, opening }) => {
    const piece = job.pieces[holds.piece]!;
    if (opening || piece.from || !onMark(piece.width) || !onMark(piece.height)) plain = false;
    counts.set(holds.piece, (counts.get(holds.piece) ?? 0) + 1);
  });
  if (!plain || !counts.size) return null;
  return [...counts].map(([k, count]) => {
    const { width, height } = job.pieces[k]!;
    const { upright, flat } = waysOf(job.pieces[k]!, item);
    const laid = [
      ...(upright ? [{ width, height, way: upright }] : []),
      ...(flat && (!upright || width !== height) ? [{ width: height, height: width, way: flat }] : []),
    ];
    return { k, count, laid };
  });
}

/** For each kind, which of its ways: all combinations of a few kinds; of many, all alike and each turned by itself. */
function turnsOf(kinds: readonly KindOnSheet[]): number[][] {
  const ways = kinds.map(({ laid }) => laid.length);
  if (kinds.length <= MAX_KINDS)
    return ways.reduce<number[][]>(
      (all, n) => all.flatMap((turns) => Array.from({ length: n }, (_, way) => [...turns, way])),
      [[]],
    );
  const lower = (longer: boolean) =>
    kinds.map(({ laid }) => (laid.length > 1 && laid[0]!.height > laid[1]!.height === longer ? 0 : laid.length - 1));
  return [false, true].flatMap((longer) => {
    const all = lower(longer);
    const flips = kinds.flatMap(({ laid }, i) => (laid.length > 1 ? [all.with(i, 1 - all[i]!)] : []));
    return [all, ...flips];
  });
}

/** Kinds laid so in strips that lie level or stand; settings and cuts. Null where they do not fit. */
function stripped(
  kinds: readonly KindOnSheet[],
  turns: readonly number[],
  room: Rectangle,
  level: boolean,
  job: Job,
): (StripCutting & { figure: readonly number[] }) | null {
  const { kerf } = job.cutter;
  const [long, deep] = level ? [room.width, room.height] : [room.height, room.width];
  const pieces = kinds
    .map(({ k, count, laid }, i) => {
      const { width, height, way } = laid[turns[i]!]!;
      return { k, count, way, long: level ? width : height, deep: level ? height : width };
    })
    .sort((a, b) => b.long - a.long);
  const strips: { deep: number; used: number; pieces: (typeof pieces)[number][] }[] = [];
  let depth = -kerf;
  for (const piece of pieces)
    for (let n = 0; n < piece.count; n++) {
      let strip = strips.find((s) => s.deep === piece.deep && s.used + kerf + piece.long <= long);
      if (!strip) {
        strip = { deep: piece.deep, used: -kerf, pieces: [] };
        if (piece.long > long || (depth += kerf + piece.deep) > deep) return null;
        strips.push(strip);
      }
      strip.used += kerf + piece.long;
      strip.pieces.push(piece);
    }
  strips.sort((a, b) => b.deep - a.deep);
  // where they fill their room the last one needs no setting: one whose size is set for no other
  const sizes = [...strips.map((s) => s.deep), ...pieces.flatMap((p) => new Array<number>(p.count).fill(p.long))];
  const isSetOnce = (size: number) => sizes.indexOf(size) === sizes.lastIndexOf(size);
  const onceLast = <T>(list: T[], sizeOf: (one: T) => number): void => {
    const once = list.findLastIndex((one) => isSetOnce(sizeOf(one)));
    if (once >= 0) list.push(...list.splice(once, 1));
  };
  if (depth === deep) onceLast(strips, (s) => s.deep);
  for (const s of strips) if (s.used === long) onceLast(s.pieces, (p) => p.long);
  const rooms = strips.map(({ deep: size }) => size);
  const [alongCut, acrossCut] = level ? (['x', 'y'] as const) : (['y', 'x'] as const);
  const at = (from: number, size: number): Rectangle =>
    level
      ? { x: room.x, y: room.y + from, width: room.width, height: size }
      : { x: room.x + from, y: room.y, width: size, height: room.height };
  const tree = run(room, acrossCut, rooms, job, (i, from) => {
    const strip = at(from, strips[i]!.deep);
    const sizes = strips[i]!.pieces.map((p) => p.long);
    return run(strip, alongCut, sizes, job, (j, along) => {
      const { k, way, long: size } = strips[i]!.pieces[j]!;
      const place = level
        ? { x: strip.x + along, y: strip.y, width: size, height: strip.height }
        : { x: strip.x, y: strip.y + along, width: strip.width, height: size };
      return { ...place, cut: null, parts: [], lost: 0, holds: { piece: k, ...way } };
    });
  });
  const settings = new Set<number>();
  let cuts = 0;
  const walk = (node: Tree): void => {
    // the last part needs no cut
    const parts = node.lost ? node.parts : node.parts.slice(0, -1);
    for (const part of parts) settings.add(node.cut === 'x' ? part.width : part.height);
    cuts += parts.length;
    node.parts.forEach(walk);
  };
  walk(tree);
  const sequence = [...rooms, ...pieces.map((piece) => piece.long)].filter((n, i, all) => n !== all[i - 1]);
  return { tree, sequence, figure: [settings.size, cuts] };
}

/** Parts of these sizes one after the other, and what is left as an offcut; the part alone where it fills its room. */
function run(
  room: Rectangle,
  cut: 'x' | 'y',
  sizes: readonly number[],
  job: Job,
  part: (i: number, from: number) => Tree,
): Tree {
  const { kerf } = job.cutter;
  const length = cut === 'x' ? room.width : room.height;
  const parts: Tree[] = [];
  let from = 0;
  sizes.forEach((size, i) => {
    parts.push(part(i, from));
    from += size + kerf;
  });
  const left = length - from;
  if (parts.length === 1 && left === -kerf) return parts[0]!;
  const { x, y, width, height } = room;
  if (left > 0)
    parts.push(
      makeOffcutTree(
        cut === 'x' ? { x: x + from, y, width: left, height } : { x, y: y + from, width, height: left },
        job.keep,
      ),
    );
  return { x, y, width, height, cut, parts, lost: left <= 0 && left > -kerf ? left + kerf : 0, holds: null };
}
