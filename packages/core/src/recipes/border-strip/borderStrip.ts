import { z } from 'zod';
import {
  exact,
  formatExactLength,
  lengthOf,
  lengthText,
  roundExact,
  ticks,
  type Exact,
  type Ticks,
} from '../../length/index.ts';
import {
  moveContour,
  rect,
  shapeOfOutline,
  type Contour,
  type Edge,
  type Rect,
  type Segment,
  type Shape,
} from '../../geometry/index.ts';
import { lengthAt, sizeAt, parseTicks } from '../../line/index.ts';
import { lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Offer, Recipe, Suggestion, LayoutContext } from '../recipe.ts';
import { term } from '../sums.ts';

/*
 * A strip whose edge is punched in whole repeats. Begun with a crest or a valley on the middle mark, both ends come out alike:
 *
 *     |<over>|<repeat>|<repeat>|<repeat>|<over>|       long = repeats × repeat + 2 × over
 *       ____    .--.     .--.     .--.    ____
 *      |    \  /    \   /  | \   /    \  /    |        odd with a crest in the middle, even with a valley
 *      |     `'      `-'   |  `-'      `'     |  depth
 *      |___________________|__________________|        middle mark
 *
 * Round a panel there is such a strip on some of its sides; its corners meet where what is over is as much on each of them.
 */

const MIDDLES = ['crest', 'valley', 'better'] as const;
const SIDES = ['one', 'two', 'all'] as const;
const MAX_REPEATS = 400;

const borderStripSchema = z.strictObject({
  strip: z.strictObject({ long: lengthText().optional(), width: lengthText() }),
  punch: z.strictObject({ repeat: lengthText().optional(), depth: lengthText() }),
  middle: z.enum(MIDDLES),
  /** One strip; above and below; or round a panel as long and as high as that, outside of it. */
  sides: z.enum(SIDES),
  /** How high the panel is that it goes round. */
  high: lengthText().optional(),
});
export type BorderStripInput = z.infer<typeof borderStripSchema>;

const LONG: FieldPath = ['strip', 'long'];
const WIDTH: FieldPath = ['strip', 'width'];
const REPEAT: FieldPath = ['punch', 'repeat'];
const DEPTH: FieldPath = ['punch', 'depth'];
const HIGH: FieldPath = ['high'];
const ROOM: FieldPath = ['room', 'width'];

function arithmetic({ strip, punch, sides, high }: BorderStripInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  givens.push({ path: ROOM, value: table.room.width, known: 'measured' });
  give(LONG, strip.long);
  give(WIDTH, strip.width);
  give(REPEAT, punch.repeat);
  give(DEPTH, punch.depth);
  if (sides !== 'one') give(HIGH, high);
  return {
    equations: [
      ...(strip.long === undefined ? [[term(LONG, 1), term(ROOM, -1)]] : []),
      // a panel is square where nothing else is said
      ...(sides !== 'one' && high === undefined ? [[term(HIGH, 1), term(LONG, -1)]] : []),
    ],
    givens,
    problems,
  };
}

/** Whole repeats along a length, and what is over at either end, exact. A crest on the middle wants an odd number of them. */
export function countRepeatsAlong(
  long: Ticks,
  repeat: Ticks,
  middle: BorderStripInput['middle'],
): { readonly count: number; readonly over: Exact; readonly middle: 'crest' | 'valley' } {
  const most = Math.floor(long / repeat);
  const fits = (odd: boolean) => (most % 2 === (odd ? 1 : 0) ? most : most - 1);
  const kind = middle === 'better' ? (most % 2 ? 'crest' : 'valley') : middle;
  const count = Math.max(0, fits(kind === 'crest'));
  return { count, over: exact(long - count * repeat, 2), middle: kind };
}

/** The punched strip, its crests upward: whole repeats in the middle, plain at both ends. Arcs meet in the valleys. */
function punched(long: number, width: number, depth: number, repeat: number, count: number): Shape {
  const p = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const over = (long - count * repeat) / 2;
  const valley = width - depth;
  const segments: Segment[] = [{ to: p(long, 0) }];
  if (over > 0) segments.push({ to: p(long, width) }, { to: p(long - over, width) }, { to: p(long - over, valley) });
  else segments.push({ to: p(long, valley) });
  // from right to left; the crest is the top of an arc through both its valleys
  const half = repeat / 2;
  const radius = (half * half + depth * depth) / (2 * depth);
  for (let i = 0; i < count; i++) {
    const right = long - over - i * repeat;
    const [middle, crest] = [right - half, width];
    segments.push({ to: p(middle, crest), centre: p(middle, crest - radius), turn: 'left' });
    segments.push({ to: p(right - repeat, valley), centre: p(middle, crest - radius), turn: 'left' });
  }
  if (over > 0) segments.push({ to: p(over, width) }, { to: p(0, width) });
  segments.push({ to: p(0, 0) });
  return shapeOfOutline(withoutRepeats({ start: p(0, 0), segments }));
}

