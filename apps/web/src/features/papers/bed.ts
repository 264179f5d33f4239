import type { Drawer, StockItem } from '@temnex/core/stock';

/** The bed on which the next paper is laid: the paper itself, or the second choice beneath it. */
export type Bed = 'first' | 'second';
/** The layers that are picked, and where a paper would be laid on them. */
export interface Picked {
  readonly ids: ReadonlySet<string>;
  readonly bed: Bed;
}

/** What a dragged paper says that it is. */
export const PAPER_DRAGGED = 'application/x-temnex-paper';

/** All there is of a paper, in the order of the drawer. */
export type StockOf = (paper: string) => readonly StockItem[];

/** The drawer by its papers, looked through once. */
export function stockByPaper({ papers, stock }: Drawer): StockOf {
  const lists = new Map<string, StockItem[]>(papers.map((p) => [p.id, []]));
  for (const item of stock) lists.get(item.paper)?.push(item);
  return (paper) => lists.get(paper) ?? [];
}
