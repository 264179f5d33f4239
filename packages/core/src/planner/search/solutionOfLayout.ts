import type { CompiledJob } from '../blanks/compile.ts';
import type { Frame } from '../blanks/frames.ts';
import type { Job } from '../documents/job.ts';
import { areaOf } from '../blanks/outline.ts';
import type { Solution, Standing } from '../sheets/score.ts';
import { countSettings } from '../order/steps.ts';
import { isNewPaper, sumMissingAreas } from '../sheets/standing.ts';
import {
  countCuts,
  addTreeFigures,
  isRoom,
  kerfAreaOf,
  emptyFigures,
  makeOffcutTree,
  type CutSheet,
  type Tree,
  type TreeFigures,
} from '../sheets/tree.ts';
import type { Layout } from './layout.ts';
import { measureSheet, type SheetFigures } from './measure.ts';
import { buildTree } from './buildTree.ts';

/** The solution that a layout stands for: its own sheets, and the frames with what their rooms hold. */
export function buildSolution(layout: Layout): Solution {
  const { c } = layout;
  const sheets: CutSheet[] = [];
  const filled = c.frames.map(() => new Map<number, Tree>());
  for (let b = 0; b < layout.sheets; b++) {
    const { frame, room, stock } = c.blanks[layout.stock[b]!]!;
    const tree = buildTree(layout, b)!;
    if (frame < 0) sheets.push({ stock, tree });
    else filled[frame]!.set(room, tree);
  }
  c.frames.forEach((frame, f) => {
    if (filled[f]!.size || frame.opens)
      sheets.push({ stock: frame.stock, tree: fillRooms(frame.tree, filled[f]!, c.job.keep) });
  });
  return { sheets, missing: Array.from(layout.pool, (n, k) => n + c.unplaced[k]!) };
}

function fillRooms(tree: Tree, filled: ReadonlyMap<number, Tree>, keep: Job['keep']): Tree {
  if (tree.cut) return { ...tree, parts: tree.parts.map((part) => fillRooms(part, filled, keep)) };
  return isRoom(tree.holds) ? (filled.get(tree.holds.room) ?? makeOffcutTree(tree, keep)) : tree;
}

/** How a layout stands, measured sheet by sheet; sheets that have not changed since they were measured are not measured again, `fresh` is told of the others. */
export function measureLayout(layout: Layout, withSettings: boolean, fresh?: (b: number) => void): Standing {
  const { c } = layout;
  const missing = sumMissingAreas(
    { of: c.urgency, levels: c.urgencyLevels },
    (k) => c.area[k]!,
    (k) => layout.pool[k]! + c.unplaced[k]!,
  );
  const figures: SheetFigures = { waste: 0, largestKept: 0, cuts: 0, disliked: 0, pieceArea: 0 };
  let [waste, largestKept, cuts, disliked, fromScraps] = [0, 0, 0, 0, 0];
  for (let b = 0; b < layout.sheets; b++) {
    if (!layout.measured[b]) {
      measureSheet(layout, b, figures);
      layout.measured[b] = 1;
      layout.figures.set(
        [figures.waste, figures.largestKept, figures.cuts, figures.disliked, figures.pieceArea],
        b * 5,
      );
      fresh?.(b);
    }
    const at = b * 5;
    waste += layout.figures[at]!;
    largestKept = Math.max(largestKept, layout.figures[at + 1]!);
    cuts += layout.figures[at + 2]!;
    disliked += layout.figures[at + 3]!;
    if (!isNewPaper(c.blanks[layout.stock[b]!]!.item)) fromScraps += layout.figures[at + 4]!;
  }
  let items = layout.sheets;
  if (c.frames.length) {
    const framed = standingOfFrames(layout);
    waste += framed.waste;
    cuts += framed.cuts;
    disliked += framed.disliked;
    fromScraps += framed.fromScraps;
    items += framed.items;
    largestKept = Math.max(largestKept, framed.largestKept);
  }
  const settings = withSettings ? countSettings(buildSolution(layout).sheets, c.job) : null;
  return {
    missing,
    newArea: layout.newArea + newAreaOfFrames(c),
    disliked,
    waste,
    fromScraps,
    items,
    largestKept,
    settings,
    cuts,
    useful: null,
    wanted: null,
  };
}

