import type { Job } from '../documents/job.ts';
import type { Size } from '../../geometry/index.ts';
import { ticks } from '../../length/index.ts';
import {
  alongOf,
  canCutTree,
  addTreeFigures,
  emptyFigures,
  makeOffcutTree,
  type CutSheet,
  type Tree,
  type TreeFigures,
} from './tree.ts';

/*
 * Where two offcuts meet round a corner, either of them may have it; the pieces and the number of cuts stay. Broad paper serves
 * for more than narrow paper of the same area, so of the two ways the one is taken that leaves the more useful offcuts; before that,
 * the one whose offcuts serve more of what other pages want.
 *
 *     +-------+---+        +-----------+
 *     |   k   |   |        |     k     |
 *     +---+---+ l |   or   +---+---+---+
 *     | a | b |   |        | a | b | l |
 *     +---+---+---+        +---+---+---+
 */

/** The sheet with the corners of its offcuts where they are most useful; itself where they are. */
export function arrangeUsefulOffcuts(sheet: CutSheet, job: Job): CutSheet {
  const item = job.stock[sheet.stock]!;
  if (sheet.settled || item.outline || item.uncut.length) return sheet;
  const tree = moreUseful(sheet.tree, job, job.wants.get(item.paper.id));
  if (tree === sheet.tree || !canCutTree(tree, job)) return sheet;
  // what the settings were chosen for is another order of cuts
  return { stock: sheet.stock, tree };
}

export interface OffcutChoice {
  /** Offcuts that are kept, the largest first, and those that would be if the other of two cuts came first; the same paper, the same pieces. */
  readonly kept: readonly Size[];
  readonly instead: readonly Size[];
  /** Why it is cut so: what is kept serves more of what the job says is wanted, or it is broader; both ways are alike; or it is cut so for its cuts. */
  readonly because: 'wanted' | 'broader' | 'alike' | 'cuts';
}

/** Where two offcuts meet and what is worth keeping does not say which of them has the corner: what is kept, and what might be. */
export function listOffcutChoices({ stock, tree }: CutSheet, job: Job): readonly OffcutChoice[] {
  const item = job.stock[stock]!;
  if (item.outline || item.uncut.length) return [];
  const wants = job.wants.get(item.paper.id);
  const choicesIn = (node: Tree): OffcutChoice[] => {
    if (node.cut !== 'x' && node.cut !== 'y') return [];
    const inner = node.parts.flatMap(choicesIn);
    const other = [...new Set([0, node.parts.length - 2])].flatMap((at) =>
      at < 0 || node.lost || node.frame ? [] : (cornerGiven(node, at, job) ?? []),
    )[0];
    if (!other || !canCutTree(other, job)) return inner;
    const [kept, instead] = [keptOf(node), keptOf(other)];
    const differ = { kept: without(kept, instead), instead: without(instead, kept) };
    if (!differ.kept.length || !differ.instead.length) return inner;
    const [is, might] = usesOf(node, other, job.cutter.kerf, wants);
    const [wanted, useful] = [is.wanted - might.wanted, is.useful - might.useful];
    const by = wanted || useful;
    const because = by > 0 ? (wanted ? 'wanted' : 'broader') : by < 0 ? 'cuts' : 'alike';
    return [...inner, { ...differ, because }];
  };
  return choicesIn(tree);
}

const keptOf = (node: Tree): Size[] =>
  node.holds === 'keep' ? [{ width: ticks(node.width), height: ticks(node.height) }] : node.parts.flatMap(keptOf);
const without = (some: readonly Size[], others: readonly Size[]): Size[] =>
  some
    .filter(({ width, height }) => !others.some((o) => o.width === width && o.height === height))
    .sort((a, b) => b.width * b.height - a.width * a.height);

const isOffcut = ({ holds }: Tree): boolean => holds === 'keep' || holds === 'waste';

