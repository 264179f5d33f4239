import { sizeOfItem, type StockItem } from '@temnex/core/stock';

/** Of what nobody has set aside, in square ticks. */
export const areaOf = (stock: readonly StockItem[]): number =>
  stock.reduce((n, s) => n + (s.reserved ? 0 : sizeOfItem(s).width * sizeOfItem(s).height * s.quantity), 0);