/** New paper that is opened for pinned pieces, whatever the search does. */
export const newAreaOfFrames = (c: CompiledJob): number =>
  c.frames.reduce((sum, f) => {
    const item = c.job.stock[f.stock]!;
    return sum + (f.opens && isNewPaper(item) ? areaOf(item) : 0);
  }, 0);

/** Adds what a frame itself wastes, keeps and cuts, its used rooms left out. */
function figuresOfFrame(c: CompiledJob, frame: Frame, used: ReadonlySet<number>, sum: TreeFigures): void {
  const item = c.job.stock[frame.stock]!;
  sum.waste += areaOf(item) - (item.outline ? 0 : frame.tree.width * frame.tree.height);
  // of an odd scrap, only what lies wholly in its outline is counted part by part
  const walk = (tree: Tree, counted: boolean): void => {
    const whole = counted || !item.outline || !tree.frame;
    if (whole && !counted && item.outline) sum.waste -= tree.width * tree.height;
    if (tree.cut) {
      sum.cuts += countCuts(tree);
      if (whole) sum.kerf += kerfAreaOf(tree, c.kerf);
      for (const part of tree.parts) walk(part, whole);
    } else if (isRoom(tree.holds)) {
      if (!used.has(tree.holds.room)) addTreeFigures(makeOffcutTree(tree, c.job.keep), c.kerf, sum);
    } else if (whole) addTreeFigures(tree, c.kerf, sum);
  };
  walk(frame.tree, false);
}

/**
 * [s] what using a blank wastes beside what is wasted in it: of a room, the rest of its frame where that is not cut anyway, less
 * what the room wasted as an offcut. As if no other room of the frame were used.
 */
export function computeWasteBeside(c: CompiledJob): Float64Array {
  return Float64Array.from(c.blanks, ({ frame: f, room }) => {
    if (f < 0) return 0;
    const frame = c.frames[f]!;
    const wasted = (used: ReadonlySet<number>) => {
      const sum = emptyFigures();
      figuresOfFrame(c, frame, used, sum);
      return sum.waste + sum.kerf;
    };
    return wasted(new Set([room])) - (frame.opens ? wasted(new Set()) : 0);
  });
}

/** What the frames add to the sheets in their rooms: their own cuts and waste, rooms that nothing uses, and pinned pieces. */
function standingOfFrames(
  layout: Layout,
): Pick<Standing, 'waste' | 'cuts' | 'disliked' | 'fromScraps' | 'items' | 'largestKept'> {
  const { c } = layout;
  const used = c.frames.map(() => new Set<number>());
  let items = 0;
  for (let b = 0; b < layout.sheets; b++) {
    const { frame, room } = c.blanks[layout.stock[b]!]!;
    if (frame < 0) continue;
    used[frame]!.add(room);
    items--;
  }
  const sum = emptyFigures();
  let [disliked, fromScraps] = [0, 0];
  c.frames.forEach((frame, f) => {
    if (!used[f]!.size && !frame.opens) return;
    items++;
    const item = c.job.stock[frame.stock]!;
    for (const k of frame.pins) disliked += c.job.pieces[k]!.papers.indexOf(item.paper.id);
    if (!isNewPaper(item)) for (const k of frame.pins) fromScraps += c.area[k]!;
    figuresOfFrame(c, frame, used[f]!, sum);
  });
  return { waste: sum.waste + sum.kerf, cuts: sum.cuts, disliked, fromScraps, items, largestKept: sum.largestKept };
}
