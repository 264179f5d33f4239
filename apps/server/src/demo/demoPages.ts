import { DEFAULT_FRAMING, type Framing } from '@temnex/core/photos';
import { emptyPage, newItem, type Item, type Page, type Place, type Wish } from '@temnex/core/page';
import { directionAsDrawn } from '@temnex/core/cutting';
import { demoPapers } from './demoDrawer.ts';
import { demoPhotoId, demoPhotos } from './demoPhotos.ts';

/* The same week as pages. */

export const DEMO_PAGE_ID = 'demo-first-wind';

const wish = (
  paper: string,
  side: Wish['side'] = 'A',
  direction: Wish['direction'] = directionAsDrawn(
    demoPapers().find(({ id }) => id === paper)!,
    side,
  ),
  also: string[] = [],
): Wish => ({ papers: [paper, ...also], side, direction });

const place = (
  across: Extract<Place['across']['from'], 'left' | 'centre' | 'right'>,
  by: string,
  upDown: Extract<Place['upDown']['from'], 'bottom' | 'centre' | 'top'>,
  away: string,
): Place => ({ across: { from: across, by }, upDown: { from: upDown, by: away } });

/** A photo of the example as it is seen on a layer. */
function shows(name: string, framing: Partial<Framing> = {}): NonNullable<Item['pictures']> {
  const { photo } = demoPhotos.find((one) => one.photo.id === demoPhotoId(name))!;
  const { id, file, width, height, stay } = photo;
  return { print: { photo: id, file, width, height, ...DEFAULT_FRAMING, ...framing, stay } };
}

/** A 12 × 12 page: nested base panels, a photo with three even mats, a photo with a footer mat, a row of banners. */
export const demoPage = (): Page => ({
  ...emptyPage('First wind at Saltmarsh Point'),
  items: [
    {
      ...newItem({
        id: 'base',
        name: 'base',
        recipe: 'base-panels',
        input: {
          panels: [
            { id: 'outer', reveal: { style: 'even', all: '3/8' } },
            { id: 'sky', reveal: { style: 'two' }, width: '9 1/2', height: '9 1/2' },
          ],
        },
      }),
      wishes: {
        base: wish('demo-slate'),
        outer: wish('demo-marram', 'A', 'height'),
        sky: wish('demo-gust', 'A', 'height'),
      },
      names: { outer: 'outer panel', sky: 'sky panel' },
    },
    {
      ...newItem({
        id: 'launch',
        name: 'Runa at the launch',
        recipe: 'mat-stack',
        input: {
          print: { width: '4', height: '6', known: 'assumed' },
          mats: [
            { id: 'm1', reveal: { style: 'even', all: '1/8' } },
            { id: 'm2', reveal: { style: 'even', all: '1/16' } },
            { id: 'm3', reveal: { style: 'even', all: '3/8' } },
          ],
        },
      }),
      wishes: {
        m1: wish('demo-chalk'),
        m2: wish('demo-buoy', 'A', 'any', ['demo-slate']),
        m3: wish('demo-swell', 'B'),
      },
      at: place('left', '1 3/4', 'bottom', '1 3/4'),
      pictures: shows('launch'),
    },
    {
      ...newItem({
        id: 'boxkite',
        name: 'the box kite',
        recipe: 'mat-stack',
        input: {
          print: { width: '2 1/4', height: '2 1/4', known: 'measured' },
          mats: [{ id: 'm1', reveal: { style: 'footer', sides: '3/16', bottom: '11/16' } }],
        },
      }),
      wishes: { m1: wish('demo-sailcloth', 'A', 'height') },
      at: place('right', '1 3/4', 'bottom', '2 1/4'),
      pictures: shows('boxkite'),
    },
    {
      ...newItem({
        id: 'pennants',
        name: 'pennants',
        recipe: 'banner-strip',
        input: {
          strip: { width: '5/8', length: '1 3/4' },
          count: 4,
          spread: 'row',
          row: { gap: '1/8' },
          end: { shape: 'notch', longer: 'left' },
        },
      }),
      wishes: { strip: wish('demo-buoy', 'A') },
      at: place('right', '1 3/4', 'top', '1 1/4'),
    },
  ],
});

