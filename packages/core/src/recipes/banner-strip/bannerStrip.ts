import { z } from 'zod';
import {
  ZERO,
  exact,
  exactText,
  lengthText,
  lengthOf,
  roundExact,
  roundToMark,
  ticks,
  type Ticks,
} from '../../length/index.ts';
import {
  moved,
  polygon,
  rect,
  whole,
  type Finish,
  type PencilMark,
  type Rect,
  type Shape,
} from '../../geometry/index.ts';
import { lengthAt, sizeAt } from '../../line/index.ts';
import { fieldKey, lengthField, type Field, type FieldPath } from '../fields.ts';
import { reading } from '../given.ts';
import { blankOf, layerOf } from '../laying.ts';
import { PLAIN, refused, worked } from '../plain.ts';
import type { Arithmetic, Dim, Recipe, Table } from '../recipe.ts';
import {
  ACROSS,
  GAP,
  MARGIN,
  ROW_PLACES,
  ROW_REASONS,
  WIDTH,
  layRow,
  putInRow,
  rowEquations,
  rowFields,
  rowGivesWay,
  rowKeys,
  rowSaid,
  rowStandsStill,
} from '../row.ts';
import { term } from '../sums.ts';

/* A row of strips (see row.ts), each with a shaped lower end; a right-angled notch is half as deep as the strip is wide. */

const ENDS = ['straight', 'notch', 'point', 'slant'] as const;
const LONGER = ['left', 'right'] as const;

const bannerStripSchema = z.strictObject({
  strip: z.strictObject({ width: lengthText().optional(), length: lengthText() }),
  ...rowKeys,
  end: z.strictObject({
    shape: z.enum(ENDS),
    /** How far the end reaches in; left out: at right angles. */
    depth: lengthText().optional(),
    /** Of a slanted end: which edge is the longer one. */
    longer: z.enum(LONGER),
  }),
});
export type BannerStripInput = z.infer<typeof bannerStripSchema>;

const STRIP: FieldPath = ['strip'];
const LENGTH: FieldPath = ['strip', 'length'];
const END: FieldPath = ['end'];
const DEPTH: FieldPath = ['end', 'depth'];

function arithmetic(input: BannerStripInput, table: Table): Arithmetic {
  const read = reading(table.unit);
  const { strip, end } = input;
  const equations = rowEquations(input, table, 'width', read);
  read.give(LENGTH, strip.length);
  if (end.shape !== 'straight') {
    read.give(DEPTH, end.depth);
    if (end.depth === undefined) equations.push([term(DEPTH, end.shape === 'slant' ? 1 : 2), term(WIDTH, -1)]);
  }
  return { equations, givens: read.givens, problems: read.problems };
}

/** The outline of a finished strip, its shaped end below. */
function shapeOf(w: number, length: number, depth: number, { shape, longer }: BannerStripInput['end']): Shape | null {
  const top = [
    [w, length],
    [0, length],
  ] as const;
  switch (shape) {
    case 'straight':
      return null;
    case 'notch':
      return whole(polygon([[0, 0], [Math.floor(w / 2), depth], [w, 0], ...top]));
    case 'point':
      return whole(polygon([[0, depth], [Math.floor(w / 2), 0], [w, depth], ...top]));
    case 'slant':
      return whole(polygon(longer === 'left' ? [[0, 0], [w, depth], ...top] : [[0, depth], [w, 0], ...top]));
  }
}

function finishOf(
  width: Ticks,
  length: Ticks,
  depth: Ticks,
  { shape, longer }: BannerStripInput['end'],
): { finish: Finish[]; marks: PencilMark[] } {
  const at = ticks(Math.floor(width / 2));
  const middle: PencilMark = { kind: 'pencil', from: { x: at, y: ZERO }, to: { x: at, y: length } };
  switch (shape) {
    case 'straight':
      return { finish: [], marks: [] };
    case 'notch':
    case 'point':
      return { finish: [{ do: shape, edge: 'bottom', depth, at }], marks: [middle] };
    case 'slant':
      return {
        finish: [{ do: 'slant', edge: 'bottom', depth, shorter: longer === 'left' ? 'right' : 'left' }],
        marks: [],
      };
  }
}