/** Points that fall together are one. */
function withoutRepeats({ start, segments }: Contour): Contour {
  let from = start;
  const kept = segments.filter(({ to }) => {
    const same = to.x === from.x && to.y === from.y;
    from = to;
    return !same;
  });
  return { start, segments: kept };
}

/** A shape turned by quarters about the origin, then brought back so that its box begins there. */
function turnedTo(edge: Edge, { outline }: Shape, long: number, width: number): Shape {
  const turn = ({ x, y }: { x: number; y: number }) => {
    const to: Record<Edge, readonly [number, number]> = {
      top: [x, y],
      bottom: [long - x, width - y],
      left: [width - y, x],
      right: [y, long - x],
    };
    return { x: ticks(to[edge][0]), y: ticks(to[edge][1]) };
  };
  return shapeOfOutline({
    start: turn(outline.start),
    segments: outline.segments.map((s) =>
      'centre' in s ? { to: turn(s.to), centre: turn(s.centre), turn: s.turn } : { to: turn(s.to) },
    ),
  });
}

const EDGES_OF: Readonly<Record<BorderStripInput['sides'], readonly Edge[]>> = {
  one: ['top'],
  two: ['bottom', 'top'],
  all: ['bottom', 'left', 'right', 'top'],
};

/** Punched strips: how many whole repeats, where to begin so that both ends match, whether the corners meet. */
export const borderStrip: Recipe<'border-strip', BorderStripInput> = {
  ...PLAIN_RECIPE,
  id: 'border-strip',
  input: borderStripSchema,
  roles: ['top', 'bottom', 'left', 'right'],
  reasons: ['no-repeat', 'punch-too-deep', 'punch-too-steep'],
  phrases: [
    'border strip 12 long, repeat 7/8',
    'scalloped border 1 x 12, repeat 7/8, valley in the middle',
    'punched edge 12 long repeat 7/8 crest',
    'border strip 300 mm long 25 mm wide repeat 22 mm depth 8 mm',
    'scalloped border round 6 x 4, repeat 1/2',
  ],

  start: (table) => {
    const { unit, room } = table;
    const small = Math.min(room.width, room.height) < lengthOf('4', 'in');
    const text = (inch: string, mm: string) => (unit === 'in' ? inch : mm);
    return {
      strip: { long: formatExactLength(room.width, unit), width: small ? text('1/2', '12') : text('1', '25') },
      punch: {
        repeat: small ? text('1/4', '6') : text('7/8', '22'),
        depth: small ? text('1/8', '3') : text('1/4', '6'),
      },
      middle: 'better',
      sides: 'one',
    };
  },
  fields: ({ strip, punch, middle, sides, high }): readonly Field[] => [
    lengthField(LONG, strip.long, { ifEmpty: 'by-rule' }),
    lengthField(WIDTH, strip.width, { ifEmpty: 'refused' }),
    lengthField(REPEAT, punch.repeat, { ifEmpty: 'refused' }),
    lengthField(DEPTH, punch.depth, { ifEmpty: 'refused' }),
    { kind: 'choice', path: ['middle'], group: ['punch'], value: middle, options: MIDDLES },
    { kind: 'choice', path: ['sides'], group: ['panel'], value: sides, options: SIDES },
    ...(sides === 'one' ? [] : [lengthField(HIGH, high, { ifEmpty: 'by-rule', group: ['panel'] })]),
  ],
  givesWay: () => ({ own: [], others: [] }),
  standsStill: () => [],
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const { sides } = input;
    if (input.punch.repeat === undefined) return makeRefusal([{ code: 'missing', paths: [REPEAT] }]);
    const none = findNotPositive([LONG, WIDTH, REPEAT, DEPTH, ...(sides === 'one' ? [] : [HIGH])], near);
    if (none.length) return makeRefusal(none);
    const [long, width, repeat, depth] = [near(LONG), near(WIDTH), near(REPEAT), near(DEPTH)];
    if (depth >= width)
      return makeRefusal([{ code: 'own', why: 'punch-too-deep', path: DEPTH, lengths: [depth, width] }]);
    // a crest is half a circle at the most
    if (2 * depth > repeat)
      return makeRefusal(
        [{ code: 'own', why: 'punch-too-steep', path: DEPTH, lengths: [depth, repeat] }],
        [{ path: DEPTH, length: ticks(Math.floor(repeat / 2)) }],
      );
    const high = sides === 'one' ? long : near(HIGH);
    const edges = EDGES_OF[sides];
    const lengthOfEdge = (edge: Edge) => (edge === 'left' || edge === 'right' ? high : long);
    const run = (edge: Edge) => countRepeatsAlong(lengthOfEdge(edge), repeat, input.middle);
    const empty = edges.find((edge) => run(edge).count < 1);
    if (empty || edges.some((edge) => run(edge).count > MAX_REPEATS))
      return makeRefusal([
        { code: 'own', why: 'no-repeat', path: REPEAT, lengths: [repeat, lengthOfEdge(empty ?? 'top')] },
      ]);
    const out = sides === 'one' ? 0 : width;
    const side = sides === 'all' ? width : 0;
    const size = { width: ticks(long + 2 * side), height: ticks(sides === 'one' ? width : high + 2 * width) };
    const boxes: Record<Edge, Rect> = {
      top: rect(side, sides === 'one' ? 0 : high + width, long, width),
      bottom: rect(side, 0, long, width),
      left: rect(0, out, width, high),
      right: rect(side + long, out, width, high),
    };
    const shape = (edge: Edge): Shape => {
      const each = lengthOfEdge(edge);
      return turnedTo(edge, punched(each, width, depth, repeat, run(edge).count), each, width);
    };
    const layers: Layer[] = edges.map((edge) =>
      makeLayer({
        key: edge,
        role: edge,
        n: 1,
        box: boxes[edge],
        group: ['strip'],
        shape: moveContour(shape(edge), boxes[edge].x, boxes[edge].y),
        sized: null,
      }),
    );
    return {
      status: 'solved',
      laid: {
        size,
        layers,
        blanks: edges.map((edge) => {
          const across = edge === 'top' || edge === 'bottom';
          const middle = ticks(Math.floor(lengthOfEdge(edge) / 2));
          const [w, h]: [Ticks, Ticks] = across ? [lengthOfEdge(edge), width] : [width, lengthOfEdge(edge)];
          return makeBlank(
            {
              key: edge,
              role: edge,
              n: 1,
              shape: shape(edge),
              marks: [
                across
                  ? { kind: 'pencil', from: { x: middle, y: ticks(0) }, to: { x: middle, y: h } }
                  : { kind: 'pencil', from: { x: ticks(0), y: middle }, to: { x: w, y: middle } },
              ],
              finish: [{ do: 'punch', edge, depth, repeats: run(edge).count }],
            },
            { width: w, height: h },
            table.mark,
            'nearest',
          );
        }),
        slots: sides === 'one' ? [] : [{ key: 'panel', role: 'top', n: 1, box: rect(side, width, long, high) }],
        dims: dimsOf(boxes.top, high, sides !== 'one', depth, repeat, run('top')),
        facts: factsOf(edges, run, repeat, long, high),
      },
      values: solution.values,
      sums: solution.sums,
      suggestions: wholeAdvice(edges, run, repeat, long, high),
    };
  },

  grammar: {
    heads: ['border', 'scallop', 'scalloped', 'punch', 'punched', 'edging'],
    places: {
      strip: { kind: 'size', words: ['strip'], alone: true },
      round: { kind: 'size', words: ['round', 'around', 'panel'], alone: true },
      repeat: { kind: 'length', words: ['repeat', 'pattern', 'scallop', 'every'], alone: true },
      long: { kind: 'length', words: ['long', 'length', 'across', 'edge'], alone: true },
      width: { kind: 'length', words: ['wide', 'width', 'high', 'tall'] },
      depth: { kind: 'length', words: ['depth', 'deep'] },
    },
    flags: { crest: ['crest', 'bump', 'peak'], valley: ['valley', 'dip'], two: ['both'], all: ['four'] },
    usual: ['long', 'repeat', 'strip'],
    idle: ['bottom', 'top', 'strip', 'border', 'middle', 'mark', 'side', 'begin', 'start', 'end', 'match', 'panel'],
  },
  read: (heard, table) => {
    // `1 x 12` and `12 x 1` are the same strip
    const strip = lengthFirst(sizeAt(heard, 'strip'), table);
    const round = sizeAt(heard, 'round');
    const repeat = lengthAt(heard, 'repeat');
    if (repeat === undefined && !round && !strip && lengthAt(heard, 'long') === undefined) return null;
    // `a 1/4 border` is no punched strip
    const isPunched =
      repeat !== undefined || strip || heard.flags.has('strip') || [...heard.heads].some((head) => head !== 'border');
    const isNamed = heard.values.some((v) => ['long', 'width', 'depth'].includes(v.place) && v.word !== null);
    if (!isPunched && !isNamed) return null;
    const inch = table.unit === 'in';
    const long = round?.width ?? lengthAt(heard, 'long') ?? strip?.long;
    const sides = round || heard.flags.has('all') ? 'all' : heard.flags.has('two') ? 'two' : 'one';
    return {
      strip: {
        ...(long === undefined ? {} : { long }),
        width: lengthAt(heard, 'width') ?? strip?.width ?? (inch ? '1' : '25'),
      },
      punch: { ...(repeat === undefined ? {} : { repeat }), depth: lengthAt(heard, 'depth') ?? (inch ? '1/4' : '6') },
      middle: heard.flags.has('crest') ? 'crest' : heard.flags.has('valley') ? 'valley' : 'better',
      sides,
      ...(round ? { high: round.height } : {}),
    };
  },
};

