import { colourRank, placeOf, sizeOfItem, type Paper, type StockItem } from '@temnex/core/stock';

/** In which order what was found lies. `fitting`: what fits what is looked for best comes first, where something says so. */
export const ORDERS = ['fitting', 'colour', 'size', 'newest', 'paper', 'place'] as const;
export type Order = (typeof ORDERS)[number];
export const ORDER_LABELS: Readonly<Record<Order, string>> = {
  fitting: 'best first',
  colour: 'by colour',
  size: 'largest first',
  newest: 'newest first',
  paper: 'by paper',
  place: 'by place',
};

/** What was found in its order; what is alike in that lies by paper, then the larger first. Leaves the list as it is. */
export function sortFound(
  items: readonly StockItem[],
  order: Order,
  papers: ReadonlyMap<string, Paper>,
  rank: ((item: StockItem) => number) | null,
): StockItem[] {
  const area = (item: StockItem) => sizeOfItem(item).width * sizeOfItem(item).height;
  // of ten thousand items each is looked at once, and each paper once
  const names = [...papers.values()].sort((a, b) => a.name.localeCompare(b.name));
  const alphabet = new Map(names.map((p, i) => [p.id, i]));
  const colours = new Map<string, number>();
  const colourOf = (id: string) => {
    let key = colours.get(id);
    const ground = papers.get(id)?.sides[0]?.look.ground;
    if (key === undefined) colours.set(id, (key = ground === undefined ? Infinity : colourRank(ground)));
    return key;
  };
  const key: (item: StockItem) => number | string =
    order === 'size'
      ? (item) => -area(item)
      : order === 'newest'
        ? (item) => -Number((item.came ?? '0').replaceAll('-', ''))
        : order === 'paper'
          ? () => 0
          : order === 'place'
            ? (item) => placeOf(item, papers.get(item.paper)) ?? '\uffff'
            : order === 'fitting' && rank
              ? rank
              : (item) => colourOf(item.paper);
  return items
    .map((item) => ({ item, key: key(item), paper: alphabet.get(item.paper) ?? Infinity, area: area(item) }))
    .sort((a, b) => compared(a.key, b.key) || a.paper - b.paper || b.area - a.area || (a.item.id < b.item.id ? -1 : 1))
    .map(({ item }) => item);
}

const compared = (a: number | string, b: number | string): number =>
  typeof a === 'string' || typeof b === 'string'
    ? String(a).localeCompare(String(b), undefined, { numeric: true })
    : a - b;
