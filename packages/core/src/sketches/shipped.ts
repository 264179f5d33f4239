import { TICKS_PER_UNIT, formatExactLength, ticks } from '../length/index.ts';
import { emptyPage, newItem, type Item, type Page } from '../page/index.ts';

/*
 * Sketches that come along: arrangements without papers or photos, in inches, `[x, y, width, height]` from the lower left corner. A
 * photo is as large as its print; its mat reaches an eighth further.
 */

type Box = readonly [x: number, y: number, width: number, height: number];
interface Drawn {
  readonly id: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly photos: readonly Box[];
  /** Lower left corners. */
  readonly title?: readonly [number, number];
  readonly words?: readonly [number, number];
  readonly banners?: readonly [number, number];
  readonly tag?: readonly [number, number];
  /** Strips right across, their lower edges and heights. */
  readonly strips?: ReadonlyArray<readonly [number, number]>;
}

const DRAWN: readonly Drawn[] = [
  { id: 'one-sky', name: 'One wide sky', width: 12, height: 12, photos: [[3, 4, 6, 4]], title: [3.75, 9], words: [4.5, 2], strips: [[3, 0.5]] }, // prettier-ignore
  { id: 'tall-and-two', name: 'A tall one and two', width: 12, height: 12, photos: [[1, 4.5, 4, 6], [6.5, 7, 4, 3], [6.5, 3.25, 4, 3]], title: [1, 1.5], words: [6.75, 1.5] }, // prettier-ignore
  { id: 'three-in-a-row', name: 'Three on a line', width: 12, height: 12, photos: [[0.75, 5, 3, 4], [4.5, 5, 3, 4], [8.25, 5, 3, 4]], title: [3.75, 2.75], banners: [4.75, 9.9], strips: [[1.5, 0.75]] }, // prettier-ignore
  { id: 'three-up-one-level', name: 'Three up, one along', width: 12, height: 12, photos: [[0.75, 6.5, 3, 4], [4.5, 6.5, 3, 4], [8.25, 6.5, 3, 4], [0.75, 1.5, 6, 4]], words: [7.75, 3.75], title: [7.25, 2.25] }, // prettier-ignore
  { id: 'four-squares', name: 'Four square', width: 12, height: 12, photos: [[1.5, 6.25, 4, 4], [6.5, 6.25, 4, 4], [1.5, 1.25, 4, 4], [6.5, 1.25, 4, 4]], title: [3.75, 11] }, // prettier-ignore
  { id: 'stairs', name: 'Up the dune', width: 12, height: 12, photos: [[0.75, 1.25, 3, 4], [4.5, 3.5, 3, 4], [8.25, 5.75, 3, 4]], title: [0.75, 9.5], words: [8.25, 2] }, // prettier-ignore
  { id: 'two-facing', name: 'Two that look at each other', width: 12, height: 12, photos: [[1.25, 3, 4, 6], [6.75, 3, 4, 6]], title: [3.75, 10], words: [4.5, 1] }, // prettier-ignore
  { id: 'strip-of-five', name: 'Five quick ones', width: 12, height: 12, photos: [[0.5, 7, 2, 3], [2.75, 7, 2, 3], [5, 7, 2, 3], [7.25, 7, 2, 3], [9.5, 7, 2, 3]], title: [3.75, 5], words: [4.5, 2.75], strips: [[1, 1]] }, // prettier-ignore
  { id: 'one-and-tag', name: 'One and a tag', width: 12, height: 12, photos: [[1, 2.5, 5, 7]], tag: [8, 4], title: [6.75, 9.5], words: [7.75, 1.75] }, // prettier-ignore
  { id: 'small-square', name: 'A small page for one', width: 8, height: 8, photos: [[2, 1.9, 4, 4]], title: [1.75, 0.75], banners: [2.75, 6.2] }, // prettier-ignore
  { id: 'letter-two', name: 'Two levels on a tall page', width: 8.5, height: 11, photos: [[1.25, 6.5, 6, 4], [1.25, 0.75, 6, 4]], title: [2, 5.3] }, // prettier-ignore
  { id: 'windrow', name: 'Windrow', width: 12, height: 12, photos: [[0.75, 6.5, 6, 4], [7.75, 7.5, 3, 3], [7.75, 3.75, 3, 3], [0.75, 1.5, 3, 4], [4.25, 1.5, 3, 4]], title: [7.5, 2] }, // prettier-ignore
  { id: 'wide-and-three', name: 'A horizon and three below', width: 12, height: 12, photos: [[2, 6.5, 8, 4], [1, 1.75, 3, 4], [4.5, 1.75, 3, 4], [8, 1.75, 3, 4]], strips: [[0.5, 0.5]] }, // prettier-ignore
];

const text = (n: number): string => formatExactLength(ticks(Math.round(n * TICKS_PER_UNIT.in)), 'in');
const at = (x: number, y: number): Pick<Item, 'at'> => ({
  at: { across: { from: 'left', by: text(x) }, upDown: { from: 'bottom', by: text(y) } },
});
const MAT = 0.125;

function pageOf({ name, width, height, photos, title, words, banners, tag, strips = [] }: Drawn): Page {
  const base = newItem({ id: 'base', name: 'base', recipe: 'base-panels', input: { panels: [] } });
  const made = (id: string, recipe: Item['recipe'], input: object, [x, y]: readonly [number, number]): Item => ({
    ...newItem({ id, name: id, recipe, input }),
    ...at(x, y),
  });
  return {
    ...emptyPage(name),
    ground: { width: text(width), height: text(height) },
    pattern: true,
    items: [
      base,
      ...strips.map(([y, high], i) =>
        made(
          `strip ${i + 1}`,
          'strips',
          {
            run: 'level',
            strip: { width: text(high), length: text(width) },
            count: 1,
            spread: 'row',
            row: {},
            lengths: { as: 'even', flush: 'start' },
            tuck: {},
          },
          [0, y],
        ),
      ),
      ...photos.map(([x, y, w, h], i) =>
        made(
          `photo ${i + 1}`,
          'mat-stack',
          {
            print: { width: text(w), height: text(h), known: 'assumed' },
            mats: [{ id: 'm1', reveal: { style: 'even', all: '1/8' } }],
          },
          [x - MAT, y - MAT],
        ),
      ),
      ...(banners
        ? [made('banners', 'banner-strip', { strip: { width: '5/8', length: '1 1/2' }, count: 4, spread: 'row', row: { gap: '1/8' }, end: { shape: 'notch', longer: 'left' } }, banners)] // prettier-ignore
        : []),
      ...(tag
        ? [made('tag', 'tag', { tag: { width: '2', height: '4' }, top: 'cropped', hole: { as: 'hole' }, number: 1, gap: '1/8' }, tag)] // prettier-ignore
        : []),
      ...(words
        ? [made('words', 'journaling', { lines: 4, strip: { width: '3', letter: '1/8', edge: '1/16' }, printed: { spacing: '3/8' }, placed: { gap: '1/16' } }, words)] // prettier-ignore
        : []),
      ...(title
        ? [made('title', 'letter-row', { number: 8, letter: { width: '1/2', height: '5/8', made: 'there' }, row: { gap: '1/16' } }, title)] // prettier-ignore
        : []),
    ],
  };
}

/** A sketch that comes along. */
export interface ShippedSketch {
  readonly id: string;
  readonly page: Page;
}
export const shippedSketches = (): readonly ShippedSketch[] => DRAWN.map((one) => ({ id: one.id, page: pageOf(one) }));
