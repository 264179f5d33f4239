import { z } from 'zod';
import {
  ZERO,
  exact,
  formatExactLength,
  lengthText,
  lengthOf,
  roundExact,
  roundToMark,
  ticks,
  type LengthText,
  type Ticks,
} from '../../length/index.ts';
import { moveContour, rect, rectangle, type Rect } from '../../geometry/index.ts';
import { lengthAt, sizeAt, type ParsedValues } from '../../line/index.ts';
import { fieldKey, lengthField, isSamePath, type ChoiceInput, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Recipe, LayoutContext } from '../recipe.ts';
import {
  ACROSS,
  GAP,
  MARGIN,
  ROW_PLACES,
  ROW_REASONS,
  WIDTH,
  layRow,
  setRowValue,
  rowEquations,
  rowFields,
  rowYieldOrder,
  rowKeys,
  readRowLine,
  rowFixedPaths,
  defaultRow,
} from '../row.ts';
import { term } from '../sums.ts';
import { ENDS, LONGER, bannerEndOf, bannerFinishOf, bannerShapeOf } from './ends.ts';
import { maxSag, hangShapes, locateHangingSpots, type Spot } from './hang.ts';

/*
 * A row of strips (see row.ts), each with a shaped lower end; a right-angled notch is half as deep as the strip is wide. They are
 * all as long, or ragged between two lengths; the row is level, or hangs from a slanted or sagging line (see hang.ts).
 */

const LINES = ['level', 'slant', 'curve'] as const;
const LENGTHS = ['even', 'ragged'] as const;

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
  /** Left out: level. */
  hang: z.strictObject({ line: z.enum(['slant', 'curve']), drop: lengthText().optional() }).optional(),
  /** Left out: all as long. */
  ragged: z.strictObject({ shortest: lengthText().optional() }).optional(),
});
export type BannerStripInput = z.infer<typeof bannerStripSchema>;

const STRIP: FieldPath = ['strip'];
const LENGTH: FieldPath = ['strip', 'length'];
const SIZED = { width: WIDTH, height: LENGTH } as const;
const END: FieldPath = ['end'];
const DEPTH: FieldPath = ['end', 'depth'];
const HANG: FieldPath = ['hang'];
const LINE: FieldPath = ['hang', 'line'];
const DROP: FieldPath = ['hang', 'drop'];
const RAGGED: FieldPath = ['ragged'];
const LENGTHS_AS: FieldPath = ['ragged', 'as'];
const SHORTEST: FieldPath = ['ragged', 'shortest'];

function arithmetic(input: BannerStripInput, table: LayoutContext): Arithmetic {
  const read = readGivenLengths(table.unit);
  const { strip, end } = input;
  const equations = rowEquations(input, table, 'width', read);
  read.give(LENGTH, strip.length);
  if (end.shape !== 'straight') {
    read.give(DEPTH, end.depth);
    if (end.depth === undefined) equations.push([term(DEPTH, end.shape === 'slant' ? 1 : 2), term(WIDTH, -1)]);
  }
  const { hang, ragged } = input;
  if (hang) {
    read.give(DROP, hang.drop);
    // neither flat nor steep
    if (hang.drop === undefined) equations.push([term(DROP, 8), term(ACROSS, -1)]);
  }
  if (ragged) {
    read.give(SHORTEST, ragged.shortest);
    if (ragged.shortest === undefined) equations.push([term(SHORTEST, 3), term(LENGTH, -2)]);
  }
  return { equations, givens: read.givens, problems: read.problems };
}

/** Lengths on the mark between two, no two neighbours alike: steps of the golden ratio fall nowhere twice. */
function raggedLengths(count: number, shortest: Ticks, longest: Ticks, { mark }: LayoutContext): Ticks[] {
  return Array.from({ length: count }, (_, i) => {
    const share = (0.5 + i * 0.6180339887) % 1;
    const length = roundToMark(ticks(Math.round(shortest + (longest - shortest) * share)), mark, 'nearest');
    return ticks(Math.min(longest, Math.max(shortest, length)));
  });
}

