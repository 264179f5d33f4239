import { z } from 'zod';
import { exact, formatExactLength, lengthText, parseLength, ticks, type Ticks } from '../../length/index.ts';
import {
  boundsOf,
  circle,
  moveContour,
  shapeOfOutline,
  type Finish,
  type Point,
  type Shape,
} from '../../geometry/index.ts';
import { lengthAt } from '../../line/index.ts';
import { fieldKey, lengthField, isSamePath, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Offer, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
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
import { term, type SumsSolution } from '../sums.ts';

/*
 * Circles cut in halves or in quarters, and these in a row (row.ts):
 *
 *       .-.   .-.        .-.                a circle gives two halves, each as wide as it is across and half as high;
 *      (___) (___)      (___)   ___         or four quarters, half as wide
 *        along an edge       (   )  a wave
 *                             '-'
 */

const CUTS = ['halves', 'quarters'] as const;
const LIES = ['edge', 'wave'] as const;
const FACES = ['up', 'down'] as const;

const halfCirclesSchema = z.strictObject({
  cut: z.enum(CUTS),
  circle: z.strictObject({ across: lengthText().optional() }),
  strip: z.strictObject({ width: lengthText().optional() }),
  ...rowKeys,
  lie: z.enum(LIES),
  /** Which way the round side looks; of a wave, of the first. */
  round: z.enum(FACES),
});
export type HalfCirclesInput = z.infer<typeof halfCirclesSchema>;

const CIRCLE: FieldPath = ['circle', 'across'];
const partsOf = ({ cut }: HalfCirclesInput): 2 | 4 => (cut === 'halves' ? 2 : 4);

function arithmetic(input: HalfCirclesInput, table: LayoutContext): Arithmetic {
  const read = readGivenLengths(table.unit);
  read.give(CIRCLE, input.circle.across);
  const equations = rowEquations(asRow(input, table), table, 'width', read);
  // a half is as wide as its circle: there is one number for both
  if (input.cut === 'halves')
    return {
      equations: equations.map((line) => line.map((t) => (isSamePath(t.path, WIDTH) ? term(CIRCLE, t.times) : t))),
      givens: read.givens.filter((given) => !isSamePath(given.path, WIDTH)),
      problems: read.problems,
    };
  equations.push([term(CIRCLE, 1), term(WIDTH, -2)]);
  const givens = input.strip.width === undefined ? read.givens.filter((g) => !isSamePath(g.path, WIDTH)) : read.givens;
  return { equations, givens, problems: read.problems };
}

/** As a row of parts: of halves the width of one is that of the circle, of quarters half of it. */
function asRow(input: HalfCirclesInput, { unit }: LayoutContext): HalfCirclesInput {
  if (input.cut === 'halves') return { ...input, strip: { width: input.circle.across } };
  const { across } = input.circle;
  const read = across === undefined ? null : parseLength(across, unit);
  if (input.strip.width !== undefined || !read?.ok) return input;
  return { ...input, strip: { width: formatExactLength(ticks(Math.floor(read.value.ticks / 2)), unit) } };
}

/** A half or a quarter of that radius from 0, 0, its round side up. */
function partOf(radius: Ticks, parts: 2 | 4): Shape {
  const at = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
  if (parts === 4)
    return shapeOfOutline({
      start: at(0, 0),
      segments: [{ to: at(radius, 0) }, { to: at(0, radius), centre: at(0, 0), turn: 'left' }, { to: at(0, 0) }],
    });
  return shapeOfOutline({
    start: at(0, 0),
    segments: [{ to: at(2 * radius, 0) }, { to: at(0, 0), centre: at(radius, 0), turn: 'left' }],
  });
}

/** The same with its round side down. */
function upsideDown({ outline, holes }: Shape, high: Ticks): Shape {
  const flip = ({ x, y }: Point): Point => ({ x, y: ticks(high - y) });
  return {
    holes,
    outline: {
      start: flip(outline.start),
      segments: outline.segments.map((s) =>
        'centre' in s
          ? { to: flip(s.to), centre: flip(s.centre), turn: s.turn === 'left' ? 'right' : 'left' }
          : { to: flip(s.to) },
      ),
    },
  };
}

/** Halved or quartered circles in a row: how many circles that takes, and what is left. */
export const halfCircles: Recipe<'half-circles', HalfCirclesInput> = {
  ...PLAIN_RECIPE,
  id: 'half-circles',
  input: halfCirclesSchema,
  roles: ['circle', 'part'],
  reasons: [...ROW_REASONS],
  phrases: [
    'nine halved circles 1 1/4 across, edge to edge',
    '5 halved circles 2 across in a wave',
    '6 quartered circles 3 across, gap 1/8',
    'five halved circles, margin 1/2, gap 1/4',
    'six halved circles 40 mm across, gap 5 mm',
  ],

  start: (table) => {
    const { count, margin } = defaultRow(table);
    return {
      cut: 'halves',
      circle: {},
      strip: {},
      count,
      spread: 'room',
      row: { gap: '0', margin },
      lie: 'edge',
      round: 'up',
    };
  },
  fields: (input): readonly Field[] => {
    const { cut, circle: round, lie, round: faces } = input;
    const choice = (name: string, value: string, options: readonly string[]): Field => ({
      kind: 'choice',
      path: [name],
      group: ['circle'],
      value,
      options,
    });
    const [width, ...row] = rowFields(input, []);
    return [
      choice('cut', cut, CUTS),
      lengthField(CIRCLE, round.across),
      ...(cut === 'quarters' ? [width!] : []),
      ...row,
      ...(cut === 'halves' ? [choice('lie', lie, LIES)] : []),
      choice('round', faces, FACES),
    ];
  },
  put: (input, path, value) => {
    // of halves there is one number for both
    if (isSamePath(path, ['cut']) && value === 'halves' && input.strip.width !== undefined) {
      const { strip, ...rest } = input;
      return { ...rest, cut: 'halves', strip: {}, circle: { across: strip.width } };
    }
    return setRowValue(withValue(input, path, value), path, value);
  },
  givesWay: (_input, path) => {
    const row = rowYieldOrder(path)
      .map((at) => (isSamePath(at, WIDTH) ? [WIDTH, CIRCLE] : [at]))
      .flat();
    if (path[0] === 'circle') return { own: [WIDTH, MARGIN, ACROSS, GAP], others: [] };
    if (path[0] === 'strip') return { own: [CIRCLE, MARGIN, ACROSS, GAP], others: [] };
    return { own: row, others: [] };
  },
  standsStill: (input, path) => {
    if (path[0] === 'circle' || path[0] === 'strip')
      return rowFixedPaths(input, WIDTH).filter((at) => !isSamePath(at, WIDTH));
    return rowFixedPaths(input, path).map((at) => (isSamePath(at, WIDTH) ? CIRCLE : at));
  },
  arithmetic,

  solve: (input, table) => {
    const { solution, problems } = solveLengths(arithmetic(input, table));
    const laid = layRow(asRow(input, table), table, 'width', ofParts(input, solution), problems);
    if (!laid.ok) return makeRefusal(laid.problems.map(asCircle(input)), laid.offers.map(asCircle(input)));
    const parts = partsOf(input);
    const { count, width, across, at, from } = laid.row;
    const radius = ticks(parts === 2 ? Math.floor(width / 2) : width);
    if (radius < 1) return makeRefusal([{ code: 'size-not-positive', path: CIRCLE, size: width }]);
    const up = partOf(radius, parts);
    const down = upsideDown(up, radius);
    const wave = parts === 2 && input.lie === 'wave';
    const high = wave ? 2 * radius : radius;
    const layers = at.map((x, i): Layer => {
      const looksUp = (input.round === 'up') === (!wave || i % 2 === 0);
      const shape = moveContour(looksUp ? up : down, x, wave && looksUp ? radius : 0);
      return makeLayer({
        key: `part-${i + 1}`,
        role: 'part',
        n: i + 1,
        box: boundsOf(shape),
        shape,
        blank: 'circle',
        group: ['circle'],
        sized: null,
      });
    });
    const circles = Math.ceil(count / parts);
    const whole0 = ticks(2 * radius);
    const point = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
    const finish: Finish[] = [
      { do: 'outline', as: 'circle' },
      { do: 'slit', from: point(0, radius), to: point(whole0, radius) },
      ...(parts === 4 ? [{ do: 'slit', from: point(radius, 0), to: point(radius, whole0) } as const] : []),
    ];
    const left = circles * parts - count;
    const facts: Fact[] = [
      { name: 'circles', lengths: [ticks(circles), ticks(parts), ticks(left)] },
      { name: 'one', lengths: [ticks(parts === 2 ? whole0 : radius), radius] },
    ];
    const values = new Map(laid.row.values).set(fieldKey(CIRCLE), exact(width * (parts === 2 ? 1 : 2)));
    return {
      status: 'solved',
      laid: {
        size: { width: input.spread === 'room' ? table.room.width : across, height: ticks(high) },
        layers,
        blanks: [
          makeBlank(
            {
              key: 'circle',
              role: 'circle',
              n: 1,
              quantity: circles,
              makes: count,
              finish,
              shape: shapeOfOutline(circle(radius, radius, radius)),
            },
            { width: whole0, height: whole0 },
            table.mark,
            'up',
          ),
        ],
        slots: [],
        dims: dimsOf(input, layers, across, from, high),
        facts,
      },
      values,
      sums: solution.sums,
      suggestions: laid.row.suggestions,
    };
  },

  grammar: {
    heads: ['halved', 'half-circle', 'semicircle', 'semi-circle', 'quartered', 'quarter-circle', 'half-moon'],
    places: {
      ...ROW_PLACES,
      margin: { kind: 'length', words: ['margin', 'side'] },
      circle: { kind: 'length', words: ['across', 'wide', 'circle', 'diameter'], alone: true },
      across: { kind: 'length', words: ['over', 'along', 'row'], alone: true },
      length: { kind: 'length', words: ['long'] },
    },
    flags: {
      row: ['row'],
      fit: ['fit'],
      edges: ['edge-to-edge', 'touching', 'butt'],
      wave: ['wave', 'wavy', 'alternating', 'waves'],
      down: ['down', 'downward', 'hanging'],
      quarter: ['quarter'],
      edging: ['scallop', 'scalloped', 'edge', 'border'],
    },
    usual: ['circle'],
    idle: ['bottom', 'top', 'halves', 'half'],
  },
  read: (heard, table) => {
    const quarters = heard.heads.has('quartered') || heard.heads.has('quarter-circle');
    const said = lengthAt(heard, 'circle');
    // `across 12` is all of the row
    const over =
      said !== undefined &&
      heard.values.some((v) => v.place === 'circle' && v.word === 'across' && v.texts[0] === String(said));
    const room = over && said !== undefined && Number(said) === 12 && lengthAt(heard, 'across') === undefined;
    const across = room ? undefined : said;
    const row = readRowLine(heard, table, { width: across, length: undefined }, true);
    if (across === undefined && row.count === undefined && !room) return null;
    // `a half circle of 4`: one is one, but in a row
    const alone = heard.single && !heard.values.some(({ place }) => place !== 'circle') && !heard.flags.size;
    const count = row.count ?? (across === undefined ? defaultRow(table).count : alone ? 1 : undefined);
    return {
      cut: quarters ? 'quarters' : 'halves',
      circle: across === undefined ? {} : { across },
      strip: {},
      ...row,
      ...(count === undefined ? {} : { count }),
      row:
        across === undefined && row.row.margin === undefined && row.row.across === undefined
          ? { ...row.row, margin: '0' }
          : row.row,
      lie: heard.flags.has('wave') ? 'wave' : 'edge',
      round: heard.flags.has('down') ? 'down' : 'up',
    };
  },
};

/** What a row of halves says of the width of one is said of the circle. */
const asCircle =
  ({ cut }: HalfCirclesInput) =>
  <Said extends Offer | RecipeProblem>(said: Said): Said =>
    cut === 'halves' && 'path' in said && isSamePath(said.path, WIDTH) ? { ...said, path: CIRCLE } : said;

/** What was worked out, with the width of a half where a row looks for it. */
function ofParts({ cut }: HalfCirclesInput, { values, sums }: SumsSolution): Pick<SumsSolution, 'values' | 'sums'> {
  if (cut === 'quarters') return { values, sums };
  const also = <V>(map: ReadonlyMap<string, V>): Map<string, V> => {
    const value = map.get(fieldKey(CIRCLE));
    return value === undefined ? new Map(map) : new Map(map).set(fieldKey(WIDTH), value);
  };
  return { values: also(values), sums: also(sums) };
}

function dimsOf(input: HalfCirclesInput, layers: readonly Layer[], across: number, from: number, high: number): Dim[] {
  const at = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const [first, second] = [layers[0]!.box, layers[1]?.box];
  const margin = input.spread === 'room';
  const dims: (Dim | false | undefined)[] = [
    {
      kind: 'span',
      path: input.cut === 'halves' ? CIRCLE : WIDTH,
      side: 'top',
      from: at(first.x, high),
      to: at(first.x + first.width, high),
    },
    second && { kind: 'leader', path: GAP, at: at((first.x + first.width + second.x) / 2, high / 4) },
    margin && from > 0 && { kind: 'leader', path: MARGIN, at: at(from + across + from / 2, high / 2) },
    { kind: 'span', path: ACROSS, from: at(from, 0), to: at(from + across, 0), side: 'bottom' },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
