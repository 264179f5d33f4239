import { z } from 'zod';
import { exact, lengthOf, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import { rect, type Finish, type Point, type Rect, type Shape, type Size } from '../../geometry/index.ts';
import { lengthAt, sizeAt } from '../../line/index.ts';
import { fieldKey, lengthField, isSamePath, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
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
  type RowAxis,
} from '../row.ts';
import { term } from '../sums.ts';

/*
 * Tabs along an edge (row.ts), each sticking out, and tucked behind what it is glued to:
 *
 *      .--.  .--.  .--.      single: cut = out + tuck
 *     +|  |--|  |--|  |+     double: folded over the edge, so that it is glued in front and behind: cut twice as long
 *     | '--'  '--'  '--'|
 */

const EDGES = ['top', 'bottom', 'left', 'right'] as const;
const MADE = ['single', 'double'] as const;
const CORNERS = ['round', 'cropped', 'square'] as const;

const tabsSchema = z.strictObject({
  edge: z.enum(EDGES),
  strip: z.strictObject({ width: lengthText().optional() }),
  ...rowKeys,
  tab: z.strictObject({
    out: lengthText().optional(),
    tuck: lengthText({ allow: 'zero' }).optional(),
    made: z.enum(MADE),
  }),
  corner: z.strictObject({ how: z.enum(CORNERS), by: lengthText().optional() }),
});
export type TabsInput = z.infer<typeof tabsSchema>;

const TAB: FieldPath = ['tab'];
const OUT: FieldPath = ['tab', 'out'];
const TUCK: FieldPath = ['tab', 'tuck'];
const BY: FieldPath = ['corner', 'by'];

/** Along which side of the room they stand. */
const axisOf = ({ edge }: TabsInput): RowAxis => (edge === 'top' || edge === 'bottom' ? 'width' : 'height');

function arithmetic(input: TabsInput, table: LayoutContext): Arithmetic {
  const read = readGivenLengths(table.unit);
  const equations = rowEquations(input, table, axisOf(input), read);
  read.give(OUT, input.tab.out);
  read.give(TUCK, input.tab.tuck, 'assumed', 'zero');
  if (input.corner.how !== 'square') read.give(BY, input.corner.by);
  equations.push([term(OUT, 1), term(OUT, -1)]);
  return { equations, givens: read.givens, problems: read.problems };
}

/** Tabs along an edge: how many, where each begins, how long each is cut. */
export const tabs: Recipe<'tabs', TabsInput> = {
  ...PLAIN_RECIPE,
  id: 'tabs',
  input: tabsSchema,
  roles: ['tab'],
  reasons: [...ROW_REASONS, 'corner-too-large'],
  phrases: [
    'five tabs 1 1/2 wide along the top, 1/2 out',
    'tabs 1 x 1/2 on the right, gap 1/4',
    '6 tabs 1 wide, gap 1/2, sticking out 3/8, tuck 1/2',
    '4 folded tabs 30 mm wide along the left, out 12 mm, gap 10 mm',
  ],

  start: (table) => {
    const { count, gap, margin } = defaultRow(table);
    const inch = table.unit === 'in';
    const small = table.room.width < lengthOf('4', 'in');
    return {
      edge: 'top',
      strip: {},
      count,
      spread: 'room',
      row: { gap, margin },
      tab: { out: inch ? (small ? '1/4' : '1/2') : small ? '6' : '12', tuck: inch ? '1/4' : '6', made: 'single' },
      corner: { how: 'round' },
    };
  },
  fields: (input): readonly Field[] => {
    const { edge, tab, corner } = input;
    return [
      { kind: 'choice', path: ['edge'], group: ['row'], value: edge, options: EDGES },
      ...rowFields(input, []).map((field) => (isSamePath(field.path, WIDTH) ? { ...field, group: TAB } : field)),
      lengthField(OUT, tab.out, { ifEmpty: 'refused' }),
      lengthField(TUCK, tab.tuck, { allow: 'zero', ifEmpty: 'by-rule' }),
      { kind: 'choice', path: ['tab', 'made'], group: TAB, value: tab.made, options: MADE },
      { kind: 'choice', path: ['corner', 'how'], group: ['corner'], value: corner.how, options: CORNERS },
      ...(corner.how === 'square' ? [] : [lengthField(BY, corner.by, { ifEmpty: 'by-rule' })]),
    ];
  },
  put: setRowValue,
  givesWay: (_input, path) => ({
    own: path[0] === 'tab' || path[0] === 'corner' ? [] : rowYieldOrder(path),
    others: [],
  }),
  standsStill: (input, path) => (path[0] === 'tab' || path[0] === 'corner' ? [] : rowFixedPaths(input, path)),
  arithmetic,

  solve: (input, table) => {
    const axis = axisOf(input);
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    const laid = layRow(input, table, axis, solution, problems);
    if (!laid.ok) return makeRefusal(laid.problems, laid.offers);
    const none = findNotPositive([OUT], near);
    if (none.length) return makeRefusal(none);
    const { count, width, across, from, at, values: rowValues, suggestions } = laid.row;
    const [out, tuck] = [near(OUT), near(TUCK)];
    const deep = ticks(out + tuck);
    const { how } = input.corner;
    const by = how === 'square' ? 0 : input.corner.by === undefined ? usualCorner(width, out, table) : near(BY);
    if (2 * by > width || by > out) {
      const most = roundToMark(ticks(Math.floor(Math.min(width / 2, out))), table.mark, 'down');
      const problem: RecipeProblem = {
        code: 'own',
        why: 'corner-too-large',
        path: BY,
        lengths: [ticks(by), ticks(Math.min(Math.floor(width / 2), out))],
      };
      return makeRefusal([problem], most > 0 ? [{ path: BY, length: most }] : []);
    }
    const room = input.spread === 'room' ? table.room[axis] : across;
    const size: Size = axis === 'width' ? { width: room, height: deep } : { width: deep, height: room };
    const layers = at.map((x, i): Layer => {
      const box = axis === 'width' ? rect(x, 0, width, deep) : rect(0, x, deep, width);
      const shape = by ? rounded(box, input.edge, ticks(by), how === 'round') : null;
      return makeLayer({
        key: `tab-${i + 1}`,
        role: 'tab',
        n: i + 1,
        box,
        shape,
        blank: 'tab',
        group: TAB,
        sized: axis === 'width' ? { width: WIDTH, height: OUT } : { width: OUT, height: WIDTH },
      });
    });
    const double = input.tab.made === 'double';
    const cut = ticks(double ? 2 * deep : deep);
    // cut lying down: its free end at the top, or the fold in the middle
    const point = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
    const finish: Finish[] = [
      ...(double ? [{ do: 'fold', from: point(0, deep), to: point(width, deep) } as const] : []),
      ...(by ? [{ do: 'corners', how: how === 'round' ? 'round' : 'straight', by: ticks(by), count: 2 } as const] : []),
    ];
    const values = new Map(rowValues);
    if (how !== 'square') values.set(fieldKey(BY), exact(by));
    if (input.tab.tuck === undefined) values.set(fieldKey(TUCK), exact(0));
    const facts: Fact[] = [{ name: double ? 'double' : 'single', lengths: [width, cut, tuck] }];
    return {
      status: 'solved',
      laid: {
        size,
        layers,
        blanks: [
          makeBlank(
            { key: 'tab', role: 'tab', n: 1, quantity: count, makes: count, finish },
            { width, height: cut },
            table.mark,
            'nearest',
          ),
        ],
        slots: [],
        dims: dimsOf(
          input,
          layers.map((l) => l.box),
          { out, tuck, from, across },
        ),
        facts,
      },
      values,
      sums: solution.sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['tab'],
    places: {
      ...ROW_PLACES,
      margin: { kind: 'length', words: ['margin'] },
      tab: { kind: 'size', words: ['tab'] },
      width: { kind: 'length', words: ['wide', 'width'], alone: true },
      out: { kind: 'length', words: ['out', 'stick', 'sticking', 'high', 'deep', 'tall'] },
      tuck: { kind: 'length', words: ['tuck', 'under', 'behind', 'tucked'] },
      corner: { kind: 'length', words: ['corner', 'radius'], alone: true },
      length: { kind: 'length', words: ['long'] },
    },
    flags: {
      row: ['row'],
      fit: ['fit'],
      left: ['left'],
      right: ['right'],
      bottom: ['bottom', 'lower'],
      top: ['top', 'upper'],
      double: ['double', 'folded', 'fold'],
      square: ['square'],
      cropped: ['cropped', 'crop'],
      round: ['round', 'rounded'],
    },
    usual: ['tab', 'width'],
    idle: ['edge', 'index', 'divider', 'side', 'over'],
  },
  read: (heard, table) => {
    const said = (place: string) => lengthAt(heard, place);
    const size = sizeAt(heard, 'tab');
    const width = size?.width ?? said('width');
    const has = (flag: string) => heard.flags.has(flag);
    const inch = table.unit === 'in';
    const out = size?.height ?? said('out') ?? (inch ? '1/2' : '12');
    const row = readRowLine(heard, table, { width, length: sizeAt(heard, 'sheet') ? undefined : out });
    if (width === undefined && row.count === undefined) return null;
    const [tuck, by] = [said('tuck'), said('corner')];
    return {
      edge: has('left') ? 'left' : has('right') ? 'right' : has('bottom') ? 'bottom' : 'top',
      strip: width === undefined ? {} : { width },
      ...row,
      tab: {
        out,
        tuck: tuck ?? (inch ? '1/4' : '6'),
        made: has('double') ? 'double' : 'single',
      },
      corner: {
        how: has('square') ? 'square' : has('cropped') ? 'cropped' : 'round',
        ...(by === undefined ? {} : { by }),
      },
    };
  },
};

/** An eighth of an inch (3 mm), where the tab has that. */
const usualCorner = (width: Ticks, out: Ticks, { unit }: LayoutContext): Ticks =>
  ticks(Math.min(lengthOf(unit === 'in' ? '1/8' : '3', unit), Math.floor(width / 2), out));

/** A box with the two corners of one edge rounded or cropped. */
function rounded({ x, y, width, height }: Rect, edge: TabsInput['edge'], by: Ticks, round: boolean): Shape {
  const at = (px: number, py: number): Point => ({ x: ticks(px), y: ticks(py) });
  const [right, top] = [x + width, y + height];
  /** Corners counter-clockwise from the lower left, and which of them are taken off. */
  const corners = [
    {
      p: at(x, y),
      off: edge === 'left' || edge === 'bottom',
      to: [at(x, y + by), at(x + by, y)],
      c: at(x + by, y + by),
    },
    {
      p: at(right, y),
      off: edge === 'right' || edge === 'bottom',
      to: [at(right - by, y), at(right, y + by)],
      c: at(right - by, y + by),
    },
    {
      p: at(right, top),
      off: edge === 'right' || edge === 'top',
      to: [at(right, top - by), at(right - by, top)],
      c: at(right - by, top - by),
    },
    {
      p: at(x, top),
      off: edge === 'left' || edge === 'top',
      to: [at(x + by, top), at(x, top - by)],
      c: at(x + by, top - by),
    },
  ];
  const steps = corners.flatMap(({ p, off, to, c }) => {
    if (!off) return [{ to: p }];
    const [from, until] = to as [Point, Point];
    return [{ to: from }, round ? { to: until, centre: c, turn: 'left' as const } : { to: until }];
  });
  const start = steps.at(-1)!.to;
  return { outline: { start, segments: steps }, holes: [] };
}

function dimsOf(
  input: TabsInput,
  boxes: readonly Rect[],
  { out, tuck, from, across }: { out: number; tuck: number; from: number; across: number },
): Dim[] {
  const level = axisOf(input) === 'width';
  // as if along the top: x along the edge, y outward
  const outward = input.edge === 'top' || input.edge === 'right';
  const deep = out + tuck;
  const on = (x: number, y: number): Point => {
    const far = outward ? y : deep - y;
    return level
      ? { x: ticks(Math.round(x)), y: ticks(Math.round(far)) }
      : { x: ticks(Math.round(far)), y: ticks(Math.round(x)) };
  };
  const spans = boxes.map((b) => (level ? { x: b.x, width: b.width } : { x: b.y, width: b.height }));
  const [first, second, last] = [spans[0]!, spans[1], spans.at(-1)!];
  const dims: (Dim | false | undefined)[] = [
    {
      kind: 'span',
      path: WIDTH,
      from: on(first.x, deep),
      to: on(first.x + first.width, deep),
      side: level ? 'top' : 'right',
    },
    { kind: 'leader', path: OUT, at: on(last.x + last.width / 2, tuck + out / 2) },
    tuck > 0 && { kind: 'leader', path: TUCK, at: on(last.x + last.width / 3, tuck / 2) },
    second && { kind: 'leader', path: GAP, at: on((first.x + first.width + second.x) / 2, deep / 2) },
    input.spread === 'room' && from > 0 && { kind: 'leader', path: MARGIN, at: on(from + across + from / 2, deep / 2) },
    { kind: 'span', path: ACROSS, from: on(from, 0), to: on(from + across, 0), side: level ? 'bottom' : 'left' },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
