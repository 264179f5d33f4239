import { NO_TRIM, type Paper, type PaperFace, type StockItem } from '@temnex/core/stock';

/* A kite-flying week at a made-up place on a windy coast: every name, paper and person here is invented. */

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
    weight: 190,
    place: 'box 1',
    price: 120,
  },
  {
    id: 'demo-sailcloth',
    name: 'Sailcloth stripe',
    sides: [
      face('A', 'stripes', 'stripes', '#f3ead9', '#c8543a', 'two-way'),
      face('B', 'cream', 'plain', '#f3ead9', '#f3ead9'),
    ],
    weight: 190,
    place: 'box 1',
    price: 120,
  },
  {
    id: 'demo-marram',
    name: 'Marram grass',
    sides: [
      face('A', 'grass', 'grass', '#e4d9a8', '#7d8a3c', 'one-way'),
      face('B', 'dune sand', 'plain', '#e0cfa0', '#e0cfa0'),
    ],
    weight: 190,
    place: 'box 2',
    price: 1490,
    pack: 15,
  },
  {
    id: 'demo-gust',
    name: 'Gust',
    sides: [
      face('A', 'clouds', 'clouds', '#b9d3e6', '#ffffff', 'one-way'),
      face('B', 'dots', 'dots', '#dfeaf2', '#6d93b3'),
    ],
    weight: 160,
    place: 'box 2',
    price: 135,
  },
  {
    id: 'demo-slate',
    name: 'Storm slate',
    sides: [face('A', 'slate', 'plain', '#47525c', '#47525c'), face('B', 'checks', 'checks', '#5a6670', '#47525c')],
    weight: 216,
    place: 'tall folder',
    price: 95,
  },
  {
    id: 'demo-chalk',
    name: 'Chalk',
    sides: [face('A', 'chalk white', 'plain', '#f7f6f2', '#f7f6f2')],
    weight: 250,
    place: 'tall folder',
    price: 890,
    pack: 25,
  },
  {
    id: 'demo-buoy',
    name: 'Buoy orange',
    sides: [face('A', 'orange', 'plain', '#e0772f', '#e0772f'), face('B', 'pale dots', 'dots', '#f6d9bd', '#e0772f')],
    weight: 216,
    place: 'box 1',
    price: 95,
  },
];

/** The day that each came, the last a week before the kites. */
const cameOn = (i: number): string => `2026-0${1 + (i % 4)}-${String(3 + ((i * 7) % 25)).padStart(2, '0')}`;

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
    came: cameOn(i),
    origin: null,
    ...more,
  }));