function lengthFirst(size: ReturnType<typeof sizeAt>, { unit }: LayoutContext): { long: string; width: string } | null {
  if (!size) return null;
  const { width, height } = size;
  return parseTicks(width, unit) > parseTicks(height, unit) ? { long: width, width: height } : { long: height, width };
}

type Run = ReturnType<typeof countRepeatsAlong>;

/** For each length of edge: repeats, what is over, the number that is not chosen; and where the corners do not meet. */
function factsOf(edges: readonly Edge[], run: (edge: Edge) => Run, repeat: Ticks, long: Ticks, high: Ticks): Fact[] {
  const shown = edges.includes('left') && high !== long ? (['top', 'left'] as const) : (['top'] as const);
  const over = (edge: Edge) => roundExact(run(edge).over, 'nearest');
  return [
    ...shown.map((edge) => ({
      name: `${run(edge).middle}-${edge}`,
      lengths: [ticks(run(edge).count), over(edge)],
    })),
    ...(shown.length > 1 && over('top') !== over('left')
      ? [{ name: 'corners-differ', lengths: [over('top'), over('left')] }]
      : []),
    ...shown.map((edge) => {
      const other = countRepeatsAlong(
        edge === 'left' ? high : long,
        repeat,
        run(edge).middle === 'crest' ? 'valley' : 'crest',
      );
      return {
        name: `otherwise-${other.middle}-${edge}`,
        lengths: [ticks(other.count), roundExact(other.over, 'nearest')],
      };
    }),
  ];
}

