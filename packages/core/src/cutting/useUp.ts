import type { Plan, PlanNode } from '../planner/index.ts';
import { findMismatches, type Paper, type StockQuery, type StockItem } from '../stock/index.ts';
import { pagePieceIdOf } from './pieceIds.ts';

/*
 * Using something up by a rule of one's own: pieces are counted as they are cut, each by the paper that it was cut from. What does not
 * count is told with why not.
 */

/** A cut, as far as it is asked: its day, its plan, and the pieces that came of it, called as in the plan. */
export interface UseUpCut {
  readonly day: string;
  readonly plan: Pick<Plan, 'sheets'>;
  readonly pieces: readonly string[];
}
export interface CountedPieces {
  readonly counted: number;
  readonly days: Readonly<Record<string, number>>;
  readonly not: ReadonlyArray<{
    readonly stock: string;
    readonly pieces: number;
    readonly why: readonly (keyof StockQuery)[];
  }>;
}

/** How many pieces of some cuts count. `stock` are the items that they were cut from, as they were; one that is gone counts for nothing. */
export function countPiecesFor(
  sought: StockQuery,
  cuts: readonly UseUpCut[],
  papers: readonly Paper[],
  stock: ReadonlyMap<string, StockItem>,
): CountedPieces {
  const days: Record<string, number> = {};
  const not = new Map<string, { stock: string; pieces: number; why: readonly (keyof StockQuery)[] }>();
  const known = new Map<string, readonly (keyof StockQuery)[]>();
  let counted = 0;
  for (const { day, plan, pieces } of cuts) {
    const left = new Map<string, number>();
    for (const piece of pieces) left.set(piece, (left.get(piece) ?? 0) + 1);
    for (const { stock: id, tree } of plan.sheets) {
      const item = stock.get(id);
      if (!item) continue;
      let own = 0;
      for (const held of heldIn(tree)) {
        // what was spoiled, or not cut yet, is no piece
        const piece = pagePieceIdOf(held);
        const there = left.get(piece) ?? 0;
        if (!there) continue;
        left.set(piece, there - 1);
        own++;
      }
      if (!own) continue;
      let why = known.get(id);
      if (!why)
        known.set(
          id,
          (why = findMismatches(sought, papers, { ...item, reserved: false, quantity: Math.max(1, item.quantity) })),
        );
      if (why.length) not.set(id, { stock: id, why, pieces: (not.get(id)?.pieces ?? 0) + own });
      else {
        counted += own;
        days[day] = (days[day] ?? 0) + own;
      }
    }
  }
  return { counted, days, not: [...not.values()] };
}

function heldIn(node: PlanNode): string[] {
  const own = typeof node.holds === 'object' ? [node.holds.piece] : [];
  return [...own, ...[...(node.parts ?? []), ...(node.opening ? [node.opening] : [])].flatMap(heldIn)];
}

/** What is left to do, and how fast. */
export type Pace =
  | { readonly status: 'done' }
  | { readonly status: 'before'; readonly days: number; readonly perDay: number }
  | { readonly status: 'running'; readonly left: number; readonly days: number; readonly perDay: number }
  | { readonly status: 'over'; readonly left: number };

const DAY = 86_400_000;
const daysFrom = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY) + 1;

/** The pace that a challenge asks for from a day on, that day counted; rounded up, so that it is reached. */
export function computePace(
  { pieces, from, to }: { readonly pieces: number; readonly from: string; readonly to: string },
  counted: number,
  today: string,
): Pace {
  const left = pieces - counted;
  if (left <= 0) return { status: 'done' };
  if (today < from) return { status: 'before', days: daysFrom(from, to), perDay: Math.ceil(left / daysFrom(from, to)) };
  if (today > to) return { status: 'over', left };
  const days = daysFrom(today, to);
  return { status: 'running', left, days, perDay: Math.ceil(left / days) };
}