/** Of a row that hangs, numbers stand by what they measure, with a leader. */
function hungDims(spots: readonly Spot[], { width }: Rect, length: Ticks): Dim[] {
  const at = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const [first, second, last] = [spots[0]!, spots[1], spots.at(-1)!];
  const dims: (Dim | undefined)[] = [
    { kind: 'leader', path: WIDTH, at: at(first.x, first.y - length * 0.1) },
    { kind: 'leader', path: LENGTH, at: at(first.x, first.y - length * 0.6) },
    second && { kind: 'leader', path: GAP, at: at((first.x + second.x) / 2, (first.y + second.y) / 2 - length * 0.3) },
    { kind: 'leader', path: DROP, at: at(last.x, last.y - length * 0.2) },
    { kind: 'span', path: ACROSS, from: at(0, 0), to: at(width, 0), side: 'bottom' },
  ];
  return dims.filter((dim) => dim !== undefined);
}

/** Where each number of a row stands, its strips as long as the longest may be; a margin of null is none. */
function dimsOf(boxes: readonly Rect[], length: Ticks, depth: Ticks, margin: number | null): Dim[] {
  const at = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const [first, second, last] = [boxes[0]!, boxes[1], boxes.at(-1)!];
  const [left, right] = [first.x, last.x + last.width];
  const end = (box: Rect) => box.x + box.width;
  const dims: (Dim | null | undefined)[] = [
    { kind: 'span', path: WIDTH, from: at(left, length), to: at(end(first), length), side: 'top' },
    { kind: 'span', path: LENGTH, from: at(left, 0), to: at(left, length), side: 'left' },
    second && { kind: 'leader', path: GAP, at: at((end(first) + second.x) / 2, length * 0.75) },
    margin === null ? null : { kind: 'leader', path: MARGIN, at: at(right + margin / 2, length * 0.5) },
    depth > 0 ? { kind: 'leader', path: DEPTH, at: at(last.x + last.width / 2, last.y + depth / 2) } : null,
    { kind: 'span', path: ACROSS, from: at(left, 0), to: at(right, 0), side: 'bottom' },
  ];
  return dims.filter((dim) => dim !== null && dim !== undefined);
}

const choice = (path: FieldPath, group: FieldPath, value: string, options: readonly string[]): ChoiceInput => ({
  kind: 'choice',
  path,
  group,
  value,
  options,
});

