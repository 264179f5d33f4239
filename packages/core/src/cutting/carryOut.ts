import { TICKS_PER_UNIT, exactText, ticks } from '../length/index.ts';
import type { Job, Plan, PlanNode } from '../planner/index.ts';
import type { StockItem } from '../stock/index.ts';

/** What carrying out a plan does to the drawer and the page. */
export interface CutEffects {
  /** How many of each stock item are used up. */
  readonly used: ReadonlyArray<{ readonly stock: string; readonly count: number }>;
  /** Kept offcuts that go into the drawer, without ids. */
  readonly kept: ReadonlyArray<Omit<StockItem, 'id'>>;
  /** Parts whose paper is now cut. */
  readonly parts: readonly string[];
}

/** The effects of cutting a whole plan. `date` is the day, as text; the core has no clock. */
export function effectsOf(job: Job, plan: Plan, page: string, date: string): CutEffects {
  const used = new Map<string, number>();
  const kept: Omit<StockItem, 'id'>[] = [];
  const parts = new Set<string>();
  const stock = new Map(job.stock.map((s) => [s.id, s]));
  const length = (n: number) => exactText(ticks(Math.round(n * TICKS_PER_UNIT[plan.unit])), plan.unit);
  for (const sheet of plan.sheets) {
    used.set(sheet.stock, (used.get(sheet.stock) ?? 0) + 1);
    const item = stock.get(sheet.stock)!;
    const walk = (node: PlanNode): void => {
      if (node.holds === 'keep') {
        kept.push({
          paper: item.paper.id,
          unit: plan.unit,
          width: length(node.width),
          height: length(node.height),
          quantity: 1,
          kind: 'scrap',
          trim: { left: 0, right: 0, top: 0, bottom: 0 },
          // an offcut lies as its sheet lay
          turned: item.turned,
          reserved: false,
          origin: { page, stock: sheet.stock, date },
        });
      } else if (node.holds && typeof node.holds === 'object') parts.add(node.holds.piece);
      node.parts?.forEach(walk);
    };
    walk(sheet.tree);
  }
  return { used: [...used].map(([id, count]) => ({ stock: id, count })), kept, parts: [...parts] };
}
