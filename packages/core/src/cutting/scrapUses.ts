import { formatExactLength, lengthOf, type Ticks, type Unit } from '../length/index.ts';
import type { Size } from '../geometry/index.ts';
import type { RecipeId } from '../recipes/index.ts';
import { isCutFrom, sizeOfItem, type StockItem } from '../stock/index.ts';

/* What a scrap would still give: of each kind of thing the largest, or the most, that comes out of it, with the line that says it. */

export interface ScrapUse {
  readonly recipe: RecipeId;
  /** As it is said in one line, to go on with. */
  readonly line: string;
  /** How many of it; 1 where it is one thing. */
  readonly count: number;
  /** What each takes of the paper. */
  readonly each: Size;
}

/** Prints as they are usually had, the largest first. */
const PRINTS = { in: ['8 x 10', '6 x 8', '5 x 7', '5 x 5', '4 x 6', '4 x 4', '3 1/2 x 5', '3 x 4', '2 x 3', '2 x 2'], mm: ['200 x 300', '150 x 200', '130 x 180', '100 x 150', '100 x 100', '90 x 130', '70 x 100', '50 x 75'] } as const; // prettier-ignore
const REVEAL = { in: '1/4', mm: '6' } as const;
const TAGS = { in: ['3 x 6', '2 1/2 x 5', '2 x 4', '1 1/2 x 3', '1 x 2'], mm: ['75 x 150', '60 x 120', '50 x 100', '40 x 80', '25 x 50'] } as const; // prettier-ignore
const STRIP = { in: '1/2', mm: '12' } as const;
const BANNER = { in: '1 3/8 x 4', mm: '35 x 100' } as const;
const SQUARES = { in: ['2', '1 1/2', '1'], mm: ['50', '40', '25'] } as const;
const PINWHEELS = { in: ['6', '5', '4', '3', '2'], mm: ['150', '120', '100', '75', '50'] } as const;

/** As many as hang in a row on a page; what is more is for another one. */
const IN_A_ROW = { strips: 10, banners: 6 } as const;

const sizeIn = (text: string, unit: Unit): Size => {
  const [width, height] = text.split(' x ');
  return { width: lengthOf(width!, unit), height: lengthOf(height!, unit) };
};
const grown = ({ width, height }: Size, by: Ticks): Size => ({
  width: (width + 2 * by) as Ticks,
  height: (height + 2 * by) as Ticks,
});

/** What comes out of a piece of paper, what takes the most of it first. Of an odd one, what comes out once. */
export function findScrapUses(item: StockItem, unit: Unit): ScrapUse[] {
  const room = sizeOfItem(item);
  const once = (each: Size): boolean => isCutFrom(each, item);
  /** How many alike lie side by side and above each other, the better way round. */
  const many = ({ width, height }: Size): number => {
    if (item.outline) return once({ width, height }) ? 1 : 0;
    const lie = (w: number, h: number) => Math.floor(room.width / w) * Math.floor(room.height / h);
    return Math.max(lie(width, height), lie(height, width));
  };
  const found: ScrapUse[] = [];
  const add = (recipe: RecipeId, line: string, each: Size, count = 1) => {
    if (count > 0) found.push({ recipe, line, each, count });
  };
  const reveal = lengthOf(REVEAL[unit], unit);
  const mats = PRINTS[unit].filter((print) => once(grown(sizeIn(print, unit), reveal)));
  for (const print of mats.slice(0, 2))
    add('mat-stack', `mat ${REVEAL[unit]} around ${print}`, grown(sizeIn(print, unit), reveal));
  const tag = TAGS[unit].find((size) => once(sizeIn(size, unit)));
  if (tag) add('tag', `tag ${tag}`, sizeIn(tag, unit), many(sizeIn(tag, unit)));
  const pinwheel = PINWHEELS[unit].find((side) => once(sizeIn(`${side} x ${side}`, unit)));
  if (pinwheel) add('pinwheel', `pinwheel ${pinwheel}`, sizeIn(`${pinwheel} x ${pinwheel}`, unit));
  const wide = lengthOf(STRIP[unit], unit);
  const long = Math.max(room.width, room.height) as Ticks;
  const strip = { width: long, height: wide };
  const strips = item.outline ? 0 : many(strip);
  if (long >= 6 * wide)
    add(
      'strips',
      `${Math.min(strips, IN_A_ROW.strips)} strips ${STRIP[unit]} x ${formatExactLength(long, unit)}`,
      strip,
      strips,
    );
  const banner = sizeIn(BANNER[unit], unit);
  const banners = many(banner);
  add('banner-strip', `${Math.min(banners, IN_A_ROW.banners)} banners ${BANNER[unit]}`, banner, banners);
  const square = SQUARES[unit].find((side) => many(sizeIn(`${side} x ${side}`, unit)) >= 4);
  if (square) {
    const each = sizeIn(`${square} x ${square}`, unit);
    add('grid', `grid 2 x 2 cell ${square}`, each, many(each));
  }
  return found.sort((a, b) => taken(b) - taken(a));
}
const taken = ({ each, count }: ScrapUse): number => each.width * each.height * count;
