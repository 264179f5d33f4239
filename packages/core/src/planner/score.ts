import type { Compiled } from './compile.ts';
import { schedule } from './steps.ts';
import { figuresOf, type CutSheet } from './tree.ts';

/** What a solution amounts to, in square ticks. */
export interface Solution {
  readonly sheets: readonly CutSheet[];
  /** [k] copies missing */
  readonly missing: readonly number[];
}

/**
 * The order of what is better, as a list of figures of which the first that differs decides; smaller is better.
 * This is the only place that says it:
 *   1. less missing, the most urgent first, by area
 *   2. less area of new paper
 *   3. better liked papers
 *   4. by aim: least-paper      waste, pieces from scraps, items touched, largest offcut, settings, cuts
 *              easiest-cuts     settings, cuts, then as least-paper
 *              largest-offcuts  largest offcut, then as least-paper
 */
export function score(c: Compiled, solution: Solution): number[] {
  const { job } = c;
  const levels = Math.max(...c.urgency) + 1;
  const missing = new Array<number>(levels).fill(0);
  solution.missing.forEach((count, k) => (missing[levels - 1 - c.urgency[k]!]! += count * c.area[k]!));
  let newArea = 0;
  let disliked = 0;
  let fromScraps = 0;
  const figures = { kept: 0, waste: 0, kerf: 0, largestKept: 0, cuts: 0 };
  for (const sheet of solution.sheets) {
    const stock = job.stock[sheet.stock]!;
    const isNew = stock.kind === 'sheet' || stock.kind === 'pad';
    const whole = stock.width * stock.height;
    if (isNew) newArea += whole;
    figures.waste += whole - sheet.tree.width * sheet.tree.height;
    figuresOf(sheet.tree, job.cutter.kerf, figures);
    eachPiece(sheet, (k) => {
      disliked += job.pieces[k]!.papers.indexOf(stock.paper.id);
      if (!isNew) fromScraps += c.area[k]!;
    });
  }
  const waste = figures.waste + figures.kerf;
  const settings = schedule(solution.sheets, job).settings;
  const plain = [waste, -fromScraps, solution.sheets.length, -figures.largestKept];
  const effort = [settings, figures.cuts];
  const byAim =
    job.aim === 'easiest-cuts'
      ? [...effort, ...plain]
      : job.aim === 'largest-offcuts'
        ? [-figures.largestKept, ...plain, ...effort]
        : [...plain, ...effort];
  return [...missing, newArea, disliked, ...byAim];
}

/** Whether score `a` is better than (below 0), as good as (0) or worse than `b`. */
export function compareScores(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!;
  return 0;
}

function eachPiece(sheet: CutSheet, visit: (k: number) => void): void {
  const walk = (node: CutSheet['tree']): void => {
    if (node.holds && typeof node.holds === 'object') visit(node.holds.piece);
    node.parts.forEach(walk);
  };
  walk(sheet.tree);
}
