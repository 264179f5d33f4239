import type { Size } from '../../geometry/index.ts';
import type { Cutter, Job, Rectangle, Side, Turn } from '../documents/job.ts';

/**
 * A slicing tree in ticks. What the cutter cuts has `parts` in order from the origin; else it `holds` something. A windmill,
 * which takes stop cuts, has five parts: lower left, lower right, upper right, upper left, centre.
 */
export interface Tree extends Rectangle {
  readonly cut: 'x' | 'y' | 'windmill' | null;
  readonly parts: readonly Tree[];
  /** The last cut's kerf swallowed what was left: this much. 0 otherwise. */
  readonly lost: number;
  readonly holds: HoldingTree | 'keep' | 'waste' | Room | null;
  /** What becomes of the centre cut out of the piece that is held. */
  readonly opening?: Tree;
  /** Settled by the outline of an odd scrap: what is waste here is not all paper. */
  readonly frame?: boolean;
}
/** In a frame: a room that the search may fill. */
export interface Room {
  readonly room: number;
}
export interface HoldingTree {
  /** Index into the job's pieces. */
  readonly piece: number;
  readonly turn: Turn;
  readonly side: Side;
}
export interface CutSheet {
  /** Index into the job's stock. */
  readonly stock: number;
  readonly tree: Tree;
  /** Planned before: it is cut as it was. */
  readonly settled?: true;
  /** The settings that were chosen for it, in their order: its runs stay as they are, which other settings would ask to be joined. */
  readonly sequence?: readonly number[];
}

/** The one place that says which offcut is worth keeping. */
export const isWorthKeeping = (width: number, height: number, keep: Job['keep']): boolean =>
  Math.min(width, height) >= keep.shorter && Math.max(width, height) >= keep.longer;

/** An offcut: kept or waste, by its size. */
export const makeOffcutTree = ({ x, y, width, height }: Rectangle, keep: Job['keep']): Tree => ({
  x,
  y,
  width,
  height,
  cut: null,
  parts: [],
  lost: 0,
  holds: isWorthKeeping(width, height, keep) ? 'keep' : 'waste',
});

/** A room on both sides of a cut at a setting, the part that comes off first. */
export const splitRoom = (room: Rectangle, cut: 'x' | 'y', setting: number): readonly [Rectangle, Rectangle] =>
  cut === 'x'
    ? [
        { ...room, width: setting },
        { ...room, x: room.x + setting, width: room.width - setting },
      ]
    : [
        { ...room, height: setting },
        { ...room, y: room.y + setting, height: room.height - setting },
      ];

export const isHolding = (holds: Tree['holds']): holds is HoldingTree =>
  holds !== null && typeof holds === 'object' && 'piece' in holds;
export const isRoom = (holds: Tree['holds']): holds is Room =>
  holds !== null && typeof holds === 'object' && 'room' in holds;

/** Size of a part along the direction in which its siblings follow each other. */
export const alongOf = (part: Rectangle, cut: 'x' | 'y'): number => (cut === 'x' ? part.width : part.height);

/** Cuts that take a node apart: edge to edge, or the four stop cuts of a windmill. */
export const countCuts = (node: Tree): number =>
  node.cut === null ? 0 : node.cut === 'windmill' ? 4 : node.parts.length - (node.lost ? 0 : 1);

/** Whether stop cuts are among those of a tree: then its parts cannot change places. */
export const hasWindmill = (node: Tree): boolean => node.cut === 'windmill' || node.parts.some(hasWindmill);

/**
 * Whether a cutter can make a cut: a line `across` long that leaves `off` on one side and `rest` on the other, within
 * its reach, with one of them wide enough to hold, and its dial above 0.
 */
export const canCut = (
  cutter: Pick<Cutter, 'reach' | 'narrowest' | 'long'>,
  across: number,
  off: number,
  rest: number,
): boolean => across <= cutter.reach && Math.max(off, rest) >= cutter.narrowest && off > cutter.long;

/** The settings of a windmill's four stop cuts, in the order of their lines. */
export const windmillSettings = ({ parts }: Tree): number[] => [
  parts[0]!.width,
  parts[0]!.height,
  parts[1]!.height,
  parts[3]!.width,
];

/** Whether a cutter can make one of the four stop cuts of a windmill; line 0 and 3 are upright. */
export const canStopCut = (
  cutter: Pick<Cutter, 'reach' | 'narrowest' | 'long'>,
  node: Tree,
  line: number,
  kerf: number,
): boolean => {
  const setting = windmillSettings(node)[line]!;
  const extent = line === 0 || line === 3 ? node.width : node.height;
  return canCut(cutter, Math.max(node.width, node.height), setting, extent - setting - kerf);
};

/** Whether a setting is on the mark of a cutter, or frees a piece that is not. */
export const isSettingOnMark = (
  { step }: Pick<Cutter, 'step'>,
  setting: number,
  part: Tree,
  pieces: Job['pieces'],
): boolean => !step || setting % step === 0 || holdsOffMark(part, step, pieces);

const holdsOffMark = (node: Tree, step: number, pieces: Job['pieces']): boolean => {
  if (!isHolding(node.holds)) return node.parts.some((part) => holdsOffMark(part, step, pieces));
  const { width, height } = pieces[node.holds.piece]!;
  return width % step !== 0 || height % step !== 0;
};

