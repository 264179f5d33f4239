import { z } from 'zod';
import {
  addExact,
  exact,
  formatExactLength,
  lengthText,
  roundExact,
  roundToMark,
  scaleExact,
  ticks,
  type Exact,
  type LengthText,
  type Ticks,
} from '../../length/index.ts';
import { rect, type Rect } from '../../geometry/index.ts';
import { lengthAt, sizeAt, parseTicks } from '../../line/index.ts';
import { lengthField, isSamePath, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Layer, Recipe, Suggestion, LayoutContext } from '../recipe.ts';
import {
  ACROSS,
  COUNT,
  GAP,
  MARGIN,
  ROW_PLACES,
  ROW_REASONS,
  WIDTH,
  rowCountOf,
  layRow,
  setRowValue,
  rowEquations,
  rowFields,
  rowYieldOrder,
  rowKeys,
  readRowLine,
  rowFixedPaths,
  defaultRow,
  type RowAxis,
} from '../row.ts';
import { term } from '../sums.ts';

/*
 * A row of strips (see row.ts) from one side of the room to the other, or as long as is said; all alike, or each so much shorter
 * than the one before. An end that goes under something is cut longer by its tuck:
 *
 *     +-------------------------------------+
 *     |inset|<------- length ------->|inset |      room = length + 2 × inset      cut = tuck + length + tuck
 *     |     +========================+      |
 *     |     +====================+          |      graded: length, length − step, …, shortest
 */

const RUNS = ['upright', 'level'] as const;
const LENGTHS = ['even', 'graded'] as const;
const FLUSH = ['start', 'middle', 'end'] as const;

const stripsSchema = z.strictObject({
  run: z.enum(RUNS),
  strip: z.strictObject({
    width: lengthText().optional(),
    length: lengthText().optional(),
    /** From the edge of the room to either end. */
    inset: lengthText({ allow: 'negative' }).optional(),
  }),
  ...rowKeys,
  lengths: z.strictObject({
    as: z.enum(LENGTHS),
    shortest: lengthText().optional(),
    step: lengthText({ allow: 'zero' }).optional(),
    /** Where graded ones are flush. */
    flush: z.enum(FLUSH),
  }),
  /** Hidden under something at the first and at the other end: left and right, or bottom and top. */
  tuck: z.strictObject({
    start: lengthText({ allow: 'zero' }).optional(),
    end: lengthText({ allow: 'zero' }).optional(),
  }),
});
export type StripsInput = z.infer<typeof stripsSchema>;

/** Of a page's height, what is as low as that is no upright strip. */
const LOW = 4;

const STRIP: FieldPath = ['strip'];
const LENGTH: FieldPath = ['strip', 'length'];
const INSET: FieldPath = ['strip', 'inset'];
const GRADE: FieldPath = ['lengths'];
const SHORTEST: FieldPath = ['lengths', 'shortest'];
const STEP: FieldPath = ['lengths', 'step'];

const TUCKS = { start: ['tuck', 'start'], end: ['tuck', 'end'] } as const;

/** Which way the strips lie side by side, and which way they run. */
const axesOf = ({ run }: StripsInput): { side: RowAxis; along: RowAxis } =>
  run === 'upright' ? { side: 'width', along: 'height' } : { side: 'height', along: 'width' };
const isGraded = (input: StripsInput, count: number | null): boolean =>
  input.lengths.as === 'graded' && (count ?? 0) > 1;

function arithmetic(input: StripsInput, table: LayoutContext): Arithmetic {
  const read = readGivenLengths(table.unit);
  const { givens, problems, give } = read;
  const { side, along } = axesOf(input);
  const equations = rowEquations(input, table, side, read);
  const room: FieldPath = ['room', along];
  givens.push({ path: room, value: table.room[along], known: 'measured' });
  give(LENGTH, input.strip.length);
  give(INSET, input.strip.inset, 'assumed', 'negative');
  equations.push([term(room, 1), term(LENGTH, -1), term(INSET, -2)]);
  give(TUCKS.start, input.tuck.start, 'assumed', 'zero');
  give(TUCKS.end, input.tuck.end, 'assumed', 'zero');
  const n = rowCountOf(input, table, side);
  if (n !== null && isGraded(input, n)) {
    give(SHORTEST, input.lengths.shortest);
    give(STEP, input.lengths.step, 'assumed', 'zero');
    equations.push([term(LENGTH, 1), term(SHORTEST, -1), term(STEP, 1 - n)]);
  }
  return { equations, givens, problems };
}