const usesOf = (one: Tree, other: Tree, kerf: number, wants: readonly Size[] | undefined) =>
  [one, other].map((tree) => addTreeFigures(tree, kerf, emptyFigures(), wants)) as [TreeFigures, TreeFigures];

/** Whether one way leaves offcuts that serve more of what is wanted some other time, or as much and are more useful. */
function leavesMore(one: Tree, other: Tree, kerf: number, wants: readonly Size[] | undefined): boolean {
  const [a, b] = usesOf(one, other, kerf, wants);
  return a.wanted === b.wanted ? a.useful > b.useful : a.wanted > b.wanted;
}

function moreUseful(node: Tree, job: Job, wants: readonly Size[] | undefined): Tree {
  if (node.cut !== 'x' && node.cut !== 'y') return node;
  if (node.lost || node.frame) return node;
  const inner = node.parts.map((part) => moreUseful(part, job, wants));
  let best: Tree = inner.every((part, i) => part === node.parts[i]) ? node : { ...node, parts: inner };
  const from = best;
  for (const at of [0, from.parts.length - 2]) {
    if (at < 0) continue;
    const other = cornerGiven(from, at, job);
    if (other && leavesMore(other, best, job.cutter.kerf, wants)) best = other;
  }
  return best;
}

/** The same run where two neighbours, of which one is an offcut and the other ends in one, are parted the other way first. */
function cornerGiven(node: Tree, at: number, job: Job): Tree | null {
  const [one, two] = [node.parts[at]!, node.parts[at + 1]!];
  const cut = node.cut as 'x' | 'y';
  const other = cut === 'x' ? 'y' : 'x';
  const { kerf } = job.cutter;
  const [held, off] = isOffcut(two) ? [one, two] : [two, one];
  if (!isOffcut(off) || isOffcut(held) || held.cut !== other || held.lost || held.frame) return null;
  const isLast = isOffcut(held.parts.at(-1)!);
  if (!isLast && !isOffcut(held.parts[0]!)) return null;
  const corner = isLast ? held.parts.at(-1)! : held.parts[0]!;
  const rest = isLast ? held.parts.slice(0, -1) : held.parts.slice(1);
  if (!rest.length || rest.every(isOffcut)) return null;
  // both together, and of them the strip with the corner and the strip with the pieces
  const whole = box(cut, [one, two], kerf);
  const strip = (part: { readonly x: number; readonly y: number }, across: number) =>
    cut === 'x'
      ? { x: whole.x, y: part.y, width: whole.width, height: across }
      : { x: part.x, y: whole.y, width: across, height: whole.height };
  const pieces = box(other, rest, kerf);
  const long = makeOffcutTree(strip(corner, alongOf(corner, other)), job.keep);
  const short = makeOffcutTree(
    cut === 'x' ? { ...pieces, x: off.x, width: off.width } : { ...pieces, y: off.y, height: off.height },
    job.keep,
  );
  const inner: Tree = rest.length === 1 ? rest[0]! : { ...pieces, cut: other, parts: rest, lost: 0, holds: null };
  const first: Tree = {
    ...strip(pieces, alongOf(pieces, other)),
    cut,
    parts: off === two ? [inner, short] : [short, inner],
    lost: 0,
    holds: null,
  };
  const parted: Tree = { ...whole, cut: other, parts: isLast ? [first, long] : [long, first], lost: 0, holds: null };
  if (node.parts.length === 2) return parted;
  return { ...node, parts: [...node.parts.slice(0, at), parted, ...node.parts.slice(at + 2)] };
}

/** What parts of a run take up together, with the kerf between them. */
function box(cut: 'x' | 'y', parts: readonly Tree[], kerf: number) {
  const { x, y, width, height } = parts[0]!;
  const along = parts.reduce((sum, part) => sum + alongOf(part, cut), (parts.length - 1) * kerf);
  return cut === 'x' ? { x, y, width: along, height } : { x, y, width, height: along };
}
