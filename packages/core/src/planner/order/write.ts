import { TICKS_PER_UNIT } from '../../length/index.ts';
import type { Bound } from '../proof/bounds.ts';
import type { Aim, Job } from '../documents/job.ts';
import { explainMissing } from '../shortage/missing.ts';
import { areaOf } from '../blanks/outline.ts';
import type { Plan, PlanNode, Step } from '../documents/plan.ts';
import type { Solution } from '../sheets/score.ts';
import { visitHeldPieces, measureSheetTree, isNewPaper } from '../sheets/standing.ts';
import { findBestSchedule, type CutStep } from './steps.ts';
import { isHolding, type Tree } from '../sheets/tree.ts';

/** Writes a solution as a plan document, in the version of its job; its cuts in the best of so many orders, of so many cuts in all. */
export function writePlan(job: Job, bound: Bound, solution: Solution, aim: Aim, tries = 5, most?: number): Plan {
  const per = TICKS_PER_UNIT[job.unit];
  const length = (t: number) => t / per;
  const area = (t: number) => t / per / per;
  const { sheets, steps, settings } = findBestSchedule(sorted(job, solution), job, tries, most);
  const copies = counter();
  const stockCopies = counter();
  const write = (t: Tree): PlanNode => {
    const place = { x: length(t.x), y: length(t.y), width: length(t.width), height: length(t.height) };
    if (t.cut) return { ...place, cut: t.cut, parts: t.parts.map(write), ...(t.lost ? { lost: length(t.lost) } : {}) };
    if (!isHolding(t.holds)) return { ...place, cut: null, holds: t.frame ? 'odd' : (t.holds as 'keep' | 'waste') };
    const { piece, turn, side } = t.holds;
    const holds = { piece: job.pieces[piece]!.id, copy: copies(piece), turn, side };
    return { ...place, cut: null, holds, ...(t.opening ? { opening: write(t.opening) } : {}) };
  };
  const totals = { newSheets: 0, newSheetArea: 0, scraps: 0, usedArea: 0 };
  const sum = { pieces: 0, kept: 0, waste: 0, kerf: 0, cuts: 0 };
  for (const { stock, tree } of sheets) {
    const item = job.stock[stock]!;
    totals.usedArea += areaOf(item);
    if (isNewPaper(item)) {
      totals.newSheets += 1;
      totals.newSheetArea += areaOf(item);
    } else totals.scraps += 1;
    const figures = measureSheetTree(job, stock, tree);
    sum.kept += figures.kept;
    sum.waste += figures.waste;
    sum.kerf += figures.kerf;
    sum.cuts += figures.cuts;
    sum.pieces -= figures.opened;
    visitHeldPieces(tree, ({ width, height }) => (sum.pieces += width * height));
  }
  const written = sheets.map(({ stock, tree }) => ({
    stock: job.stock[stock]!.id,
    copy: stockCopies(stock),
    tree: write(tree),
  }));
  const missing = job.pieces.flatMap((p, k) =>
    solution.missing[k] ? [explainMissing(job, p, solution.missing[k]!)] : [],
  );
  return {
    format: 'temnex-plan',
    version: job.version,
    job: job.name,
    unit: job.unit,
    aim,
    status: missing.length ? 'short' : 'complete',
    sheets: written,
    steps: steps.map((s) => stepOf(job, s, length)),
    missing,
    totals: {
      newSheets: totals.newSheets,
      newSheetArea: area(totals.newSheetArea),
      scraps: totals.scraps,
      usedArea: area(totals.usedArea),
      pieceArea: area(sum.pieces),
      keptArea: area(sum.kept),
      wasteArea: area(sum.waste),
      kerfArea: area(sum.kerf),
      cuts: sum.cuts,
      settings,
    },
    bound: {
      newSheetArea: area(bound.newArea),
      newSheets: bound.newSheets,
      proved: !missing.length && totals.newSheetArea <= bound.newArea,
      how: bound.how,
      ...(job.version > 1 && (bound.settings ?? Infinity) <= settings ? { settings: bound.settings } : {}),
    },
  };
}

/** A cut as a step of the plan; a cutter that does not cut as set is told what to set. */
function stepOf(job: Job, s: CutStep, length: (ticks: number) => number): Step {
  const sheets = [...s.sheets];
  if (s.setting === null) return { do: 'open', sheets, part: s.part, off: s.off };
  const cutter = [job.cutter, ...job.cutter.then][s.by]!;
  const shared = {
    sheets,
    setting: length(s.setting),
    ...(s.by ? { by: s.by } : {}),
    ...(cutter.long ? { dial: length(s.setting - cutter.long) } : {}),
  };
  if (s.do === 'trim') return { do: 'trim', ...shared, edge: s.edge };
  const edge = s.edge as 'left' | 'bottom';
  if (s.do === 'stop') return { do: 'stop', ...shared, part: s.part, line: s.line, edge, until: length(s.until) };
  return { do: 'cut', ...shared, part: s.part, edge, off: s.off, rest: s.rest };
}

function counter(): (key: number) => number {
  const counts = new Map<number, number>();
  return (key) => {
    const n = (counts.get(key) ?? 0) + 1;
    counts.set(key, n);
    return n;
  };
}

/** Sheets in the order in which a person takes them: scraps first, then new ones, alike together. */
function sorted(job: Job, solution: Solution): Solution['sheets'] {
  const isNew = (stock: number) => (isNewPaper(job.stock[stock]!) ? 1 : 0);
  return [...solution.sheets].sort((a, b) => isNew(a.stock) - isNew(b.stock) || a.stock - b.stock);
}
