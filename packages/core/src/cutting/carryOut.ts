import { TICKS_PER_UNIT, exactText, ticks, type Unit } from '../length/index.ts';
import type { Job, JobStock, Plan } from '../planner/index.ts';
import type { StockItem } from '../stock/index.ts';
import type { CutPiece } from './cutPieces.ts';
import { wantedAs } from './pieceIds.ts';
import { partsAfter } from './soFar.ts';

/** What carrying out a plan does to the drawer and the page. */
export interface CutEffects {
  /** How many of each stock item are used up. */
  readonly used: ReadonlyArray<{ readonly stock: string; readonly count: number }>;
  /** Kept offcuts, and parts with cuts left, that go into the drawer, without ids. */
  readonly kept: ReadonlyArray<Omit<StockItem, 'id'>>;
  /** Pieces that are now cut, one entry a copy. */
  readonly pieces: readonly CutPiece[];
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
  const steps = soFar.steps ?? plan.steps.length;
  const used = new Map<string, number>();
  const kept: Omit<StockItem, 'id'>[] = [];
  const pieces: CutPiece[] = [];
  const asked = new Map(job.pieces.map((p) => [p.id, p]));
  const stock = new Map(job.stock.map((s) => [s.id, s]));
  const spoiled = new Set((soFar.spoiled ?? []).map(({ piece, copy }) => `${piece} ${copy}`));
  const length = (n: number) => exactText(ticks(Math.round(n * TICKS_PER_UNIT[plan.unit])), plan.unit);
  const touched = new Set(plan.steps.slice(0, steps).flatMap((s) => s.sheets));
  plan.sheets.forEach((sheet, at) => {
    if (touched.has(at) || steps >= plan.steps.length) used.set(sheet.stock, (used.get(sheet.stock) ?? 0) + 1);
  });
  for (const part of partsAfter(job, plan, steps)) {
    if ('piece' in part) {
      const { piece, copy, side } = part.piece;
      const { block, ...whole } = asked.get(piece)!;
      const { width, height } = block?.each ?? whole;
      const paper = stock.get(plan.sheets[part.sheet]!.stock)!.paper.id;
      const size = { unit: plan.unit, width: exactText(width, plan.unit), height: exactText(height, plan.unit) };
      const one = { piece: wantedAs(block?.of ?? piece), ...size, paper, side };
      // a block is as many pieces as lie in it
      if (!spoiled.has(`${piece} ${copy}`)) for (let i = block?.places.length ?? 1; i > 0; i--) pieces.push(one);
      continue;
    }
    const item = stock.get(plan.sheets[part.sheet]!.stock)!;
    kept.push({
      paper: item.paper.id,
      unit: plan.unit,
      width: length(part.paper.width),
      height: length(part.paper.height),
      quantity: 1,
      kind: 'scrap',
      trim: { left: 0, right: 0, top: 0, bottom: 0 },
      // an offcut lies as its sheet lay
      turned: item.turned,
      reserved: false,
      ...linesOn(item, part.paper, plan.unit),
      origin: { page, stock: item.id, date },
    });
  }
  return { used: [...used].map(([id, count]) => ({ stock: id, count })), kept, pieces };
}

/** The lines not to be cut through that lie on a part of a sheet, counted from its own corner. */
function linesOn(
  { uncut }: JobStock,
  part: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
  unit: Unit,
): Pick<StockItem, 'uncut'> {
  const per = TICKS_PER_UNIT[unit];
  const [left, bottom] = [Math.round(part.x * per), Math.round(part.y * per)];
  const [right, top] = [left + Math.round(part.width * per), bottom + Math.round(part.height * per)];
  const text = (t: number) => (t ? exactText(ticks(t), unit) : 0);
  const lines = uncut
    .filter((line) => line.every((p) => p.x >= left && p.x <= right && p.y >= bottom && p.y <= top))
    .map((line) => line.map((p) => [text(p.x - left), text(p.y - bottom)]) as NonNullable<StockItem['uncut']>[number]);
  return lines.length ? { uncut: lines } : {};
}
