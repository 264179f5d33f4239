import { emptyPage, newItem, type Page, type Place, type Wish } from '@temnex/core';

/* The same week as pages. */

export const DEMO_PAGE_ID = 'demo-first-wind';

const wish = (
  paper: string,
  side: Wish['side'] = 'A',
  direction: Wish['direction'] = 'any',
  also: string[] = [],
): Wish => ({ papers: [paper, ...also], side, direction });

const place = (
  across: Extract<Place['across']['from'], 'left' | 'centre' | 'right'>,
  by: string,
  upDown: Extract<Place['upDown']['from'], 'bottom' | 'centre' | 'top'>,
  away: string,
): Place => ({ across: { from: across, by }, upDown: { from: upDown, by: away } });

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
        ...{ id: 'base', name: 'base', recipe: 'base-panels' },
        input: { panels: [] },
      }),
      wishes: { base: wish('demo-chalk') },
    },
    {
      ...newItem({
        ...{ id: 'horizon', name: 'the horizon', recipe: 'block-band' },
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
        ...{ id: 'frame', name: 'Tove and the delta', recipe: 'strip-frame' },
        input: {
          photo: { width: '3 1/2', height: '5', known: 'measured' },
          strip: { width: '1/2', stock: '12' },
          corners: 'mitred',
          sits: 'outside',
          outer: {},
        },
      }),
      wishes: blank(['left', 'right', 'bottom', 'top'], wish('demo-buoy')),
      on: { page: 'left' },
      at: place('left', '1 1/2', 'bottom', '1 1/4'),
    },
    {
      ...newItem({
        ...{ id: 'tails', name: 'tails on the line', recipe: 'banner-strip' },
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
        ...{ id: 'harbour', name: 'low water', recipe: 'mat-stack' },
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
        ...{ id: 'rungs', name: 'the jetty', recipe: 'strips' },
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
        ...{ id: 'halves', name: 'sky and shore', recipe: 'half-base' },
        input: { along: 'bottom', cover: '3', beneath: { reach: 'tucked', tuck: '1/4' } },
      }),
      wishes: { beneath: wish('demo-gust', 'A', 'height'), cover: wish('demo-marram', 'A', 'height') },
      names: { beneath: 'sky', cover: 'shore' },
    },
    {
      ...newItem({
        ...{ id: 'edge', name: 'the surf', recipe: 'border-strip' },
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
        ...{ id: 'ring', name: 'window on the wind', recipe: 'hollow-mat' },
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
        ...{ id: 'up', name: 'up at last', recipe: 'mat-stack' },
        input: {
          print: { width: '4', height: '3 1/2', known: 'measured' },
          mats: [{ id: 'm1', reveal: { style: 'even', all: '1/8' } }],
        },
      }),
      wishes: { m1: wish('demo-chalk') },
      on: { item: 'ring', slot: 'centre' },
    },
  ],
});

/** A 12 × 12 page: a quilt of cells with a window for a photo in it, and a honeycomb beside it. */
const quiltPage = (): Page => ({
  ...emptyPage('Every kite we saw'),
  items: [
    {
      ...newItem({ ...{ id: 'base', name: 'base', recipe: 'base-panels' }, input: { panels: [] } }),
      wishes: { base: wish('demo-slate') },
    },
    {
      ...newItem({
        ...{ id: 'quilt', name: 'the quilt', recipe: 'grid' },
        input: {
          cell: { as: 'square', width: '1 1/2' },
          ...{ columns: 4, rows: 5, gutter: '1/8', spread: 'grid', margin: {}, all: {}, papers: 3, counts: {} },
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
        ...{ id: 'crowd', name: 'the crowd', recipe: 'mat-stack' },
        input: {
          print: { width: '2 5/8', height: '2 5/8', known: 'measured' },
          mats: [{ id: 'm1', reveal: { style: 'even', all: '1/8' } }],
        },
      }),
      wishes: { m1: wish('demo-swell') },
      on: { item: 'quilt', slot: 'window' },
    },
    {
      ...newItem({
        ...{ id: 'comb', name: 'the flock', recipe: 'shapes' },
        input: {
          ...{ figure: 'hexagon', size: { flats: '1 5/8' }, pointing: 'points-up', points: 5 },
          ...{ columns: 2, rows: 5, gap: '1/16', all: {}, lie: 'moved', edges: 'whole', papers: 3 },
        },
      }),
      wishes: { 'shape-1': wish('demo-sailcloth'), 'shape-2': wish('demo-chalk'), 'shape-3': wish('demo-swell', 'B') },
      at: place('right', '1/2', 'centre', '0'),
    },
  ],
});

/** The pages of the example, the one to begin with first. */
export const demoPages = (): { readonly id: string; readonly document: Page }[] => [
  { id: DEMO_PAGE_ID, document: demoPage() },
  { id: 'demo-two-days', document: spreadPage() },
  { id: 'demo-stayed-up', document: jettyPage() },
  { id: 'demo-every-kite', document: quiltPage() },
];
