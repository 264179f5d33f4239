import { parseLength } from '@temnex/core/length';
import { isSheet, sizeOfItem, type Drawer, type PaperFace, type StockItem } from '@temnex/core/stock';
import type { Wish } from '@temnex/core/page';
import type { PaperReach, Reach } from '@temnex/core/cutting';
import { formatCount, formatLength, formatSize, type Voice } from './lengths.ts';
import { STOCK_KIND_LABELS } from './kinds.ts';

/** `scrap of 5 1/2 × 3`. */
export const describeStockItem = (item: StockItem, voice: Voice): string =>
  `${STOCK_KIND_LABELS[item.kind]} of ${formatSize(sizeOfItem(item).width, sizeOfItem(item).height, voice)}`;

/** By how much something is too small: `1⁄4 too short`, or both ways. */
function describeShortfall(short: { width: number; height: number }, voice: Voice): string {
  const ways = [short.width, short.height].filter((t) => t > 0).map((t) => formatLength(t, voice));
  return ways.length > 1 ? `${ways[0]} and ${ways[1]} too short` : `${ways[0]} too short`;
}

/** What of a paper reaches for the layers that were picked, in a few words. */
export function describePaperReach(reach: PaperReach, voice: Voice): string {
  const { best, nearest, reached, of, why } = reach;
  const each = of > 1 ? ' for each' : '';
  if (best?.outline) return `an odd ${describeStockItem(best, voice)} may reach${each}`;
  if (best && isSheet(best)) return `reaches${each}: it takes a ${STOCK_KIND_LABELS[best.kind]}`;
  if (best) return `reaches${each}: a ${describeStockItem(best, voice)}`;
  if (reached && reached === of) return `reaches for each, from several`;
  if (reached) return `reaches for ${reached} of ${of}`;
  if (nearest)
    return `does not reach: the nearest, a ${describeStockItem(nearest.item, voice)}, is ${describeShortfall(nearest.short, voice)}`;
  if (why === 'held-back') return 'all that reaches is held back';
  if (why === 'no-such-face') return 'has no such side, or not that way round';
  if (why === 'none-left') return 'none left';
  return 'does not reach';
}

/** Whether one item reaches for one layer. */
export function describeReach(reach: Reach, voice: Voice): string {
  if (reach.reaches === 'perhaps') return 'may reach';
  if (reach.reaches) return reach.turned ? 'reaches, turned' : 'reaches';
  if (reach.why === 'held-back') return 'held back';
  if (reach.why === 'no-such-face') return 'not that side, or not that way round';
  return describeShortfall(reach.short, voice);
}

/** How a layer shows its paper: `side A, stripes`, or either. */
export const describeSide = (wish: Pick<Wish, 'side'>, faces: readonly PaperFace[]): string => {
  const face = faces.find((f) => f.side === wish.side);
  return face ? `side ${face.side}, ${face.name}` : 'either side';
};
/** Of how many a piece is made: `made of 6, each 1⁄2 over the next`. */
export function describeBuild({ built }: Pick<Wish, 'built'>, { mark, figures }: Voice): string {
  if (!built) return 'made of one';
  const over = parseLength(built.overlap, mark.unit, { allow: 'negative' });
  const ticksOver = over.ok ? over.value.ticks : 0;
  if (ticksOver < 0) return 'made of ends alone, its middle being covered';
  const overlap = formatLength(ticksOver, { mark, figures });
  return `made of ${(built.across.length + 1) * (built.up.length + 1)}, each ${overlap} over the next`;
}
export const DIRECTION_LABELS: Readonly<Record<Wish['direction'], string>> = {
  any: 'may be turned',
  height: 'pattern up and down',
  width: 'pattern across',
};

/** What there is of a paper: `4 sheets, 2 scraps`. */
export function describeStock(items: Drawer['stock']): string {
  const sheets = items.filter(isSheet).reduce((n, i) => n + i.quantity, 0);
  const scraps = items.reduce((n, i) => n + i.quantity, 0) - sheets;
  const parts = [sheets ? formatCount(sheets, 'sheet') : '', scraps ? formatCount(scraps, 'scrap') : ''].filter(
    Boolean,
  );
  return parts.join(', ') || 'none left';
}