/** Strips side by side: how many, how wide, how far apart, how long each is cut. */
export const strips: Recipe<'strips', StripsInput> = {
  ...PLAIN_RECIPE,
  id: 'strips',
  input: stripsSchema,
  roles: ['strip'],
  reasons: [...ROW_REASONS, 'shorter-than-nothing'],
  phrases: [
    'five strips across 12 with quarter gaps',
    '4 strips 2 1/2 x 6 gap 1/4',
    'four 2 1/2 strips edge to edge',
    'three level strips 3/4 wide, gap 1/4, tuck 1/2',
    'strips 20 mm wide, gap 5 mm, margin 10 mm',
    'seven 2 1/2 x 6 strips from 6 x 6 sheets',
    '5 strips 1 wide graded from 8 to 4',
  ],

  start: (table) => {
    const { unit, room, mark } = table;
    const { count, gap, margin } = defaultRow(table);
    const length = roundToMark(exact(room.height * 2, 3), mark, 'down');
    return {
      run: 'upright',
      strip: { length: formatExactLength(length, unit) },
      count,
      spread: 'room',
      row: { gap, margin },
      lengths: { as: 'even', flush: 'start' },
      tuck: {},
    };
  },
  fields: (input): readonly Field[] => {
    const { run, strip, lengths, tuck, count } = input;
    return [
      { kind: 'choice', path: ['run'], group: ['row'], value: run, options: RUNS },
      ...rowFields(input, [lengthField(LENGTH, strip.length), lengthField(INSET, strip.inset, { allow: 'negative' })]),
      { kind: 'choice', path: ['lengths', 'as'], group: GRADE, value: lengths.as, options: LENGTHS },
      ...(lengths.as === 'graded' && count !== 1
        ? [
            lengthField(SHORTEST, lengths.shortest),
            lengthField(STEP, lengths.step, { allow: 'zero' }),
            { kind: 'choice', path: ['lengths', 'flush'], group: GRADE, value: lengths.flush, options: FLUSH } as Field,
          ]
        : []),
      lengthField(TUCKS.start, tuck.start, { allow: 'zero', ifEmpty: 'by-rule' }),
      lengthField(TUCKS.end, tuck.end, { allow: 'zero', ifEmpty: 'by-rule' }),
    ];
  },
  put: (input, path, value) => {
    const next = setRowValue(input, path, value);
    const { as, shortest, step } = next.lengths;
    // Graded begins with all alike: what is shorter by how much is typed next.
    return as === 'graded' && shortest === undefined && step === undefined && isSamePath(path, [...GRADE, 'as'])
      ? withValue(next, STEP, '0')
      : next;
  },
  givesWay: (_input, path) => {
    const end = path.at(-1);
    if (end === 'length') return { own: [INSET, STEP, SHORTEST], others: [] };
    if (end === 'inset') return { own: [LENGTH], others: [STEP, SHORTEST] };
    if (end === 'step') return { own: [SHORTEST, LENGTH], others: [] };
    if (end === 'shortest') return { own: [STEP, LENGTH], others: [] };
    return { own: rowYieldOrder(path), others: [STEP] };
  },
  standsStill: (input, path) => {
    const end = path.at(-1);
    if (end === 'length') return [INSET, SHORTEST];
    if (end === 'inset') return [LENGTH];
    if (end === 'step') return [SHORTEST];
    if (end === 'shortest') return [STEP];
    return rowFixedPaths(input, path);
  },
  arithmetic,

  solve: (input, table) => {
    const { side } = axesOf(input);
    const { solution, problems, near, exactly } = solveLengths(arithmetic(input, table));
    const laid = layRow(input, table, side, solution, problems);
    if (!laid.ok) return makeRefusal(laid.problems, laid.offers);
    const { count, width, across, from, at, values, suggestions } = laid.row;
    const graded = isGraded(input, count);
    const short = findNotPositive([LENGTH, ...(graded ? [SHORTEST] : [])], near);
    if (short.length) return makeRefusal(short);
    const grow = graded ? exactly(STEP) : exact(0);
    // each rounded once, from its own exact length
    const lengths = at.map((_, i) =>
      graded ? roundToMark(addExact(exactly(LENGTH), scaleExact(grow, -i)), table.mark, 'nearest') : near(LENGTH),
    );
    if (lengths.some((length) => length <= 0))
      return makeRefusal([{ code: 'own', why: 'shorter-than-nothing', path: STEP, lengths: [near(STEP)] }]);
    const [tuckStart, tuckEnd] = [near(TUCKS.start), near(TUCKS.end)];
    const longest = Math.max(...lengths);
    const { flush } = input.lengths;
    const boxes = lengths.map((length, i): Rect => {
      const start = flush === 'start' ? 0 : flush === 'end' ? longest - length : Math.floor((longest - length) / 2);
      const [low, all] = [start - tuckStart, length + tuckStart + tuckEnd];
      return input.run === 'upright' ? rect(at[i]!, low, width, all) : rect(low, at[i]!, all, width);
    });
    const [wide, high]: [Ticks, Ticks] = [input.spread === 'room' ? table.room[side] : across, ticks(longest)];
    const kinds = graded ? lengths.map((_, i) => i) : [0];
    const keyOf = (i: number) => (graded ? `strip-${i + 1}` : 'strip');
    const layers: Layer[] = boxes.map((box, i) =>
      makeLayer({
        key: `strip-${i + 1}`,
        role: 'strip',
        n: i + 1,
        box,
        blank: keyOf(i),
        group: STRIP,
        sized: input.run === 'upright' ? { width: WIDTH, height: LENGTH } : { width: LENGTH, height: WIDTH },
      }),
    );
    return {
      status: 'solved',
      laid: {
        size: input.run === 'upright' ? { width: wide, height: high } : { width: high, height: wide },
        layers,
        blanks: kinds.map((i) =>
          makeBlank(
            { key: keyOf(i), role: 'strip', n: i + 1, quantity: graded ? 1 : count },
            boxes[i]!,
            table.mark,
            'nearest',
          ),
        ),
        slots: [],
        dims: dimsOf(input, boxes, from, { start: tuckStart, end: tuckEnd }),
        facts: [
          ...(tuckStart || tuckEnd
            ? [{ name: 'cut-length', lengths: [ticks(lengths[0]! + tuckStart + tuckEnd)] }]
            : []),
          ...(graded ? [{ name: 'lengths', lengths: lengths.map((t) => ticks(t)) }] : []),
        ],
      },
      values,
      sums: solution.sums,
      suggestions: [...suggestions, ...oddAdvice(input, table, laid.row.gap, width)],
    };
  },

  grammar: {
    heads: ['strip', 'stripe', 'column', 'slat'],
    places: {
      ...ROW_PLACES,
      strip: { kind: 'size', words: ['strip', 'stripe'] },
      width: { kind: 'length', words: ['wide', 'width'], alone: true },
      each: { kind: 'length', words: ['strip', 'stripe', 'column'] },
      length: { kind: 'length', words: ['long', 'longest', 'length', 'tall', 'high', 'from'] },
      shortest: { kind: 'length', words: ['to', 'shortest', 'down'] },
      step: { kind: 'length', words: ['step', 'shorter', 'less'], alone: true },
      tuck: { kind: 'length', words: ['tuck', 'under', 'hidden'] },
    },
    flags: {
      row: ['row'],
      fit: ['fit'],
      level: ['level', 'horizontal', 'sideways', 'flat'],
      // along an edge of the page that is level
      along: ['top', 'bottom'],
      upright: ['upright', 'vertical'],
      edges: ['edge-to-edge', 'butt', 'touching', 'flush'],
      graded: ['graded', 'stepped', 'graduated', 'stairs', 'staircase'],
      both: ['both'],
    },
    usual: ['strip', 'each', 'length'],
    idle: ['getting', 'going', 'paper', 'pattern', 'even', 'end', 'equal', 'side', 'cut'],
  },
  read: (heard, table) => {
    const said = (place: string): LengthText | undefined => lengthAt(heard, place);
    const size = sizeAt(heard, 'strip');
    // `2 inch strips` are so wide; `12 inch strips 1/2 wide` are so long
    // of strips that lie level, how high they are is how wide each is
    const isSaidHigh = heard.values.some((v) => v.place === 'length' && /^(?:high|tall)$/.test(v.word ?? ''));
    // `2 strips 1 1/2 high`, of which nothing else is said: so low, they lie level
    const isLow =
      isSaidHigh &&
      !size &&
      said('width') === undefined &&
      said('each') === undefined &&
      parseTicks(said('length'), table.unit) * LOW <= table.room.height;
    const isLevel = heard.flags.has('level') || heard.flags.has('along') || isLow;
    const isHigh = isLevel && isSaidHigh;
    const high = isHigh && said('width') === undefined && !size ? said('length') : undefined;
    const width = size?.width ?? said('width') ?? high ?? said('each');
    const long = high === undefined ? said('length') : undefined;
    const isEach = said('width') !== undefined || high !== undefined;
    // `how many 3/4 strips from a 12 x 12`: as long as the sheet
    const sheetLong = sizeAt(heard, 'sheet')?.height;
    const length = size?.height ?? long ?? (isEach ? said('each') : undefined) ?? sheetLong;
    // along the top and the bottom
    const isBoth = heard.flagsAt.filter(({ flag }) => flag === 'along').length === 2;
    const asRow = readRowLine(heard, table, { width, length }, heard.flags.has('edges'));
    const row = isBoth && asRow.count === undefined ? { ...asRow, count: 2 } : asRow;
    if ([width, length, said('across'), said('gap') ?? said('overlap'), row.count].every((v) => v === undefined))
      return null;
    const [shortest, step, tuck] = [said('shortest'), said('step'), said('tuck')];
    const graded =
      ['graded', 'step'].some((flag) => heard.flags.has(flag)) || shortest !== undefined || step !== undefined;
    return {
      run: isLevel ? 'level' : 'upright',
      strip: {
        ...(width === undefined ? {} : { width }),
        ...(length === undefined ? { inset: '0' } : { length }),
      },
      ...row,
      lengths: {
        as: graded ? 'graded' : 'even',
        flush: 'start',
        ...(shortest !== undefined
          ? { shortest }
          : step !== undefined
            ? { step }
            : graded
              ? { step: table.unit === 'in' ? '1/2' : '12' }
              : {}),
      },
      tuck: tuck === undefined ? {} : { start: tuck, end: tuck },
    };
  },

  /** Widths that a paper gives without waste: as many whole strips as nearly come from it. */
  toComeFrom: (input, table, blank, paper) => {
    const solved = strips.solve(input, table);
    const cut = solved.status === 'solved' ? solved.laid.blanks.find((b) => b.key === blank) : undefined;
    if (solved.status !== 'solved' || !cut) return [];
    const [width, length] = input.run === 'upright' ? [cut.width, cut.height] : [cut.height, cut.width];
    // strips come off the side across which they are not too long
    const off = [
      [paper.width, paper.height],
      [paper.height, paper.width],
    ].find(([, long]) => long! >= length)?.[0];
    if (off === undefined) return [];
    const each = Math.max(1, Math.round(off / width));
    const even = roundToMark(exact(off, each), table.mark, 'down');
    return even > 0 && even !== width ? [{ path: WIDTH, length: even }] : [];
  },
};

