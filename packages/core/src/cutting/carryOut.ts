import { TICKS_PER_UNIT, exactText, ticks } from '../length/index.ts';
import type { Job, Plan, PlanNode } from '../planner/index.ts';
import type { StockItem } from '../stock/index.ts';
import { partOfPiece } from './jobOf.ts';

/** What carrying out a plan does to the drawer and the page. */
export interface CutEffects {
  /** How many of each stock item are used up. */
  readonly used: ReadonlyArray<{ readonly stock: string; readonly count: number }>;
  /** Kept offcuts, and parts with cuts left, that go into the drawer, without ids. */
  readonly kept: ReadonlyArray<Omit<StockItem, 'id'>>;
  /** Parts whose paper is now cut, one entry a copy. */
  readonly parts: readonly string[];
}

/** How far a plan was carried out. */
export interface CutSoFar {
  /** So many of its steps are done; left out: all. */
  readonly steps?: number | undefined;
  /** Copies that were spoiled: their paper is gone, and they are wanted again. */
  readonly spoiled?: ReadonlyArray<{ readonly piece: string; readonly copy: number }> | undefined;
}

/**
 * The effects of cutting a plan, or the first steps of it: sheets not yet touched stay in the drawer, and what is in hand with
 * cuts left goes there as scraps. `date` is the day, as text; the core has no clock.
 */
export function effectsOf(job: Job, plan: Plan, page: string, date: string, soFar: CutSoFar = {}): CutEffects {
  const used = new Map<string, number>();
  const kept: Omit<StockItem, 'id'>[] = [];
  const parts: string[] = [];
  const stock = new Map(job.stock.map((s) => [s.id, s]));
  const done = soFar.steps ?? plan.steps.length;
  const begun = new Set(plan.steps.slice(0, done).flatMap((s) => s.sheets));
  const ahead = plan.steps.slice(done);
  const pathsOf = (hand: boolean) =>
    new Set(
      ahead.flatMap((s) =>
        s.do === 'trim' || (s.do === 'open') !== hand ? [] : s.sheets.map((at) => `${at} ${s.part}`),
      ),
    );
  const open = pathsOf(false);
  const unopened = pathsOf(true);
  const spoiled = new Set((soFar.spoiled ?? []).map(({ piece, copy }) => `${piece} ${copy}`));
  const length = (n: number) => exactText(ticks(Math.round(n * TICKS_PER_UNIT[plan.unit])), plan.unit);
  plan.sheets.forEach((sheet, at) => {
    if (!begun.has(at) && ahead.length) return;
    used.set(sheet.stock, (used.get(sheet.stock) ?? 0) + 1);
    const item = stock.get(sheet.stock)!;
    const keep = (box: Pick<PlanNode, 'width' | 'height'>): void =>
      void kept.push({
        paper: item.paper.id,
        unit: plan.unit,
        width: length(box.width),
        height: length(box.height),
        quantity: 1,
        kind: 'scrap',
        trim: { left: 0, right: 0, top: 0, bottom: 0 },
        // an offcut lies as its sheet lay
        turned: item.turned,
        reserved: false,
        origin: { page, stock: sheet.stock, date },
      });
    const walk = (node: PlanNode, path: string): void => {
      // a part with cuts left: the whole of it, or what follows the parts already taken off
      if (open.has(`${at} ${path}`)) return keep(node);
      if (node.holds === 'keep') keep(node);
      else if (node.holds && typeof node.holds === 'object') {
        const { piece, copy } = node.holds;
        if (!spoiled.has(`${piece} ${copy}`)) parts.push(partOfPiece(piece));
      }
      if (node.opening && !unopened.has(`${at} ${path}`)) walk(node.opening, `${path}.o`);
      for (const [i, part] of (node.parts ?? []).entries()) {
        if (i > 0 && open.has(`${at} ${path}.${i}+`)) {
          const rest = node.parts!.slice(i);
          const last = rest.at(-1)!;
          const along = node.cut === 'x' ? 'width' : 'height';
          const from = node.cut === 'x' ? 'x' : 'y';
          return keep({ ...part, [along]: last[from] + last[along] - part[from] });
        }
        walk(part, `${path}.${i}`);
      }
    };
    walk(sheet.tree, 'r');
  });
  return { used: [...used].map(([id, count]) => ({ stock: id, count })), kept, parts };
}
