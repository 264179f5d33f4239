import type { Job } from '../documents/job.ts';
import { areaOf } from '../blanks/outline.ts';
import type { Solution, Standing } from './score.ts';
import { countSettings } from '../order/steps.ts';
import { addTreeFigures, isHolding, emptyFigures, type Tree, type TreeFigures } from './tree.ts';

/** Whether using an item opens new paper. */
export const isNewPaper = (item: { readonly kind: string }): boolean => item.kind === 'sheet' || item.kind === 'pad';

/** [piece] rank of its priority, 0 for the lowest; and how many ranks there are. */
export function rankUrgencies(job: Job): { of: number[]; levels: number } {
  const ranks = [...new Set(job.pieces.map((p) => p.priority))].sort((a, b) => a - b);
  return { of: job.pieces.map((p) => ranks.indexOf(p.priority)), levels: ranks.length };
}

/** Area of the copies missing, the most urgent first. */
export function sumMissingAreas(
  urgency: { readonly of: ArrayLike<number>; readonly levels: number },
  area: (k: number) => number,
  missing: (k: number) => number,
): number[] {
  const areas = new Array<number>(urgency.levels).fill(0);
  for (let k = 0; k < urgency.of.length; k++) areas[urgency.levels - 1 - urgency.of[k]!]! += missing(k) * area(k);
  return areas;
}
export const missingAreasOf = (job: Job, missing: ArrayLike<number>): number[] =>
  sumMissingAreas(
    rankUrgencies(job),
    (k) => job.pieces[k]!.width * job.pieces[k]!.height,
    (k) => missing[k]!,
  );

/** Figures of one sheet. An odd scrap wastes all of its paper that is in no rectangle of it. */
export function measureSheetTree(job: Job, stock: number, tree: Tree): TreeFigures {
  const item = job.stock[stock]!;
  const sum = emptyFigures();
  const wants = job.wants.get(item.paper.id);
  if (!item.outline) {
    sum.waste = item.width * item.height - tree.width * tree.height;
    return addTreeFigures(tree, job.cutter.kerf, sum, wants);
  }
  sum.waste = areaOf(item);
  const walk = (node: Tree): void => {
    if (node.frame && node.cut) {
      sum.cuts += 1;
      node.parts.forEach(walk);
    } else if (!node.frame) {
      sum.waste -= node.width * node.height;
      addTreeFigures(node, job.cutter.kerf, sum, wants);
    }
  };
  walk(tree);
  return sum;
}

/** Every piece a tree holds, those in openings included. */
export function visitHeldPieces(tree: Tree, visit: (leaf: Tree & { holds: { piece: number } }) => void): void {
  if (isHolding(tree.holds)) visit(tree as Tree & { holds: { piece: number } });
  if (tree.opening) visitHeldPieces(tree.opening, visit);
  for (const part of tree.parts) visitHeldPieces(part, visit);
}

/** How a solution stands, from its trees; with the settings found in so many tries, where not the usual number. */
export function measureSolution(job: Job, solution: Solution, withSettings = true, tries?: number): Standing {
  let [newArea, disliked, waste, fromScraps, largestKept, useful, wanted, cuts] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (const { stock, tree } of solution.sheets) {
    const item = job.stock[stock]!;
    const fresh = isNewPaper(item);
    if (fresh) newArea += areaOf(item);
    const figures = measureSheetTree(job, stock, tree);
    waste += figures.waste + figures.kerf;
    cuts += figures.cuts;
    useful += figures.useful;
    wanted += figures.wanted;
    largestKept = Math.max(largestKept, figures.largestKept);
    visitHeldPieces(tree, ({ holds }) => {
      const piece = job.pieces[holds.piece]!;
      disliked += piece.papers.indexOf(item.paper.id);
      if (!fresh) fromScraps += piece.width * piece.height;
    });
  }
  return {
    missing: missingAreasOf(job, solution.missing),
    newArea,
    disliked,
    waste,
    fromScraps,
    items: solution.sheets.length,
    largestKept,
    settings: withSettings ? countSettings(solution.sheets, job, tries) : null,
    cuts,
    useful,
    wanted,
  };
}
