import type { Rectangle } from '../job.ts';
import { roundUp, uprightIsBetter } from './leftover.ts';
import { cutterHolds, offcutTree, type Tree } from '../tree.ts';
import { COLUMN, LEAF, ROW, type Layout } from './layout.ts';

/*
 * A layout says how pieces stand beside each other; a cutting order must also say where the room left over goes. It is
 * kept together as high in the tree as possible; `leftover.ts` says which cut comes first where there is room both ways.
 */

/** The slicing tree of one blank of a layout, with its offcuts. Null when the cutter cannot make it. */
export function realise(layout: Layout, b: number): Tree | null {
  const { c } = layout;
  const s = layout.stock[b]!;
  const { x, y, width, height } = c.blanks[s]!;
  const tree = build(layout, layout.root[b]!, { x, y, width, height });
  return c.delicate[s] && !cutterHolds(tree, c.job.cutter) ? null : tree;
}

function build(layout: Layout, n: number, room: Rectangle): Tree {
  const { kind, w, h, c } = layout;
  const isRun = kind[n] !== LEAF;
  const width = kind[n] === ROW ? layout.runLength(n) : w[n]!;
  const height = kind[n] === COLUMN ? layout.runLength(n) : h[n]!;
  const a = room.width - width;
  const b = room.height - height;
  if (!isRun && a === 0 && b === 0) {
    const k = layout.piece[n]!;
    const way = c.wayAt(k, layout.stock[layout.sheet[n]!]!, layout.flat[n] === 1);
    return { ...room, cut: null, parts: [], lost: 0, holds: { piece: k, ...way } };
  }
  // the cut that takes a run apart also takes its own leftover off; a leftover across it comes off first
  if (isRun && (kind[n] === ROW ? b : a) === 0) return run(layout, n, room, kind[n] === ROW ? 'x' : 'y');
  if (a === 0) return alone(layout, n, room, 'y', height);
  if (b === 0) return alone(layout, n, room, 'x', width);
  const levelFirst = () => alone(layout, n, room, 'y', kind[n] === COLUMN ? roundUp(height, c) : height);
  const uprightFirst = () => alone(layout, n, room, 'x', kind[n] === ROW ? roundUp(width, c) : width);
  const upright = uprightIsBetter(layout, n, room.width, room.height, width, height);
  const chosen = upright ? uprightFirst() : levelFirst();
  const forced =
    (kind[n] === ROW && roundUp(width, c) >= room.width) || (kind[n] === COLUMN && roundUp(height, c) >= room.height);
  if (!c.delicate[layout.stock[layout.sheet[n]!]!] || forced || cutterHolds(chosen, c.job.cutter)) return chosen;
  // what the cutter cannot do one way it may do the other
  const other = upright ? levelFirst() : uprightFirst();
  return cutterHolds(other, c.job.cutter) ? other : chosen;
}

/** Cuts one node free of the room beyond it. */
function alone(layout: Layout, n: number, room: Rectangle, cut: 'x' | 'y', size: number): Tree {
  const inner = cut === 'x' ? { ...room, width: size } : { ...room, height: size };
  const part = build(layout, n, inner);
  return withRest(layout, room, cut, [part], size);
}

function run(layout: Layout, n: number, room: Rectangle, cut: 'x' | 'y'): Tree {
  const { c } = layout;
  const sizes = cut === 'x' ? layout.w : layout.h;
  const children: number[] = [];
  for (let child = layout.first[n]!; child >= 0; child = layout.next[child]!) children.push(child);
  // equal settings together; large parts first, unless that leaves two slivers to the last cut
  children.sort((p, q) => sizes[q]! - sizes[p]! || p - q);
  if (sizes[children.at(-1)!]! < c.job.cutter.narrowest) children.reverse();
  let at = cut === 'x' ? room.x : room.y;
  const parts = children.map((child) => {
    const size = sizes[child]!;
    const part = build(layout, child, cut === 'x' ? { ...room, x: at, width: size } : { ...room, y: at, height: size });
    at += size + c.kerf;
    return part;
  });
  return withRest(layout, room, cut, parts, layout.runLength(n));
}

/** Closes a list of parts with what is left of the room: an offcut, or nothing where the kerf swallows it. */
function withRest(layout: Layout, room: Rectangle, cut: 'x' | 'y', parts: Tree[], taken: number): Tree {
  const { kerf } = layout.c;
  const left = (cut === 'x' ? room.width : room.height) - taken;
  const whole = { ...room, cut, holds: null };
  if (left === 0) return { ...whole, parts, lost: 0 };
  if (left <= kerf) return { ...whole, parts, lost: left };
  const from = taken + kerf;
  const rest =
    cut === 'x'
      ? { ...room, x: room.x + from, width: left - kerf }
      : { ...room, y: room.y + from, height: left - kerf };
  return { ...whole, parts: [...parts, offcutTree(rest, layout.c.job.keep)], lost: 0 };
}