/** Strips in a row, each with a notched, pointed or slanted end. */
export const bannerStrip: Recipe<'banner-strip', BannerStripInput> = {
  ...PLAIN_RECIPE,
  id: 'banner-strip',
  input: bannerStripSchema,
  roles: ['strip'],
  reasons: [...ROW_REASONS, 'end-too-deep', 'drop-too-deep', 'shortest-too-long'],
  phrases: [
    '5 banners 1 3/8 x 4 1/2',
    'seven banners 1 x 3 gap 1/4 point',
    'banners 2 x 6 gap 1/2 margin 3/4 notch 7/8',
    '3 banners 30 mm x 80 mm gap 10 mm slant 15 mm',
    'five banners across 12 with quarter gaps',
    'seven banners 1 x 3 gap 1/4 ragged',
    '7 banners 1 1/4 x 3 gap 1/8 on a curve, sag 1',
    '6 banners 1 x 2 1/2 gap 1/8 on a slanted line, drop 2, mixed ends',
  ],

  start: (table) => {
    const { unit, room, mark } = table;
    const { count, gap, margin } = defaultRow(table);
    const width = (room.width - 2 * lengthOf(margin, unit) - (count - 1) * lengthOf(gap, unit)) / count;
    const length = Math.max(mark.step * 4, Math.min(room.height * 0.7, width * 2.2));
    return {
      strip: { length: formatExactLength(roundToMark(ticks(Math.floor(length)), mark, 'down'), unit) },
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
      choice(LENGTHS_AS, RAGGED, input.ragged ? 'ragged' : 'even', LENGTHS),
      ...(input.ragged ? [lengthField(SHORTEST, input.ragged.shortest, { ifEmpty: 'by-rule' })] : []),
      choice(LINE, HANG, input.hang?.line ?? 'level', LINES),
      ...(input.hang ? [lengthField(DROP, input.hang.drop, { ifEmpty: 'by-rule' })] : []),
    ];
  },
  put: (input, path, value) => {
    const { hang, ragged, ...rest } = input;
    if (isSamePath(path, LINE))
      return value === 'level'
        ? { ...rest, ...(ragged ? { ragged } : {}) }
        : { ...input, hang: { ...hang, line: value as 'slant' | 'curve' } };
    if (isSamePath(path, LENGTHS_AS))
      return value === 'even' ? { ...rest, ...(hang ? { hang } : {}) } : { ...input, ragged: ragged ?? {} };
    return setRowValue(input, path, value);
  },
  givesWay: (_input, path) => ({ own: rowYieldOrder(path), others: [] }),
  standsStill: (input, path) =>
    ['depth', 'drop', 'shortest'].includes(String(path.at(-1))) ? [] : rowFixedPaths(input, path),
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    const laid = layRow(input, table, 'width', solution, problems);
    if (!laid.ok) return makeRefusal(laid.problems, laid.offers);
    const { count, width, across, from, at } = laid.row;
    const length = near(LENGTH);
    // a right-angled end follows the strip as it is cut
    const sums = new Map(solution.sums);
    const rightAngled = sums.get(fieldKey(DEPTH));
    if (rightAngled)
      sums.set(fieldKey(DEPTH), { ...rightAngled, terms: [{ ...rightAngled.terms[0]!, value: exact(width) }] });
    const end = rightAngled ? exact(width, rightAngled.over) : (solution.values.get(fieldKey(DEPTH)) ?? exact(0));
    const depth = input.end.shape === 'straight' ? ZERO : roundExact(end, 'nearest');
    if (depth >= length)
      return makeRefusal([{ code: 'own', why: 'end-too-deep', path: DEPTH, lengths: [depth, length] }]);
    const { hang, ragged } = input;
    const shortest = ragged ? near(SHORTEST) : length;
    if (shortest > length || shortest <= depth)
      return makeRefusal(
        [{ code: 'own', why: 'shortest-too-long', path: SHORTEST, lengths: [shortest, depth, length] }],
        depth < length - table.mark.step ? [{ path: SHORTEST, length: ticks(length - table.mark.step) }] : [],
      );
    const drop = hang ? near(DROP) : ZERO;
    const steepest = hang?.line === 'curve' ? Math.floor(maxSag(across)) : across - 1;
    if (drop > steepest)
      return makeRefusal(
        [{ code: 'own', why: 'drop-too-deep', path: DROP, lengths: [drop, across] }],
        [{ path: DROP, length: roundToMark(ticks(steepest), table.mark, 'down') }],
      );
    const unlike = ragged !== undefined || input.end.shape === 'mixed';
    const lengths = ragged ? raggedLengths(count, shortest, length, table) : at.map(() => length);
    const one = (each: Ticks, i: number) => {
      const end = bannerEndOf(input.end, i);
      return {
        length: each,
        shape: bannerShapeOf(width, each, depth, end),
        ...bannerFinishOf(width, each, depth, end),
      };
    };
    const alike = unlike ? null : one(length, 0);
    const cut = lengths.map((each, i) => alike ?? one(each, i));
    // their upper edges are on one line
    const level = at.map((x, i) => rect(x, length - lengths[i]!, width, lengths[i]!));
    const spots = hang
      ? locateHangingSpots(
          hang.line,
          across,
          drop,
          at.map((x) => x - from + width / 2),
        )
      : [];
    const turned = hang
      ? hangShapes(
          cut.map(({ shape, length: each }) => ({
            width,
            length: each,
            outline: (shape ?? rectangle(rect(0, 0, width, each))).outline,
          })),
          spots,
        )
      : null;
    const boxes = turned ? turned.boxes : level;
    const keyOf = (i: number) => (unlike ? `strip-${i + 1}` : 'strip');
    const values = rightAngled ? new Map(laid.row.values).set(fieldKey(DEPTH), end) : laid.row.values;
    const finishes = (alike ? [alike] : cut).flatMap(({ finish }) => finish);
    return {
      status: 'solved',
      laid: {
        size: turned ? turned.size : { width: input.spread === 'room' ? table.room.width : across, height: length },
        layers: boxes.map((box, i) => {
          const { shape } = cut[i]!;
          const layer = makeLayer({
            key: `strip-${i + 1}`,
            role: 'strip',
            n: i + 1,
            box,
            blank: unlike ? `strip-${i + 1}` : 'strip',
            group: STRIP,
            shape: turned ? turned.shapes[i]! : shape && moveContour(shape, box.x, box.y),
            sized: SIZED,
          });
          return turned ? { ...layer, turned: (spots[i]!.angle * 180) / Math.PI } : layer;
        }),
        blanks: (alike ? [alike] : cut).map(({ shape, marks, finish, length: each }, i) =>
          makeBlank(
            { key: keyOf(i), role: 'strip', n: i + 1, quantity: unlike ? 1 : count, shape, marks, finish },
            { width, height: each },
            table.mark,
            'nearest',
          ),
        ),
        slots: [],
        dims: turned
          ? hungDims(turned.spots, turned.size, length)
          : dimsOf(level, length, depth, input.spread === 'room' ? from : null),
        facts: [
          ...(finishes.some((f) => f.do === 'notch' || f.do === 'point')
            ? [{ name: 'centre-mark', lengths: [ticks(Math.floor(width / 2))] }]
            : []),
          ...(input.end.shape === 'notch' && !unlike
            ? [{ name: 'centre-line', lengths: [ticks(length - depth)] }]
            : []),
          ...(ragged ? [{ name: 'lengths', lengths }] : []),
          ...(turned
            ? turned.spots.map(({ x, y, angle }) => ({
                name: 'hung',
                // tenths of a degree, downward to the right
                lengths: [x, turned.size.height - y, (-angle * 1800) / Math.PI].map((t) => ticks(Math.round(t))),
              }))
            : []),
        ],
      },
      values,
      sums,
      suggestions: laid.row.suggestions,
    };
  },

  grammar: {
    heads: ['banner', 'pennant', 'streamer', 'tail', 'fishtail', 'flag', 'bunting'],
    places: {
      ...ROW_PLACES,
      strip: { kind: 'size', words: ['banner', 'strip'] },
      width: { kind: 'length', words: ['wide', 'width'], alone: true },
      length: { kind: 'length', words: ['long', 'length', 'tall', 'high'] },
      notch: { kind: 'length', words: ['notch', 'fishtail', 'swallowtail'], alone: true },
      point: { kind: 'length', words: ['point', 'pointy'], alone: true },
      slant: { kind: 'length', words: ['slant', 'aslant', 'diagonal'], alone: true },
      drop: { kind: 'length', words: ['drop', 'sag', 'dip', 'lower'] },
      shortest: { kind: 'length', words: ['shortest', 'ragged'], alone: true },
    },
    flags: {
      straight: ['straight', 'plain'],
      row: ['row'],
      fit: ['fit'],
      right: ['right'],
      mixed: ['mixed', 'mix', 'various'],
      line: ['line', 'string', 'angle', 'sloping'],
      curve: ['curve', 'curved', 'garland', 'swag', 'arc'],
    },
    usual: ['strip', 'width', 'length'],
    idle: ['v', 'cut', 'end', 'deep', 'hanging', 'hung', 'hang', 'top', 'bottom', 'down', 'left', 'longer', 'shorter'],
  },
  /** Without a number as many as fit; with a number, a width and a gap, the margins follow. */
  read: (heard, table) => {
    const said = (place: string) => lengthAt(heard, place);
    const size = sizeAt(heard, 'strip');
    const [width, long] = [size?.width ?? said('width'), size?.height ?? said('length')];
    const row = readRowLine(heard, table, { width, length: long });
    const { count } = row;
    if ([width, long, said('across'), said('gap') ?? said('overlap'), count].every((value) => value === undefined))
      return null;
    // a slanted line is no slanted end
    const onLine = heard.flags.has('line') && said('slant') === undefined;
    const shape =
      ENDS.find((end) => !(end === 'slant' && onLine) && (heard.flags.has(end) || said(end) !== undefined)) ?? 'notch';
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
      ...readHang(heard),
      ...(heard.flags.has('shortest') || said('shortest') !== undefined
        ? { ragged: optional('shortest', said('shortest')) }
        : {}),
    };
  },
};

const optional = <Key extends string>(key: Key, text: LengthText | undefined): Partial<Record<Key, LengthText>> =>
  text === undefined ? {} : ({ [key]: text } as Record<Key, LengthText>);

/** A curve or a line that is said, and how much it drops. */
function readHang(heard: ParsedValues): Pick<BannerStripInput, 'hang'> {
  const drop = lengthAt(heard, 'drop');
  const curve = heard.flags.has('curve') || heard.heads.has('bunting');
  const line = curve ? 'curve' : heard.flags.has('line') || drop !== undefined ? 'slant' : null;
  return line ? { hang: { line, ...optional('drop', drop) } } : {};
}