/** An even number is allowed; an odd one that fits as well is offered. */
function oddAdvice(input: StripsInput, table: LayoutContext, gap: Exact, width: Ticks): Suggestion[] {
  const { count, spread } = input;
  if (count === undefined || count % 2 || count < 2) return [];
  const room = table.room[axesOf(input).side];
  const reach = (n: number) => n * width + Math.max(0, n - 1) * Number(roundExact(gap, 'nearest'));
  const follows = input.strip.width === undefined || input.row.gap === undefined;
  const odd = [count - 1, count + 1].filter((n) => n > 0 && (follows || spread === 'row' || reach(n) <= room));
  return [{ code: 'even-count', path: COUNT, count, odd }];
}

function dimsOf(input: StripsInput, boxes: readonly Rect[], margin: number, tuck: { start: Ticks; end: Ticks }): Dim[] {
  const upright = input.run === 'upright';
  // as if upright: x side by side, y along the strips
  const at = (x: number, y: number) =>
    upright
      ? { x: ticks(Math.round(x)), y: ticks(Math.round(y)) }
      : { x: ticks(Math.round(y)), y: ticks(Math.round(x)) };
  const turn = ({ x, y, width, height }: Rect) =>
    upright ? { x, y, width, height } : { x: y, y: x, width: height, height: width };
  const all = boxes.map(turn);
  const [first, second, last] = [all[0]!, all[1], all.at(-1)!];
  const low = first.y + tuck.start;
  const high = first.y + first.height - tuck.end;
  const end = last.x + last.width;
  const graded = input.lengths.as === 'graded' && all.length > 1;
  const dims: (Dim | false | undefined)[] = [
    {
      kind: 'span',
      path: WIDTH,
      from: at(first.x, high),
      to: at(first.x + first.width, high),
      side: upright ? 'top' : 'right',
    },
    { kind: 'span', path: LENGTH, from: at(first.x, low), to: at(first.x, high), side: upright ? 'left' : 'bottom' },
    second && { kind: 'leader', path: GAP, at: at((first.x + first.width + second.x) / 2, low + (high - low) * 0.75) },
    input.spread === 'room' &&
      margin > 0 && { kind: 'leader', path: MARGIN, at: at(end + margin / 2, low + (high - low) * 0.5) },
    graded && { kind: 'leader', path: SHORTEST, at: at(last.x + last.width / 2, last.y + last.height / 2) },
    { kind: 'span', path: ACROSS, from: at(first.x, low), to: at(end, low), side: upright ? 'bottom' : 'left' },
    tuck.start > 0 && { kind: 'leader', path: TUCKS.start, at: at(first.x + first.width / 2, low - tuck.start / 2) },
    tuck.end > 0 && { kind: 'leader', path: TUCKS.end, at: at(first.x + first.width / 2, high + tuck.end / 2) },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