/** Where something is over at the ends: the lengths with whole repeats from end to end. */
function wholeAdvice(
  edges: readonly Edge[],
  run: (edge: Edge) => Run,
  repeat: Ticks,
  long: Ticks,
  high: Ticks,
): Suggestion[] {
  const found: Offer[] = [];
  const lengths = [
    { edge: 'top', path: LONG, length: long },
    { edge: 'left', path: HIGH, length: high },
  ] as const;
  for (const { edge, path, length } of lengths) {
    if (!edges.includes(edge) || run(edge).over.n === 0n) continue;
    const down = run(edge).count * repeat;
    if (down > 0 && down < length) found.push({ path, length: ticks(down) });
  }
  return found.map((offer) => ({ code: 'whole-repeats', offer }));
}

function dimsOf(top: Rect, high: Ticks, panel: boolean, depth: Ticks, repeat: Ticks, { over }: Run): Dim[] {
  const at = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const [left, right, up] = [top.x, top.x + top.width, top.y + top.height];
  const first = left + Number(roundExact(over, 'nearest'));
  return [
    { kind: 'span', path: LONG, from: at(left, up), to: at(right, up), side: 'top' },
    { kind: 'leader', path: WIDTH, at: at(right - (right - left) * 0.1, top.y + top.height * 0.4) },
    { kind: 'leader', path: REPEAT, at: at(first + repeat / 2, up - depth / 2) },
    { kind: 'leader', path: DEPTH, at: at(first + repeat, up - depth / 2) },
    ...(panel
      ? [{ kind: 'span' as const, path: HIGH, from: at(0, top.y - high), to: at(0, top.y), side: 'left' as const }]
      : []),
  ];
}