const blank = (keys: readonly string[], by: Wish): Record<string, Wish> =>
  Object.fromEntries(keys.map((key) => [key, by]));

/** Two facing 12 × 12 pages: a band of blocks over the seam, pennants on a sagging line, a framed photo and one as high as that. */
const spreadPage = (): Page => ({
  ...emptyPage('Two days on the shingle'),
  ground: { width: '12', height: '12', seam: '0' },
  items: [
    {
      ...newItem({
        id: 'base',
        name: 'base',
        recipe: 'base-panels',
        input: { panels: [] },
      }),
      wishes: { base: wish('demo-chalk') },
    },
    {
      ...newItem({
        id: 'horizon',
        name: 'the horizon',
        recipe: 'block-band',
        input: {
          run: 'level',
          band: { high: '4 1/2' },
          blocks: [
            { id: 'dune', width: '6 3/4', share: 1 },
            { id: 'water', share: 2 },
            { id: 'wall', share: 1 },
          ],
          join: { how: 'tuck', tuck: '1/4' },
        },
      }),
      wishes: {
        dune: wish('demo-marram', 'A', 'height'),
        water: wish('demo-swell'),
        wall: wish('demo-slate', 'B'),
      },
      names: { dune: 'dune', water: 'water', wall: 'harbour wall' },
      at: place('centre', '0', 'bottom', '2 1/4'),
    },
    {
      ...newItem({
        id: 'frame',
        name: 'Tove and the delta',
        recipe: 'strip-frame',
        input: {
          photo: { width: '3 1/2', height: '5', known: 'measured' },
          strip: { width: '1/2', stock: '12' },
          corners: 'mitred',
          sits: 'outside',
          outer: {},
        },
      }),
      wishes: blank(['left', 'right', 'bottom', 'top'], wish('demo-buoy')),
      pictures: shows('delta'),
      on: { page: 'left' },
      at: place('left', '1 1/2', 'bottom', '1 1/4'),
    },
    {
      ...newItem({
        id: 'tails',
        name: 'tails on the line',
        recipe: 'banner-strip',
        input: {
          strip: { width: '1', length: '2 1/2' },
          count: 7,
          spread: 'row',
          row: { gap: '1/4' },
          end: { shape: 'notch', longer: 'left' },
          hang: { line: 'curve', drop: '1' },
        },
      }),
      wishes: { strip: wish('demo-sailcloth') },
      on: { page: 'right' },
      at: place('centre', '0', 'top', '1/2'),
    },
    {
      ...newItem({
        id: 'harbour',
        name: 'low water',
        recipe: 'mat-stack',
        input: {
          print: { width: '4', known: 'assumed' },
          mats: [{ id: 'm1', reveal: { style: 'even', all: '1/4' }, height: '6' }],
        },
      }),
      // as high as the framed photo on the other page
      follows: [{ path: ['mats', 0, 'height'], of: 'frame', axis: 'height', by: '0' }],
      wishes: { m1: wish('demo-slate') },
      on: { page: 'right' },
      at: place('right', '1 1/2', 'bottom', '1 1/4'),
    },
    {
      ...newItem({
        id: 'rungs',
        name: 'the jetty',
        recipe: 'strips',
        input: {
          run: 'level',
          strip: { width: '3/8', length: '3' },
          count: 5,
          spread: 'row',
          row: { gap: '3/16' },
          lengths: { as: 'graded', shortest: '1', flush: 'start' },
          tuck: {},
        },
      }),
      wishes: blank(['strip-1', 'strip-2', 'strip-3', 'strip-4', 'strip-5'], wish('demo-slate')),
      on: { page: 'left' },
      at: place('right', '1/2', 'top', '3/4'),
    },
  ],
});

