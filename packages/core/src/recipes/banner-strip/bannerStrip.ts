import { z } from 'zod';
import {
  ZERO,
  exact,
  exactText,
  lengthText,
  lengthOf,
  parseLength,
  roundExact,
  roundToMark,
  ticks,
  type Exact,
  type LengthText,
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
import { countAt, lengthAt, sizeAt } from '../../line/index.ts';
import { fieldKey, withValue, type Field, type FieldPath } from '../fields.ts';
import { reading } from '../given.ts';
import { blankOf, layerOf } from '../laying.ts';
import { sumProblems } from '../nested.ts';
import type { Arithmetic, Dim, Offer, Recipe, RecipeProblem, Suggestion, Table } from '../recipe.ts';
import { solveSums, term, type Equation } from '../sums.ts';

/*
 * Strips that hang side by side, each with a shaped lower end:
 *
 *     margin  width  gap                       across = count × width + (count − 1) × gap
 *    |<----->+-----+<->+-----+   +-----+       room   = across + 2 × margin   (where they are spread over it)
 *    |       |     |   |     |   |     |
 *    |       |  ^  |   |  ^  |   |  ^  |  length
 *    |       | / \ |   | / \ |   | / \ |
 *    |       +-   -+   +-   -+   +-   -+       depth  = width ÷ 2 where the notch is right-angled
 */

const SPREADS = ['room', 'row'] as const;
const ENDS = ['straight', 'notch', 'point', 'slant'] as const;
const LONGER = ['left', 'right'] as const;
const MOST = 60;

const bannerStripSchema = z.strictObject({
  strip: z.strictObject({ width: lengthText().optional(), length: lengthText() }),
  /** Left out: as many as fit. */
  count: z.int().min(1).max(MOST).optional(),
  /** Over the whole room with a margin at both ends, or as a row that is as long as it is. */
  spread: z.enum(SPREADS),
  row: z.strictObject({
    /** Below 0 they overlap. */
    gap: lengthText({ allow: 'negative' }).optional(),
    margin: lengthText({ allow: 'zero' }).optional(),
    across: lengthText().optional(),
  }),
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
const WIDTH: FieldPath = ['strip', 'width'];
const LENGTH: FieldPath = ['strip', 'length'];
const COUNT: FieldPath = ['count'];
const ROW: FieldPath = ['row'];
const GAP: FieldPath = ['row', 'gap'];
const MARGIN: FieldPath = ['row', 'margin'];
const ACROSS: FieldPath = ['row', 'across'];
const END: FieldPath = ['end'];
const DEPTH: FieldPath = ['end', 'depth'];
const ROOM_WIDTH: FieldPath = ['room', 'width'];

/** How many fit where that is asked: the margin, or the length of the row, is then the least that must be left, or the most. */
function countOf(input: BannerStripInput, table: Table): number | null {
  if (input.count !== undefined) return input.count;
  const read = (text: LengthText | undefined) => {
    const length = text === undefined ? null : parseLength(text, table.unit, { allow: 'negative' });
    return length?.ok ? length.value.ticks : null;
  };
  const [width, gap] = [read(input.strip.width), read(input.row.gap)];
  const margin = read(input.row.margin) ?? 0;
  const across = read(input.row.across) ?? (input.spread === 'room' ? table.room.width - 2 * margin : null);
  if (width === null || gap === null || across === null || width + gap <= 0) return null;
  return Math.max(0, Math.min(MOST, Math.floor((across + gap) / (width + gap))));
}

function arithmetic(input: BannerStripInput, table: Table): Arithmetic {
  const { givens, problems, give } = reading(table.unit);
  givens.push({ path: ROOM_WIDTH, value: table.room.width, known: 'measured' });
  const { strip, row, end, spread } = input;
  const n = countOf(input, table);
  give(WIDTH, strip.width);
  give(LENGTH, strip.length);
  give(GAP, row.gap, 'assumed', 'negative');
  // of as many as fit, what is left over is shared out anew
  if (input.count !== undefined) {
    if (spread === 'room') give(MARGIN, row.margin, 'assumed', 'zero');
    give(ACROSS, row.across);
  }
  if (end.shape !== 'straight') give(DEPTH, end.depth);
  const equations: Equation[] = [];
  if (n !== null && n > 0) equations.push([term(ACROSS, 1), term(WIDTH, -n), ...(n > 1 ? [term(GAP, 1 - n)] : [])]);
  if (spread === 'room') equations.push([term(ROOM_WIDTH, 1), term(ACROSS, -1), term(MARGIN, -2)]);
  if (end.shape !== 'straight' && end.depth === undefined)
    equations.push([term(DEPTH, end.shape === 'slant' ? 1 : 2), term(WIDTH, -1)]);
  return { equations, givens, problems };
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

/** What would make too many or too wide strips fit: fewer of them, narrower ones, or overlapping ones. */
function fitting(n: number, width: Exact, gap: Exact, table: Table): Offer[] {
  const [w, g, room] = [Number(width.n) / Number(width.d), Number(gap.n) / Number(gap.d), table.room.width];
  const fewer = w + g > 0 ? Math.floor((room + g) / (w + g)) : 0;
  const narrower = n > 0 ? roundToMark(exact(Math.floor(room - (n - 1) * g), n), table.mark, 'down') : 0;
  const overlap = n > 1 ? roundToMark(exact(Math.floor(room - n * w), n - 1), table.mark, 'down') : 0;
  return [
    ...(fewer > 0 && fewer < n ? [{ path: COUNT, count: fewer }] : []),
    ...(narrower > 0 && narrower < w ? [{ path: WIDTH, length: ticks(narrower) }] : []),
    ...(n > 1 && -overlap < w ? [{ path: GAP, length: ticks(overlap) }] : []),
  ];
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
  id: 'banner-strip',
  version: 1,
  input: bannerStripSchema,
  migrations: [],
  roles: ['strip'],
  reasons: ['too-much', 'none-fits', 'end-too-deep'],
  phrases: [
    '5 banners 1 3/8 x 4 1/2',
    'seven banners 1 x 3 gap 1/4 point',
    'banners 2 x 6 gap 1/2 margin 3/4 notch 7/8',
    '3 banners 30 mm x 80 mm gap 10 mm slant 15 mm',
    'five banners across 12 with quarter gaps',
  ],
  beneath: null,

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
  fields: ({ strip, count, spread, row, end }): readonly Field[] => {
    const length = (path: FieldPath, group: FieldPath, value: LengthText | undefined): Field => ({
      kind: 'length',
      path,
      group,
      value,
      ifEmpty: 'worked-out',
      knownAt: null,
    });
    // of as many as fit, these are limits
    const limit = count === undefined ? { ifEmpty: 'by-rule' } : {};
    return [
      length(WIDTH, STRIP, strip.width),
      { ...length(LENGTH, STRIP, strip.length), ifEmpty: 'refused' } as Field,
      { kind: 'count', path: COUNT, group: ROW, value: count, ifEmpty: 'worked-out', most: MOST },
      { kind: 'choice', path: ['spread'], group: ROW, value: spread, options: SPREADS },
      ...(count === 1 ? [] : [{ ...length(GAP, ROW, row.gap), allow: 'negative' } as Field]),
      ...(spread === 'room' ? [{ ...length(MARGIN, ROW, row.margin), allow: 'zero', ...limit } as Field] : []),
      { ...length(ACROSS, ROW, row.across), ...limit } as Field,
      { kind: 'choice', path: ['end', 'shape'], group: END, value: end.shape, options: ENDS },
      ...(end.shape === 'straight' ? [] : [{ ...length(DEPTH, END, end.depth), ifEmpty: 'by-rule' } as Field]),
      ...(end.shape === 'slant'
        ? [{ kind: 'choice', path: ['end', 'longer'], group: END, value: end.longer, options: LONGER } as Field]
        : []),
    ];
  },
  lists: () => [],
  entry: (_input, _list, _table, id) => ({ id }),
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    // a row that is not spread over the room has no margin of its own
    return next.spread === 'row' && next.row.margin !== undefined ? withValue(next, MARGIN, undefined) : next;
  },
  givesWay: (_input, path) => {
    const end = path.at(-1);
    const own =
      end === 'margin' ? [GAP, WIDTH, ACROSS] : end === 'gap' ? [MARGIN, ACROSS, WIDTH] : [MARGIN, ACROSS, GAP, WIDTH];
    return { own, others: [] };
  },
  standsStill: (input, path) => {
    if (path.at(-1) === 'depth') return [];
    if (path.at(-1) === 'count') return [GAP, WIDTH, input.spread === 'room' ? MARGIN : ACROSS];
    return input.spread === 'room' ? [MARGIN, GAP, ACROSS, WIDTH] : [ACROSS, GAP, WIDTH];
  },
  loosened: () => null,
  arithmetic,

  solve: (input, table) => {
    const lines = arithmetic(input, table);
    const solution = solveSums(lines.equations, lines.givens);
    const refused = (problems: RecipeProblem[], offers: Offer[] = []) => ({
      status: 'refused' as const,
      problems,
      offers,
      instead: null,
    });
    const problems = sumProblems(lines, solution);
    const n = countOf(input, table);
    if (n === 0 && !lines.problems.length) {
      const width = solution.values.get(fieldKey(WIDTH)) ?? exact(0);
      return refused(
        [{ code: 'own', why: 'none-fits', path: COUNT, lengths: [roundExact(width, 'nearest')] }],
        fitting(1, width, exact(0), table),
      );
    }
    if (n === null && !problems.length) problems.push({ code: 'missing', paths: [COUNT] });
    if (problems.length) return refused(problems);
    const value = (path: FieldPath): Exact => solution.values.get(fieldKey(path)) ?? exact(0);
    const near = (path: FieldPath): Ticks => roundExact(value(path), 'nearest');
    const count = n!;
    // strips side by side must fit: what does not come out on a mark is cut narrower
    const worked = solution.sums.has(fieldKey(WIDTH));
    const width = worked ? roundToMark(value(WIDTH), table.mark, 'down') : near(WIDTH);
    if (width <= 0) return refused([{ code: 'size-not-positive', path: WIDTH, size: near(WIDTH) }]);
    const length = near(LENGTH);
    // a right-angled end follows the strip as it is cut
    const sums = new Map(solution.sums);
    const rightAngled = sums.get(fieldKey(DEPTH));
    if (rightAngled)
      sums.set(fieldKey(DEPTH), { ...rightAngled, terms: [{ ...rightAngled.terms[0]!, value: exact(width) }] });
    const end = rightAngled ? exact(width, rightAngled.over) : value(DEPTH);
    const depth = input.end.shape === 'straight' ? ZERO : roundExact(end, 'nearest');
    if (depth >= length) return refused([{ code: 'own', why: 'end-too-deep', path: DEPTH, lengths: [depth, length] }]);
    const gap = count > 1 ? value(GAP) : exact(0);
    const step = (i: number) => roundExact({ n: BigInt(i) * (BigInt(width) * gap.d + gap.n), d: gap.d }, 'nearest');
    const across = ticks(step(count - 1) + width);
    const left = input.spread === 'room' ? Math.floor((table.room.width - across) / 2) : 0;
    if (left < 0)
      return refused(
        [{ code: 'own', why: 'too-much', path: ACROSS, lengths: [ticks(across - table.room.width)] }],
        fitting(count, value(WIDTH), gap, table),
      );
    const shape = shapeOf(width, length, depth, input.end);
    const { finish, marks } = finishOf(width, length, depth, input.end);
    const boxes = Array.from({ length: count }, (_, i) => rect(left + step(i), 0, width, length));
    const over = ticks(near(ACROSS) - across);
    const suggestions: Suggestion[] =
      over > 0 ? [{ code: 'remainder', by: over, to: input.spread === 'room' ? MARGIN : ACROSS }] : [];
    const values = new Map(solution.values)
      .set(fieldKey(COUNT), exact(count))
      .set(fieldKey(WIDTH), exact(width))
      .set(fieldKey(ACROSS), exact(across));
    if (input.spread === 'room') values.set(fieldKey(MARGIN), exact(ticks(left)));
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
        dims: dimsOf(boxes, depth, input.spread === 'room' ? left : null),
        facts: [
          ...(finish.some((f) => f.do === 'notch' || f.do === 'point')
            ? [{ name: 'centre-mark', lengths: [ticks(Math.floor(width / 2))] }]
            : []),
          ...(input.end.shape === 'notch' ? [{ name: 'centre-line', lengths: [ticks(length - depth)] }] : []),
        ],
      },
      values,
      sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['banner', 'pennant', 'streamer', 'tail', 'fishtail'],
    places: {
      count: { kind: 'count', words: [], most: MOST },
      strip: { kind: 'size', words: ['banner', 'strip'] },
      width: { kind: 'length', words: ['wide', 'width'] },
      length: { kind: 'length', words: ['long', 'length', 'tall', 'high', 'drop'] },
      gap: { kind: 'length', words: ['gap', 'apart', 'between', 'space', 'spaced', 'spacing'], allow: 'negative' },
      overlap: { kind: 'length', words: ['overlap', 'lap'] },
      margin: { kind: 'length', words: ['margin', 'side', 'edge'] },
      across: { kind: 'length', words: ['across', 'over', 'along'] },
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
    const [count, across] = [countAt(heard, 'count'), said('across')];
    const overlap = said('overlap');
    const gap = said('gap') ?? (overlap === undefined ? undefined : `-${overlap}`);
    const margin = across === undefined ? said('margin') : undefined;
    if ([width, long, across, gap, count].every((value) => value === undefined)) return null;
    const shape = ENDS.find((end) => heard.flags.has(end) || said(end) !== undefined) ?? 'notch';
    const depth = said(shape);
    const usual = table.unit === 'in' ? '1/4' : '6';
    const free = [width, gap, across ?? margin].filter((text) => text === undefined).length;
    const length = long ?? (table.unit === 'in' ? '4' : '100');
    return {
      strip: { ...(width === undefined ? {} : { width }), length },
      ...(count === undefined ? {} : { count }),
      spread: across !== undefined || heard.flags.has('row') ? 'row' : 'room',
      row: {
        ...(gap !== undefined ? { gap } : free > 1 || count === undefined ? { gap: usual } : {}),
        ...(margin !== undefined && (count === undefined || gap === undefined || width === undefined)
          ? { margin }
          : {}),
        ...(across === undefined ? {} : { across }),
      },
      end: {
        shape,
        ...(depth !== undefined && shape !== 'straight' ? { depth } : {}),
        longer: heard.flags.has('right') ? 'right' : 'left',
      },
    };
  },
  toComeFrom: () => [],
  onward: () => [],
};
