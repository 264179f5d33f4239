import type { Job, Side, Turn } from './job.ts';

/** A slicing tree in ticks. A run that the cutter cuts: `parts` in order from the origin; else `holds`. */
export interface Tree {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly cut: 'x' | 'y' | null;
  readonly parts: readonly Tree[];
  /** The last cut's kerf swallowed what was left: this much. 0 otherwise. */
  readonly lost: number;
  readonly holds: Holding | 'keep' | 'waste' | null;
}
export interface Holding {
  /** Index into the job's pieces. */
  readonly piece: number;
  readonly turn: Turn;
  readonly side: Side;
}
export interface CutSheet {
  /** Index into the job's stock. */
  readonly stock: number;
  readonly tree: Tree;
}

/** The one place that says which offcut is worth keeping. */
export const worthKeeping = (width: number, height: number, keep: Job['keep']): boolean =>
  Math.min(width, height) >= keep.shorter && Math.max(width, height) >= keep.longer;

/** Size of a part along the direction in which its siblings follow each other. */
export const alongOf = (part: Tree, cut: 'x' | 'y'): number => (cut === 'x' ? part.width : part.height);

/** Whether the cutter can make every cut of the tree: within its reach, and with one side wide enough to hold. */
export function cutterHolds(tree: Tree, cutter: Job['cutter']): boolean {
  if (!tree.cut) return true;
  if ((tree.cut === 'x' ? tree.height : tree.width) > cutter.reach) return false;
  const { parts, cut } = tree;
  const cuts = parts.length - (tree.lost ? 0 : 1);
  let rest = parts.reduce((sum, p) => sum + alongOf(p, cut), 0) + (parts.length - 1) * cutter.kerf;
  for (let i = 0; i < cuts; i++) {
    const off = alongOf(parts[i]!, cut);
    rest = Math.max(0, rest - off - cutter.kerf);
    if (Math.max(off, rest) < cutter.narrowest) return false;
  }
  return parts.every((part) => cutterHolds(part, cutter));
}

export interface TreeFigures {
  kept: number;
  waste: number;
  kerf: number;
  largestKept: number;
  cuts: number;
}

/** Adds up what a tree keeps, wastes and cuts, in square ticks. */
export function figuresOf(tree: Tree, kerf: number, into: TreeFigures): TreeFigures {
  const area = tree.width * tree.height;
  if (tree.holds === 'keep') {
    into.kept += area;
    into.largestKept = Math.max(into.largestKept, area);
  } else if (tree.holds === 'waste') into.waste += area;
  if (tree.cut) {
    const across = tree.cut === 'x' ? tree.height : tree.width;
    into.cuts += tree.parts.length - (tree.lost ? 0 : 1);
    into.kerf += ((tree.parts.length - 1) * kerf + tree.lost) * across;
    for (const part of tree.parts) figuresOf(part, kerf, into);
  }
  return into;
}