/** An 8 × 8 page: half and half, a hollow mat whose centre comes free, a punched border that meets both ends alike. */
const jettyPage = (): Page => ({
  ...emptyPage('The kite that stayed up'),
  ground: { width: '8', height: '8' },
  items: [
    {
      ...newItem({
        id: 'halves',
        name: 'sky and shore',
        recipe: 'half-base',
        input: { along: 'bottom', cover: '3', beneath: { reach: 'tucked', tuck: '1/4' } },
      }),
      wishes: { beneath: wish('demo-gust', 'A', 'height'), cover: wish('demo-marram', 'A', 'height') },
      names: { beneath: 'sky', cover: 'shore' },
    },
    {
      ...newItem({
        id: 'edge',
        name: 'the surf',
        recipe: 'border-strip',
        input: {
          strip: { long: '8', width: '3/4' },
          punch: { repeat: '7/16', depth: '3/16' },
          middle: 'better',
          sides: 'one',
        },
      }),
      wishes: { top: wish('demo-chalk') },
      at: place('centre', '0', 'bottom', '2 5/8'),
    },
    {
      ...newItem({
        id: 'ring',
        name: 'window on the wind',
        recipe: 'hollow-mat',
        input: {
          outer: { width: '5', height: '4 1/2', known: 'assumed' },
          ring: { reveal: { style: 'even', all: '5/8' } },
          centre: {},
          above: { width: '4 1/4', height: '3 3/4' },
        },
      }),
      wishes: { ring: wish('demo-slate') },
      at: place('centre', '0', 'top', '3/4'),
    },
    {
      ...newItem({
        id: 'up',
        name: 'up at last',
        recipe: 'mat-stack',
        input: {
          print: { width: '4', height: '3 1/2', known: 'measured' },
          mats: [{ id: 'm1', reveal: { style: 'even', all: '1/8' } }],
        },
      }),
      wishes: { m1: wish('demo-chalk') },
      pictures: shows('row-of-kites'),
      on: { item: 'ring', slot: 'centre' },
    },
  ],
});

/** A 12 × 12 page: a quilt of cells with a window for a photo in it, and a honeycomb beside it. */
const quiltPage = (): Page => ({
  ...emptyPage('Every kite we saw'),
  items: [
    {
      ...newItem({ id: 'base', name: 'base', recipe: 'base-panels', input: { panels: [] } }),
      wishes: { base: wish('demo-slate') },
    },
    {
      ...newItem({
        id: 'quilt',
        name: 'the quilt',
        recipe: 'grid',
        input: {
          cell: { as: 'square', width: '1 1/2' },
          columns: 4,
          rows: 5,
          gutter: '1/8',
          spread: 'grid',
          margin: {},
          all: {},
          papers: 3,
          counts: {},
          large: [
            { id: 'window', column: 2, row: 3, columns: 2, rows: 2, paper: 'own' },
            { id: 'tag', column: 3, row: 1, columns: 2, rows: 1, paper: 'pattern' },
          ],
          loose: { seed: 1 },
        },
      }),
      wishes: {
        'cell-1': wish('demo-gust'),
        'cell-2': wish('demo-marram'),
        'cell-3': wish('demo-buoy'),
        window: wish('demo-chalk'),
      },
      names: { window: 'window', tag: 'place for words' },
      at: place('left', '5/8', 'centre', '0'),
    },
    {
      ...newItem({
        id: 'crowd',
        name: 'the crowd',
        recipe: 'mat-stack',
        input: {
          print: { width: '2 5/8', height: '2 5/8', known: 'measured' },
          mats: [{ id: 'm1', reveal: { style: 'even', all: '1/8' } }],
        },
      }),
      pictures: shows('three'),
      wishes: { m1: wish('demo-swell') },
      on: { item: 'quilt', slot: 'window' },
    },
    {
      ...newItem({
        id: 'comb',
        name: 'the flock',
        recipe: 'shapes',
        input: {
          figure: 'hexagon',
          size: { flats: '1 5/8' },
          pointing: 'points-up',
          points: 5,
          columns: 2,
          rows: 5,
          gap: '1/16',
          all: {},
          lie: 'moved',
          edges: 'whole',
          papers: 3,
        },
      }),
      wishes: { 'shape-1': wish('demo-sailcloth'), 'shape-2': wish('demo-chalk'), 'shape-3': wish('demo-swell', 'B') },
      at: place('right', '1/2', 'centre', '0'),
    },
  ],
});

