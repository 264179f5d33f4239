import { TICKS_PER_UNIT, formatExactLength, ticks, type Unit } from '../length/index.ts';
import type { Job, JobStock, Plan } from '../planner/index.ts';
import type { StockItem } from '../stock/index.ts';
import type { CutPiece } from './cutPieces.ts';
import { pagePieceIdOf } from './pieceIds.ts';
import { namePartsOfPlan } from './letters.ts';
import { collectPartsAfter } from './begunParts.ts';
import { partInHandFor, type LeftPaper, type SpoiledPiece, type WrongCut } from './wrongCut.ts';

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
export interface CutProgress {
  /** So many of its steps are done; left out: all. */
  readonly steps?: number | undefined;
  /** Copies that were spoiled: they are wanted again, and only what is left of them is paper. */
  readonly spoiled?: readonly SpoiledPiece[] | undefined;
  /** The step after those went wrong. */
  readonly wrong?: WrongCut | undefined;
  /** Copies that came out as something else, and will do. */
  readonly measured?: ReadonlyArray<{ piece: string; copy: number } & LeftPaper> | undefined;
}

/**
 * The effects of cutting a plan, or the first steps of it: sheets not yet touched stay in the drawer, and what is in hand with
 * cuts left goes there as scraps. Of a cut that went wrong, what was in hand is gone and what is left of it goes there too.
 * `date` is the day, as text; the core has no clock.
 */
export function computeCutEffects(
  job: Job,
  plan: Plan,
  page: string,
  date: string,
  soFar: CutProgress = {},
): CutEffects {
  const steps = soFar.steps ?? plan.steps.length;
  const { wrong } = soFar;
  const used = new Map<string, number>();
  const kept: Omit<StockItem, 'id'>[] = [];
  const pieces: CutPiece[] = [];
  const asked = new Map(job.pieces.map((p) => [p.id, p]));
  const stock = new Map(job.stock.map((s) => [s.id, s]));
  const copies = <T extends { piece: string; copy: number }>(list: readonly T[] | undefined) =>
    new Map((list ?? []).map((one) => [`${one.piece} ${one.copy}`, one]));
  const spoiled = copies(soFar.spoiled);
  const measured = copies(soFar.measured);
  const length = (n: number) => formatExactLength(ticks(Math.round(n * TICKS_PER_UNIT[plan.unit])), plan.unit);
  const nameOf = namePartsOfPlan(plan);
  const scrapOf = (
    item: JobStock | null,
    paper: string,
    from: string,
    size: LeftPaper,
    part: string | null = null,
  ): Omit<StockItem, 'id'> => ({
    paper,
    unit: plan.unit,
    width: size.width,
    height: size.height,
    quantity: 1,
    kind: 'scrap',
    trim: { left: 0, right: 0, top: 0, bottom: 0 },
    // an offcut lies as its sheet lay
    turned: item?.turned ?? 0,
    reserved: false,
    origin: { page, stock: from, date, ...(part === null ? {} : { part }) },
  });

  const touched = new Set(plan.steps.slice(0, steps).flatMap((s) => s.sheets));
  // the sheets that were in hand for the step that went wrong; of another paper, they were not
  const spoiltSheets = wrong && wrong.how !== 'paper' ? (plan.steps[steps]?.sheets ?? []) : [];
  const hand = spoiltSheets.length ? partInHandFor(job, plan, steps) : null;
  for (const at of spoiltSheets) touched.add(at);
  plan.sheets.forEach((sheet, at) => {
    if (touched.has(at) || (steps >= plan.steps.length && !wrong))
      used.set(sheet.stock, (used.get(sheet.stock) ?? 0) + 1);
  });
  for (const part of collectPartsAfter(job, plan, steps)) {
    const item = stock.get(plan.sheets[part.sheet]!.stock)!;
    if ('piece' in part) {
      const { piece, copy, side } = part.piece;
      const { block, ...whole } = asked.get(piece)!;
      const { width, height } = block?.each ?? whole;
      const key = `${piece} ${copy}`;
      const lost = spoiled.get(key);
      if (lost) {
        for (const size of lost.left ?? []) kept.push(scrapOf(item, item.paper.id, item.id, size));
        continue;
      }
      const size = {
        unit: plan.unit,
        width: formatExactLength(width, plan.unit),
        height: formatExactLength(height, plan.unit),
      };
      const as = measured.get(key);
      const one: CutPiece = {
        piece: pagePieceIdOf(block?.of ?? piece),
        ...size,
        paper: item.paper.id,
        side,
        ...(as ? { cameOutAs: { width: as.width, height: as.height } } : {}),
      };
      // a block is as many pieces as lie in it
      for (let i = block?.places.length ?? 1; i > 0; i--) pieces.push(one);
      continue;
    }
    if (hand && spoiltSheets.includes(part.sheet) && liesIn(part.paper, hand)) continue;
    kept.push({
      ...scrapOf(
        item,
        item.paper.id,
        item.id,
        { width: length(part.paper.width), height: length(part.paper.height) },
        nameOf(part.sheet, part.path),
      ),
      ...linesOn(item, part.paper, plan.unit),
    });
  }
  if (wrong?.how === 'paper' && wrong.stock !== undefined) {
    const count = plan.steps[steps]?.sheets.length ?? 1;
    used.set(wrong.stock, (used.get(wrong.stock) ?? 0) + count);
  }
  if (wrong) {
    const other = wrong.how === 'paper' ? (stock.get(wrong.stock ?? '') ?? null) : null;
    for (const at of plan.steps[steps]?.sheets ?? []) {
      const item = wrong.how === 'paper' ? other : stock.get(plan.sheets[at]!.stock)!;
      // of a paper that the order does not know, whoever keeps the drawer says which it is
      // What was in hand bears its letter still where all that is left of it is one piece.
      const step = plan.steps[steps]!;
      const inHand = step.do === 'trim' ? 'r' : step.part;
      const part = wrong.how !== 'paper' && wrong.left.length === 1 ? nameOf(at, inHand) : null;
      const from = wrong.how === 'paper' ? (wrong.stock ?? '') : item!.id;
      for (const size of wrong.left) kept.push(scrapOf(item, item?.paper.id ?? '', from, size, part));
    }
  }
  return { used: [...used].map(([id, count]) => ({ stock: id, count })), kept, pieces };
}

type Spot = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
const NEAR = 1e-6;
const liesIn = (a: Spot, b: Spot): boolean =>
  a.x >= b.x - NEAR &&
  a.y >= b.y - NEAR &&
  a.x + a.width <= b.x + b.width + NEAR &&
  a.y + a.height <= b.y + b.height + NEAR;

/** The lines not to be cut through that lie on a part of a sheet, counted from its own corner. */
function linesOn({ uncut }: JobStock, part: Spot, unit: Unit): Pick<StockItem, 'uncut'> {
  const per = TICKS_PER_UNIT[unit];
  const [left, bottom] = [Math.round(part.x * per), Math.round(part.y * per)];
  const [right, top] = [left + Math.round(part.width * per), bottom + Math.round(part.height * per)];
  const text = (t: number) => (t ? formatExactLength(ticks(t), unit) : 0);
  const lines = uncut
    .filter((line) => line.every((p) => p.x >= left && p.x <= right && p.y >= bottom && p.y <= top))
    .map((line) => line.map((p) => [text(p.x - left), text(p.y - bottom)]) as NonNullable<StockItem['uncut']>[number]);
  return lines.length ? { uncut: lines } : {};
}