/** Where each number of a row stands; a margin of null is none. */
function dimsOf(boxes: readonly Rect[], depth: Ticks, margin: number | null): Dim[] {
  const at = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const [first, second, last] = [boxes[0]!, boxes[1], boxes.at(-1)!];
  const [left, right, length] = [first.x, last.x + last.width, first.height];
  const end = (box: Rect) => box.x + box.width;
  const dims: (Dim | null | undefined)[] = [
    { kind: 'span', path: WIDTH, from: at(left, length), to: at(end(first), length), side: 'top' },
    { kind: 'span', path: LENGTH, from: at(left, 0), to: at(left, length), side: 'left' },
    second && { kind: 'leader', path: GAP, at: at((end(first) + second.x) / 2, length * 0.75) },
    margin === null ? null : { kind: 'leader', path: MARGIN, at: at(right + margin / 2, length * 0.5) },
    depth > 0 ? { kind: 'leader', path: DEPTH, at: at(last.x + last.width / 2, depth / 2) } : null,
    { kind: 'span', path: ACROSS, from: at(left, 0), to: at(right, 0), side: 'bottom' },
  ];
  return dims.filter((dim) => dim !== null && dim !== undefined);
}

/** Strips in a row, each with a notched, pointed or slanted end. */
export const bannerStrip: Recipe<'banner-strip', BannerStripInput> = {
  ...PLAIN,
  id: 'banner-strip',
  input: bannerStripSchema,
  roles: ['strip'],
  reasons: [...ROW_REASONS, 'end-too-deep'],
  phrases: [
    '5 banners 1 3/8 x 4 1/2',
    'seven banners 1 x 3 gap 1/4 point',
    'banners 2 x 6 gap 1/2 margin 3/4 notch 7/8',
    '3 banners 30 mm x 80 mm gap 10 mm slant 15 mm',
    'five banners across 12 with quarter gaps',
  ],

  start: (table) => {
    const { unit, room, mark } = table;
    const small = room.width < lengthOf('4', 'in');
    const [gap, margin] = unit === 'in' ? (small ? ['1/8', '1/8'] : ['1/4', '1/2']) : small ? ['3', '3'] : ['6', '12'];
    const count = small ? 3 : 5;
    const width = (room.width - 2 * lengthOf(margin!, unit) - (count - 1) * lengthOf(gap!, unit)) / count;
    const length = Math.max(mark.step * 4, Math.min(room.height * 0.7, width * 2.2));
    return {
      strip: { length: exactText(roundToMark(ticks(Math.floor(length)), mark, 'down'), unit) },
      count,
      spread: 'room',
      row: { gap, margin },
      end: { shape: 'notch', longer: 'left' },
    };
  },
  fields: (input): readonly Field[] => {
    const { strip, end } = input;
    return [
      ...rowFields(input, [lengthField(LENGTH, strip.length, { ifEmpty: 'refused' })]),
      { kind: 'choice', path: ['end', 'shape'], group: END, value: end.shape, options: ENDS },
      ...(end.shape === 'straight' ? [] : [lengthField(DEPTH, end.depth, { ifEmpty: 'by-rule' })]),
      ...(end.shape === 'slant'
        ? [{ kind: 'choice', path: ['end', 'longer'], group: END, value: end.longer, options: LONGER } as Field]
        : []),
    ];
  },
  put: putInRow,
  givesWay: (_input, path) => ({ own: rowGivesWay(path), others: [] }),
  standsStill: (input, path) => (path.at(-1) === 'depth' ? [] : rowStandsStill(input, path)),
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = worked(arithmetic(input, table));
    const laid = layRow(input, table, 'width', solution, problems);
    if (!laid.ok) return refused(laid.problems, laid.offers);
    const { count, width, across, from, at } = laid.row;
    const length = near(LENGTH);
    // a right-angled end follows the strip as it is cut
    const sums = new Map(solution.sums);
    const rightAngled = sums.get(fieldKey(DEPTH));
    if (rightAngled)
      sums.set(fieldKey(DEPTH), { ...rightAngled, terms: [{ ...rightAngled.terms[0]!, value: exact(width) }] });
    const end = rightAngled ? exact(width, rightAngled.over) : (solution.values.get(fieldKey(DEPTH)) ?? exact(0));
    const depth = input.end.shape === 'straight' ? ZERO : roundExact(end, 'nearest');
    if (depth >= length) return refused([{ code: 'own', why: 'end-too-deep', path: DEPTH, lengths: [depth, length] }]);
    const shape = shapeOf(width, length, depth, input.end);
    const { finish, marks } = finishOf(width, length, depth, input.end);
    const boxes = at.map((x) => rect(x, 0, width, length));
    const values = new Map(laid.row.values);
    if (rightAngled) values.set(fieldKey(DEPTH), end);
    return {
      status: 'solved',
      laid: {
        size: { width: input.spread === 'room' ? table.room.width : across, height: length },
        layers: boxes.map((box, i) =>
          layerOf({
            key: `strip-${i + 1}`,
            role: 'strip',
            n: i + 1,
            box,
            shape: shape && moved(shape, box.x, 0),
            blank: 'strip',
            group: STRIP,
            sized: { width: WIDTH, height: LENGTH },
          }),
        ),
        blanks: [
          blankOf(
            { key: 'strip', role: 'strip', n: 1, quantity: count, shape, marks, finish },
            { width, height: length },
            table.mark,
            'nearest',
          ),
        ],
        slots: [],
        dims: dimsOf(boxes, depth, input.spread === 'room' ? from : null),
        facts: [
          ...(finish.some((f) => f.do === 'notch' || f.do === 'point')
            ? [{ name: 'centre-mark', lengths: [ticks(Math.floor(width / 2))] }]
            : []),
          ...(input.end.shape === 'notch' ? [{ name: 'centre-line', lengths: [ticks(length - depth)] }] : []),
        ],
      },
      values,
      sums,
      suggestions: laid.row.suggestions,
    };
  },

  grammar: {
    heads: ['banner', 'pennant', 'streamer', 'tail', 'fishtail'],
    places: {
      ...ROW_PLACES,
      strip: { kind: 'size', words: ['banner', 'strip'] },
      width: { kind: 'length', words: ['wide', 'width'] },
      length: { kind: 'length', words: ['long', 'length', 'tall', 'high', 'drop'] },
      notch: { kind: 'length', words: ['notch', 'fishtail', 'swallowtail'], alone: true },
      point: { kind: 'length', words: ['point', 'pointy'], alone: true },
      slant: { kind: 'length', words: ['slant', 'aslant', 'diagonal'], alone: true },
    },
    flags: { straight: ['straight', 'plain'], row: ['row'], right: ['right'] },
    usual: ['strip', 'width', 'length'],
    idle: ['end', 'deep', 'hanging', 'hung', 'hang', 'page', 'left', 'longer', 'shorter'],
  },
  /** Without a number as many as fit; with a number, a width and a gap, the margins follow. */
  read: (heard, table) => {
    const said = (place: string) => lengthAt(heard, place);
    const size = sizeAt(heard, 'strip');
    const [width, long] = [size?.width ?? said('width'), size?.height ?? said('length')];
    const row = rowSaid(heard, table, width);
    const { count } = row;
    if ([width, long, said('across'), said('gap') ?? said('overlap'), count].every((value) => value === undefined))
      return null;
    const shape = ENDS.find((end) => heard.flags.has(end) || said(end) !== undefined) ?? 'notch';
    const depth = said(shape);
    const length = long ?? (table.unit === 'in' ? '4' : '100');
    return {
      strip: { ...(width === undefined ? {} : { width }), length },
      ...row,
      end: {
        shape,
        ...(depth !== undefined && shape !== 'straight' ? { depth } : {}),
        longer: heard.flags.has('right') ? 'right' : 'left',
      },
    };
  },
};