/** Whether one of the cutters can make each cut of the tree; one that is taken up next, only at its own marks. */
export function canCutTree(tree: Tree, { cutter, pieces }: Pick<Job, 'cutter' | 'pieces'>): boolean {
  const cutters = [cutter, ...cutter.then];
  const serves = (c: Cutter, setting: number, node: Tree, part: Tree) =>
    c === cutter || node.frame === true || isSettingOnMark(c, setting, part, pieces);
  const holds = (node: Tree): boolean => {
    const { parts, cut } = node;
    if (!cut) return !node.opening || holds(node.opening);
    if (cut === 'windmill')
      return (
        [0, 1, 2, 3].every((line) =>
          cutters.some(
            (c) => canStopCut(c, node, line, cutter.kerf) && serves(c, windmillSettings(node)[line]!, node, node),
          ),
        ) && parts.every(holds)
      );
    const across = cut === 'x' ? node.height : node.width;
    let rest = parts.reduce((sum, p) => sum + alongOf(p, cut), 0) + (parts.length - 1) * cutter.kerf;
    for (let i = 0; i < countCuts(node); i++) {
      const off = alongOf(parts[i]!, cut);
      rest = Math.max(0, rest - off - cutter.kerf);
      const left = rest;
      if (!cutters.some((c) => canCut(c, across, off, left) && serves(c, off, node, parts[i]!))) return false;
    }
    return parts.every(holds);
  };
  return holds(tree);
}

export interface TreeFigures {
  kept: number;
  waste: number;
  kerf: number;
  /** Area of openings cut out of pieces, which is not theirs any more. */
  opened: number;
  largestKept: number;
  /** Of each offcut that is kept its area times its shorter side: of two of the same area the broader one serves for more. */
  useful: number;
  /** Area of the largest piece wanted some other time that comes from one of the offcuts. Only one counts, or many small offcuts would seem to serve more. */
  wanted: number;
  cuts: number;
}

/** The area of the largest of some sizes that comes from a part, whichever way round. */
const servedBy = ({ width, height }: Tree, wants: readonly Size[]): number =>
  wants.reduce((most, want) => {
    const comes = (across: number, up: number) => across <= width && up <= height;
    const fits = comes(want.width, want.height) || comes(want.height, want.width);
    return fits ? Math.max(most, want.width * want.height) : most;
  }, 0);

/** Adds up what a tree keeps, wastes and cuts, in square ticks; `wants`: sizes that its offcuts may serve some other time. */
export function addTreeFigures(tree: Tree, kerf: number, into: TreeFigures, wants: readonly Size[] = []): TreeFigures {
  const area = tree.width * tree.height;
  if (tree.holds === 'keep') {
    into.kept += area;
    into.largestKept = Math.max(into.largestKept, area);
    into.useful += area * Math.min(tree.width, tree.height);
    into.wanted = Math.max(into.wanted, servedBy(tree, wants));
  } else if (tree.holds === 'waste') into.waste += area;
  if (tree.opening) {
    const { width, height } = tree.opening;
    into.kerf += (width + 2 * kerf) * (height + 2 * kerf) - width * height;
    into.opened += (width + 2 * kerf) * (height + 2 * kerf);
    addTreeFigures(tree.opening, kerf, into, wants);
  }
  into.cuts += countCuts(tree);
  into.kerf += kerfAreaOf(tree, kerf);
  for (const part of tree.parts) addTreeFigures(part, kerf, into, wants);
  return into;
}

/** Area lost in a node's own cuts. */
export function kerfAreaOf(node: Tree, kerf: number): number {
  if (node.cut === null) return 0;
  if (node.cut === 'windmill')
    return node.width * node.height - node.parts.reduce((sum, p) => sum + p.width * p.height, 0);
  return ((node.parts.length - 1) * kerf + node.lost) * (node.cut === 'x' ? node.height : node.width);
}

export const emptyFigures = (): TreeFigures => ({
  kept: 0,
  waste: 0,
  kerf: 0,
  opened: 0,
  largestKept: 0,
  useful: 0,
  wanted: 0,
  cuts: 0,
});

/** A tree laid anew into a rectangle of the same size, or of the same size turned by a quarter: each piece turns with it. */
export function relayTree(
  tree: Tree,
  into: { readonly x: number; readonly y: number },
  turn: Turn,
  kerf: number,
): Tree {
  const flat = turn % 180 !== 0;
  const swap = { x: 'y', y: 'x' } as const;
  const lay = (node: Tree, x: number, y: number): Tree => {
    const [width, height] = flat ? [node.height, node.width] : [node.width, node.height];
    const cut = node.cut && node.cut !== 'windmill' && flat ? swap[node.cut] : node.cut;
    let at = 0;
    const parts = node.parts.map((part) => {
      const laid = cut === 'x' ? lay(part, x + at, y) : lay(part, x, y + at);
      at += alongOf(laid, cut as 'x' | 'y') + kerf;
      return laid;
    });
    const { holds } = node;
    const turned = isHolding(holds) ? { ...holds, turn: ((holds.turn + turn) % 360) as Turn } : holds;
    return { x, y, width, height, cut, parts, lost: node.lost, holds: turned };
  };
  return lay(tree, into.x, into.y);
}