/** A 12 × 12 page: rays from a corner under a woven mat, a fan, two pinwheels and a hanging edge of halved circles. */
const coloursPage = (): Page => ({
  ...emptyPage('Colours in the wind'),
  items: [
    {
      ...newItem({ id: 'base', name: 'base', recipe: 'base-panels', input: { panels: [] } }),
      wishes: { base: wish('demo-chalk') },
    },
    {
      ...newItem({
        id: 'sun',
        name: 'first light',
        recipe: 'rays',
        input: {
          centre: { at: 'lower-left' },
          hub: { as: 'paper', radius: '2 1/2' },
          ray: { width: '5/8', tuck: '1/2' },
          angles: { as: 'even', count: 5 },
          order: 'ab',
          sheet: { width: '12', height: '12' },
          long: { how: 'join', lap: '1/2' },
        },
      }),
      wishes: { 'ray-1': wish('demo-marram', 'B'), 'ray-2': wish('demo-gust', 'B'), hub: wish('demo-buoy') },
    },
    {
      ...newItem({
        id: 'bunting',
        name: 'the awning',
        recipe: 'half-circles',
        input: {
          cut: 'halves',
          circle: { across: '2' },
          strip: {},
          count: 6,
          spread: 'row',
          row: { gap: '0' },
          lie: 'edge',
          round: 'down',
        },
      }),
      wishes: { circle: wish('demo-swell', 'B') },
      at: place('centre', '0', 'top', '0'),
    },
    {
      ...newItem({
        id: 'wheels',
        name: 'pinwheels',
        recipe: 'pinwheel',
        input: {
          square: { side: '2', short: '1/4', back: 'own' },
          tips: {},
          hub: { as: 'paper' },
          number: 2,
          gap: '1/4',
        },
      }),
      wishes: { square: wish('demo-gust', 'B'), hub: wish('demo-slate') },
      at: place('right', '3/4', 'top', '1 1/2'),
    },
    {
      ...newItem({
        id: 'fan',
        name: 'tail feathers',
        recipe: 'burst',
        input: {
          form: 'fan',
          strip: { width: '3/8', length: '2 3/4' },
          strips: [],
          count: 7,
          angle: { spread: 150 },
          towards: 'up',
          held: { by: 'brad' },
        },
      }),
      wishes: { strip: wish('demo-slate', 'B') },
      at: place('left', '3/4', 'top', '1 1/2'),
    },
    {
      ...newItem({
        id: 'mat',
        name: 'the windbreak',
        recipe: 'weave',
        input: {
          area: { width: '4', height: '4' },
          both: 'alike',
          upright: { width: '1/2', gap: '1/16' },
          level: {},
          pattern: 'twill',
          tail: '1/2',
          stock: '12',
          backing: { as: 'none' },
          divide: { across: 1, up: 1 },
        },
      }),
      wishes: { 'upright-a': wish('demo-sailcloth', 'B'), 'level-b': wish('demo-swell') },
      at: place('right', '1', 'bottom', '3/4'),
    },
  ],
});

