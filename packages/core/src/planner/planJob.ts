import { TICKS_PER_UNIT } from '../length/index.ts';
import { lowerBound, type Bound } from './bounds.ts';
import { compile, type Compiled } from './compile.ts';
import type { Job } from './job.ts';
import { whyMissing } from './missing.ts';
import type { Plan, PlanNode, Step } from './plan.ts';
import type { Solution } from './score.ts';
import { search, type Watch } from './search/search.ts';
import { schedule } from './steps.ts';
import { figuresOf, type Tree } from './tree.ts';

export interface PlanWatch {
  /** Milliseconds since some start; the core has no clock of its own. */
  readonly now: () => number;
  readonly cancelled?: () => boolean;
  /** Called with every better plan as it is found. */
  readonly better?: (plan: Plan) => void;
}

/**
 * Plans the cutting of a job: the best plan found in the time (or within the steps) that the job allows.
 * With a limit on steps, the same job and seed give the same plan. Pieces that cannot be cut are listed with reasons.
 */
export function planJob(job: Job, watch: PlanWatch): Plan {
  const compiled = compile(job);
  const bound = lowerBound(compiled);
  const inner: Watch = {
    now: watch.now,
    ...(watch.cancelled ? { cancelled: watch.cancelled } : {}),
    ...(watch.better ? { better: (s: Solution) => watch.better!(planOf(compiled, bound, s)) } : {}),
  };
  return planOf(compiled, bound, search(compiled, bound, inner));
}

/** Writes a solution as a plan document. */
function planOf(c: Compiled, bound: Bound, solution: Solution): Plan {
  const { job } = c;
  const per = TICKS_PER_UNIT[job.unit];
  const length = (t: number) => t / per;
  const area = (t: number) => t / per / per;
  const sheets = sorted(job, solution);
  const copies = new Map<number, number>();
  const stockCopies = new Map<number, number>();
  const next = (map: Map<number, number>, key: number) => {
    const n = (map.get(key) ?? 0) + 1;
    map.set(key, n);
    return n;
  };
  const write = (t: Tree): PlanNode => {
    const place = { x: length(t.x), y: length(t.y), width: length(t.width), height: length(t.height) };
    if (t.cut) return { ...place, cut: t.cut, parts: t.parts.map(write), ...(t.lost ? { lost: length(t.lost) } : {}) };
    if (t.holds === 'keep' || t.holds === 'waste') return { ...place, cut: null, holds: t.holds };
    const { piece, turn, side } = t.holds!;
    return { ...place, cut: null, holds: { piece: job.pieces[piece]!.id, copy: next(copies, piece), turn, side } };
  };
  const totals = { newSheets: 0, newSheetArea: 0, scraps: 0, usedArea: 0 };
  const figures = { kept: 0, waste: 0, kerf: 0, largestKept: 0, cuts: 0 };
  for (const { stock, tree } of sheets) {
    const item = job.stock[stock]!;
    const whole = item.width * item.height;
    totals.usedArea += whole;
    figures.waste += whole - tree.width * tree.height;
    figuresOf(tree, job.cutter.kerf, figures);
    if (item.kind === 'sheet' || item.kind === 'pad') {
      totals.newSheets += 1;
      totals.newSheetArea += whole;
    } else totals.scraps += 1;
  }
  const written = sheets.map(({ stock, tree }) => ({
    stock: job.stock[stock]!.id,
    copy: next(stockCopies, stock),
    tree: write(tree),
  }));
  const cut = job.pieces
    .map((p, k) => (p.quantity - solution.missing[k]!) * p.width * p.height)
    .reduce((a, b) => a + b, 0);
  const { steps, settings } = schedule(sheets, job);
  const missing = job.pieces.flatMap((p, k) => (solution.missing[k] ? [whyMissing(job, p, solution.missing[k]!)] : []));
  return {
    format: 'temnex-plan',
    version: 1,
    job: job.name,
    unit: job.unit,
    aim: job.aim,
    status: missing.length ? 'short' : 'complete',
    sheets: written,
    steps: steps.map((s): Step => {
      const shared = { sheets: [...s.sheets], setting: length(s.setting) };
      if (s.do === 'trim') return { do: 'trim', ...shared, edge: s.edge };
      return { do: 'cut', ...shared, part: s.part, edge: s.edge as 'left' | 'bottom', off: s.off, rest: s.rest };
    }),
    missing,
    totals: {
      newSheets: totals.newSheets,
      newSheetArea: area(totals.newSheetArea),
      scraps: totals.scraps,
      usedArea: area(totals.usedArea),
      pieceArea: area(cut),
      keptArea: area(figures.kept),
      wasteArea: area(figures.waste),
      kerfArea: area(figures.kerf),
      cuts: figures.cuts,
      settings,
    },
    bound: {
      newSheetArea: area(bound.newArea),
      newSheets: bound.newSheets,
      proved: !missing.length && totals.newSheetArea <= bound.newArea,
      how: bound.how,
    },
  };
}

/** Sheets in the order in which a person takes them: scraps first, then new ones, fullest first, alike together. */
function sorted(job: Job, solution: Solution): Solution['sheets'] {
  const isNew = (stock: number) => (job.stock[stock]!.kind === 'sheet' || job.stock[stock]!.kind === 'pad' ? 1 : 0);
  return [...solution.sheets].sort((a, b) => isNew(a.stock) - isNew(b.stock) || a.stock - b.stock);
}
