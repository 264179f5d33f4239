import type { Job } from '../documents/job.ts';
import type { Solution } from './score.ts';
import { alongOf, canCutTree, type Tree } from './tree.ts';

/*
 * A part of a run that is itself cut the same way is no part of its own: `4 11/16, rest` with three of 1 9/16 in the first is
 * `1 9/16, 1 9/16, 1 9/16, rest`. The pieces, the offcuts and the number of cuts stay; the setting for the sum is not needed.
 */

/** The same solution with the runs of its sheets as long as they come; itself where nothing changes. */
export function flattenRuns(solution: Solution, job: Job): Solution {
  let changed = false;
  const sheets = solution.sheets.map((sheet) => {
    const item = job.stock[sheet.stock]!;
    if (sheet.settled || sheet.sequence || item.outline || item.uncut.length) return sheet;
    const tree = flatTree(sheet.tree, job.cutter.step);
    if (tree === sheet.tree || !canCutTree(tree, job)) return sheet;
    changed = true;
    return { ...sheet, tree };
  });
  return changed ? { ...solution, sheets } : solution;
}

function flatTree(node: Tree, step: number | null): Tree {
  if (!node.cut) return node;
  const parts = node.parts.map((part) => flatTree(part, step));
  const merged = parts.flatMap((part, i) => (joins(node, part, i, step) ? part.parts : [part]));
  return merged.length === node.parts.length && parts.every((part, i) => part === node.parts[i])
    ? node
    : { ...node, parts: merged };
}

/** The last part of a run needs no setting; it does once more comes after it, and then it must be on the mark. */
function joins({ cut, frame, parts }: Tree, part: Tree, i: number, step: number | null): boolean {
  if ((cut !== 'x' && cut !== 'y') || part.cut !== cut || part.lost || frame || part.frame) return false;
  return i === parts.length - 1 || !step || alongOf(part.parts.at(-1)!, cut) % step === 0;
}