/** A 12 × 12 page of words: a sheet built up of small ones, a title, a stitched panel with a photo, a pocket, tags, tabs and strips of writing. */
const wordsPage = (): Page => ({
  ...emptyPage('What the wind wrote'),
  items: [
    {
      ...newItem({
        id: 'ground',
        name: 'the sky',
        recipe: 'built-up',
        input: {
          whole: { width: '12', height: '12' },
          patch: { width: '6', height: '6' },
          count: {},
          join: { how: 'butt', backing: '1' },
        },
      }),
      wishes: {
        patch: wish('demo-gust', 'A', 'height'),
        'backing-up': wish('demo-chalk'),
        'backing-across': wish('demo-chalk'),
      },
    },
    {
      ...newItem({
        id: 'title',
        name: 'title',
        recipe: 'letter-row',
        input: {
          title: 'KITE WEEK',
          number: 8,
          letter: { width: '1', height: '1 1/4', made: 'cut' },
          row: { gap: '1/16' },
        },
      }),
      wishes: { usual: wish('demo-buoy') },
      at: place('centre', '0', 'top', '1/2'),
    },
    {
      ...newItem({
        id: 'panel',
        name: 'stitched panel',
        recipe: 'stitches',
        input: {
          along: 'panel',
          ground: { width: '5', height: '4', is: 'cut' },
          inset: '1/8',
          spacing: '1/4',
          stitch: 'running',
        },
      }),
      wishes: { ground: wish('demo-slate') },
      at: place('left', '3/4', 'top', '2 1/4'),
    },
    {
      ...newItem({
        id: 'print',
        name: 'Odd on the dune',
        recipe: 'photo',
        input: {
          print: { width: '4 1/2', height: '3 1/2', known: 'measured' },
          image: {},
          crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
        },
      }),
      at: place('left', '1', 'top', '2 1/2'),
    },
    {
      ...newItem({
        id: 'lines',
        name: 'the log',
        recipe: 'journaling',
        input: {
          lines: 6,
          strip: { width: '4 1/2', letter: '1/8', edge: '1/16' },
          printed: { spacing: '3/8' },
          placed: { gap: '1/8' },
        },
      }),
      wishes: { strip: wish('demo-chalk') },
      at: place('right', '3/4', 'top', '2 3/4'),
    },
    {
      ...newItem({
        id: 'pocket',
        name: 'pocket',
        recipe: 'pocket',
        input: {
          card: { width: '3', height: '4', from: 'cut' },
          pocket: {},
          play: '1/16',
          glue: '1/4',
          peek: '3/4',
          made: 'patch',
          opens: 'top',
          thumb: '3/4',
          number: 1,
        },
      }),
      wishes: { front: wish('demo-swell'), card: wish('demo-chalk') },
      at: place('left', '3/4', 'bottom', '3/4'),
    },
    {
      ...newItem({
        id: 'labels',
        name: 'luggage labels',
        recipe: 'tag',
        input: {
          tag: { width: '1 1/2', height: '3' },
          top: 'cropped',
          hole: { as: 'hole' },
          number: 3,
          gap: '1/4',
        },
      }),
      wishes: { tag: wish('demo-sailcloth', 'A', 'height') },
      at: place('right', '1 1/4', 'bottom', '1'),
    },
    {
      ...newItem({
        id: 'index',
        name: 'days of the week',
        recipe: 'tabs',
        input: {
          edge: 'right',
          strip: { width: '1' },
          count: 5,
          spread: 'row',
          row: { gap: '1/4' },
          tab: { out: '1/4', tuck: '1/4', made: 'single' },
          corner: { how: 'round' },
        },
      }),
      wishes: { tab: wish('demo-marram', 'B') },
      at: place('right', '0', 'centre', '0'),
    },
  ],
});

/** An 8 × 8 page that carries a card and its envelope. */
const postPage = (): Page => ({
  ...emptyPage('Post from the coast'),
  ground: { width: '8', height: '8' },
  items: [
    {
      ...newItem({ id: 'base', name: 'base', recipe: 'base-panels', input: { panels: [] } }),
      wishes: { base: wish('demo-marram', 'A', 'height') },
    },
    {
      ...newItem({
        id: 'envelope',
        name: 'envelope',
        recipe: 'envelope',
        input: {
          card: { width: '4', height: '2 1/2' },
          play: '1/8',
          envelope: {},
          flaps: { closes: 'slanted' },
        },
      }),
      wishes: { envelope: wish('demo-swell', 'B') },
      at: place('left', '3/4', 'top', '1'),
    },
    {
      ...newItem({
        id: 'card',
        name: 'card',
        recipe: 'folded-card',
        input: {
          card: { width: '4', height: '2 1/2' },
          fold: 'top',
          leaves: 4,
          base: {},
          panels: 'front',
          panel: {},
          reveal: '1/8',
        },
      }),
      wishes: { base: wish('demo-chalk'), panel: wish('demo-sailcloth') },
      at: place('right', '3/4', 'bottom', '1'),
    },
  ],
});

/** The pages of the example, the one to begin with first. */
export const demoPages = (): { readonly id: string; readonly document: Page }[] => [
  { id: DEMO_PAGE_ID, document: demoPage() },
  { id: 'demo-two-days', document: spreadPage() },
  { id: 'demo-stayed-up', document: jettyPage() },
  { id: 'demo-every-kite', document: quiltPage() },
  { id: 'demo-colours', document: coloursPage() },
  { id: 'demo-wind-wrote', document: wordsPage() },
  { id: 'demo-post', document: postPage() },
];
