import {
  NO_TRIM,
  emptyPage,
  newItem,
  type Page,
  type Paper,
  type PaperFace,
  type Place,
  type StockItem,
  type Wish,
} from '@temnex/core';

/* A kite-flying week at a made-up place on a windy coast: every name, paper and person here is invented. */

export const DEMO_PAGE_ID = 'demo-first-wind';

const face = (
  side: 'A' | 'B',
  name: string,
  pattern: PaperFace['look']['pattern'],
  ground: string,
  ink: string,
  direction: PaperFace['direction'] = 'none',
  along: PaperFace['along'] = 'height',
): PaperFace => ({
  side,
  name,
  direction,
  along,
  look: { pattern, ground, ink },
});

export const demoPapers = (): Paper[] => [
  {
    id: 'demo-swell',
    name: 'Teal swell',
    sides: [
      face('A', 'waves', 'waves', '#2f8f93', '#8fd0cc', 'two-way', 'width'),
      face('B', 'plain teal', 'plain', '#2f8f93', '#2f8f93'),
    ],
  },
  {
    id: 'demo-sailcloth',
    name: 'Sailcloth stripe',
    sides: [
      face('A', 'stripes', 'stripes', '#f3ead9', '#c8543a', 'two-way'),
      face('B', 'cream', 'plain', '#f3ead9', '#f3ead9'),
    ],
  },
  {
    id: 'demo-marram',
    name: 'Marram grass',
    sides: [
      face('A', 'grass', 'grass', '#e4d9a8', '#7d8a3c', 'one-way'),
      face('B', 'dune sand', 'plain', '#e0cfa0', '#e0cfa0'),
    ],
  },
  {
    id: 'demo-gust',
    name: 'Gust',
    sides: [
      face('A', 'clouds', 'clouds', '#b9d3e6', '#ffffff', 'one-way'),
      face('B', 'dots', 'dots', '#dfeaf2', '#6d93b3'),
    ],
  },
  {
    id: 'demo-slate',
    name: 'Storm slate',
    sides: [face('A', 'slate', 'plain', '#47525c', '#47525c'), face('B', 'checks', 'checks', '#5a6670', '#47525c')],
  },
  { id: 'demo-chalk', name: 'Chalk', sides: [face('A', 'chalk white', 'plain', '#f7f6f2', '#f7f6f2')] },
  {
    id: 'demo-buoy',
    name: 'Buoy orange',
    sides: [face('A', 'orange', 'plain', '#e0772f', '#e0772f'), face('B', 'pale dots', 'dots', '#f6d9bd', '#e0772f')],
  },
];

type Row = [paper: string, width: string, height: string, kind: StockItem['kind'], more?: Partial<StockItem>];
const ROWS: Row[] = [
  ['demo-swell', '12', '12', 'sheet', { quantity: 2 }],
  ['demo-swell', '5 1/2', '7 1/4', 'scrap'],
  ['demo-swell', '11 1/4', '3', 'scrap', { turned: 90 }],
  ['demo-sailcloth', '12', '12 1/2', 'sheet', { quantity: 2, trim: { ...NO_TRIM, bottom: '1/2' } }],
  ['demo-sailcloth', '4', '9', 'scrap'],
  ['demo-marram', '12', '12', 'sheet', { quantity: 3 }],
  ['demo-gust', '12', '12', 'sheet', { quantity: 2 }],
  ['demo-gust', '6', '6', 'pad', { quantity: 8 }],
  ['demo-gust', '7 1/2', '5 1/4', 'scrap'],
  ['demo-slate', '12', '12', 'sheet', { quantity: 4 }],
  ['demo-slate', '6', '8 1/2', 'scrap'],
  ['demo-slate', '3 1/4', '4 1/2', 'scrap'],
  ['demo-chalk', '12', '12', 'sheet', { quantity: 6 }],
  ['demo-chalk', '8 1/2', '7', 'scrap'],
  ['demo-buoy', '12', '12', 'sheet'],
  ['demo-buoy', '5', '6 3/4', 'scrap'],
  ['demo-buoy', '1 1/2', '12', 'strip', { quantity: 2 }],
];

export const demoStock = (): StockItem[] =>
  ROWS.map(([paper, width, height, kind, more], i) => ({
    id: `demo-stock-${i + 1}`,
    paper,
    unit: 'in',
    width,
    height,
    quantity: 1,
    kind,
    trim: NO_TRIM,
    turned: 0,
    reserved: false,
    origin: null,
    ...more,
  }));

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
