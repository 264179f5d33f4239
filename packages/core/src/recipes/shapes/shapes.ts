import { exact, formatExactLength, lengthOf, roundToMark, ticks } from '../../length/index.ts';
import { boundsOf, type Shape } from '../../geometry/index.ts';
import { fieldKey, lengthField, isSamePath, withValue, type Field, type FieldPath } from '../fields.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Offer, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
import { ROUNDED, extentOfRows, countFitting, computeLattice, type Lattice } from './arrange.ts';
import { MEASURES_OF, extentOfOwn, makeFigure } from './figures.ts';
import {
  EDGES,
  FIGURES,
  LIES,
  MEASURES,
  MAX_SHAPES_IN_ROW,
  MAX_SHAPE_PAPERS,
  MAX_STAR_POINTS,
  MAX_SHAPES,
  POINTING,
  shapesSchema,
  type Figure,
  type Measure,
  type ShapesInput,
} from './input.ts';
import { layOutShapes } from './laid.ts';
import {
  ALL,
  COLUMNS,
  GAP,
  NUMBER,
  PAPERS,
  POINTS,
  ROWS,
  SIZE,
  measureAlongRow,
  arithmetic,
  measureEquations,
  measuresOf,
  sizeAt,
} from './measures.ts';
import { readShapes, shapesGrammar } from './readShapes.ts';

/*
 * One figure many times: hexagons, circles, hearts, an outline of one's own.
 *
 *     _   _   _         any one of its measures says it (flats, corners or side of a hexagon); rows straight, moved over by half so
 *    / \_/ \_/ \        that they go between one another, or one up and one down; as many as fit, or so many
 *    \_/ \_/ \_/
 *
 * They are traced and cut by hand from blanks: roots force floats, and corners go to the nearest tick.
 */

/** How many lie in a row and how many rows there are. */
function counted(input: ShapesInput, lattice: Lattice, table: LayoutContext): { columns: number; rows: number } {
  const { width, height } = table.room;
  const [length, high] = lattice.aside ? [height, width] : [width, height];
  const { number } = input;
  const fit = countFitting(lattice, length, high);
  if (input.edges === 'free') {
    const many = number ?? (input.columns ?? fit.columns) * (input.rows ?? fit.rows);
    const columns = Math.min(
      MAX_SHAPES_IN_ROW,
      input.columns ?? Math.ceil(input.rows ? many / input.rows : Math.sqrt(many)),
    );
    return { columns, rows: Math.min(MAX_SHAPES_IN_ROW, input.rows ?? Math.ceil(many / Math.max(1, columns))) };
  }
  const columns = input.columns ?? Math.max(0, Math.min(MAX_SHAPES_IN_ROW, fit.columns, number ?? MAX_SHAPES_IN_ROW));
  const rows = input.rows ?? (number === undefined ? fit.rows : Math.ceil(number / Math.max(1, columns)));
  return { columns, rows: Math.min(MAX_SHAPES_IN_ROW, rows) };
}

/** One figure many times: how large, how many fit, where they lie, what they are traced on. */
export const shapes: Recipe<'shapes', ShapesInput> = {
  ...PLAIN_RECIPE,
  id: 'shapes',
  input: shapesSchema,
  roles: ['shape'],
  reasons: ['too-much', 'none-fits', 'too-many', 'no-outline'],
  phrases: [
    'hexagons 2 1/4 across the flats, gap 1/16',
    '12 hexagons with 1 inch sides, honeycomb',
    '7 circles 1 1/2 across, gap 1/4',
    '9 hearts 1 1/4 wide in 3 papers, gap 1/8',
    'stars 40 mm across, gap 5 mm',
    '6 scallop circles 2 across, gap 1/4',
    'triangles with 2 in sides, alternating',
  ],

  start: (table) => {
    const inch = table.unit === 'in';
    const { width, height } = table.room;
    // the largest of which four rows of four leave a margin
    const fits = (flats: string) => {
      const length = lengthOf(flats, table.unit);
      return 5 * length <= width && 4.6 * length <= height;
    };
    const all = inch ? ['2 1/4', '1 3/4', '1 1/4', '3/4', '1/2', '3/8'] : ['55', '45', '30', '20', '12', '8'];
    return {
      figure: 'hexagon',
      size: { flats: all.find(fits) ?? all.at(-1)! },
      pointing: 'points-up',
      points: 5,
      columns: 4,
      rows: 4,
      gap: inch ? '1/16' : '1',
      all: {},
      lie: 'moved',
      edges: 'whole',
      papers: 3,
    };
  },
  fields: (input): readonly Field[] => {
    const { figure, size, pointing, points, columns, rows, number, gap, all, lie, edges, papers, own } = input;
    const along = measureAlongRow(input);
    const choice = (name: string, group: FieldPath, value: string, options: readonly string[]): Field => ({
      kind: 'choice',
      path: [name],
      group,
      value,
      options,
    });
    const measures = MEASURES_OF[figure];
    const independent = measureEquations(input).length === 0;
    return [
      choice('figure', SIZE, figure, own ? FIGURES : FIGURES.filter((one) => one !== 'own')),
      ...measures.map((measure) =>
        lengthField(sizeAt(measure), size[measure], independent && measures.length > 1 ? { ifEmpty: 'refused' } : {}),
      ),
      ...(figure === 'hexagon' ? [choice('pointing', SIZE, pointing, POINTING)] : []),
      ...(figure === 'star' || figure === 'scalloped'
        ? [
            {
              kind: 'count',
              path: POINTS,
              group: SIZE,
              value: points,
              ifEmpty: 'refused',
              most: MAX_STAR_POINTS,
            } as const,
          ]
        : []),
      // of what looks the same on its head there is nothing to alternate
      choice('lie', ROWS, lie, ALTERNATE.includes(figure) ? LIES : LIES.filter((one) => one !== 'alternating')),
      choice('edges', ROWS, edges, EDGES),
      ...(edges !== 'cut'
        ? ([
            { kind: 'count', path: COLUMNS, group: ROWS, value: columns, ifEmpty: 'by-rule', most: MAX_SHAPES_IN_ROW },
            { kind: 'count', path: ROWS, group: ROWS, value: rows, ifEmpty: 'by-rule', most: MAX_SHAPES_IN_ROW },
            { kind: 'count', path: NUMBER, group: ROWS, value: number, ifEmpty: 'by-rule', most: MAX_SHAPES },
          ] as const)
        : []),
      lengthField(GAP, gap, { allow: 'zero', group: ROWS }),
      ...(along && columns !== undefined && edges !== 'cut' ? [lengthField(ALL, all.length, { group: ROWS })] : []),
      { kind: 'count', path: PAPERS, group: ROWS, value: papers, ifEmpty: 'refused', most: MAX_SHAPE_PAPERS },
    ];
  },
  /** What another figure does not have goes; what it needs follows from what was there. */
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    if (isSamePath(path, ['figure']) && value !== input.figure) return asFigure(next, input);
    if (isSamePath(path, COLUMNS) && value === undefined) return { ...next, all: {} };
    // so many in all is said by rows and columns, or by itself
    if (isSamePath(path, ROWS) && value !== undefined) return withValue(next, NUMBER, undefined);
    if (isSamePath(path, NUMBER) && value !== undefined) return withValue(next, ROWS, undefined);
    return next;
  },
  givesWay: (input, path) => {
    const measures = measureEquations(input).length ? MEASURES_OF[input.figure].map(sizeAt) : [];
    const along = measureAlongRow(input);
    const row = along ? [sizeAt(along)] : [];
    if (path[0] === 'size') return { own: [...measures, ALL], others: [GAP] };
    if (path[0] === 'all') return { own: [...measures, ...row], others: [GAP] };
    if (path[0] === 'gap') return { own: [ALL], others: [...measures, ...row] };
    return { own: [ALL], others: [...measures, ...row, GAP] };
  },
  standsStill: (input, path) => {
    const along = measureAlongRow(input);
    if (path[0] === 'size') {
      const others = MEASURES_OF[input.figure].map(sizeAt).filter((at) => !isSamePath(at, path));
      return input.all.length === undefined ? [ALL, ...others] : others;
    }
    return path[0] === 'all' ? (along ? [sizeAt(along), GAP] : [GAP]) : [ALL, ...(along ? [sizeAt(along)] : []), GAP];
  },
  /** As large as it is in its file, where the page has room for it. */
  takesOutline: (input, own, table) => {
    const { width, height } = extentOfOwn(own.outline);
    const { room, mark } = table;
    const most = Math.min(1, room.width / 3 / width, room.height / 3 / height);
    const wide = Math.max(mark.step, roundToMark(ticks(Math.round(width * most)), mark, 'nearest'));
    const { columns: _columns, rows: _rows, number: _number, ...others } = input;
    return {
      ...others,
      figure: 'own',
      own,
      all: {},
      gap: input.gap ?? '0',
      size: { width: formatExactLength(ticks(wide), table.unit) },
      lie: input.lie === 'moved' ? 'straight' : input.lie,
      columns: 2,
      rows: 2,
    };
  },
  arithmetic,

  solve: (input, table) => {
    if (input.figure === 'own' && !input.own)
      return makeRefusal([{ code: 'own', why: 'no-outline', path: ['figure'], lengths: [] }]);
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    const measures = MEASURES_OF[input.figure];
    const wrong = problems.length ? problems : findNotPositive(measures.map(sizeAt), near);
    if (wrong.length) return makeRefusal(wrong);
    if (near(GAP) < 0) return makeRefusal([{ code: 'size-not-positive', path: GAP, size: near(GAP) }]);
    const shape = makeFigure(input, measuresOf(input, table)!);
    const box = boundsOf(shape);
    const largest = Math.max(box.width, box.height);
    if (box.width < 1 || box.height < 1 || largest > 1e9)
      return makeRefusal([{ code: 'size-not-positive', path: sizeAt(measures[0]!), size: near(sizeAt(measures[0]!)) }]);
    const lattice = computeLattice(input, shape, near(GAP));
    const { columns, rows } = counted(input, lattice, table);
    const number = input.edges === 'cut' ? undefined : Math.min(columns * rows, input.number ?? Infinity);
    const odd = number === undefined ? overPage(lattice, table) : tooMuch(input, lattice, columns, rows, table, shape);
    if (odd) return odd;
    const values = new Map(solution.values);
    const say = (path: FieldPath, n: number) => values.set(fieldKey(path), exact(Math.round(n)));
    if (number !== undefined) {
      say(COLUMNS, columns);
      say(ROWS, rows);
      say(NUMBER, number);
      if (!values.has(fieldKey(ALL))) say(ALL, extentOfRows(lattice, columns, rows).length);
    }
    say(PAPERS, input.papers);
    say(POINTS, input.points);
    const { laid, suggestions } = layOutShapes(input, table, shape, lattice, { columns, rows, number });
    // a root is no sum that one would follow
    const sums = new Map([...solution.sums].filter(([key]) => key === fieldKey(ALL) || key === fieldKey(GAP)));
    return { status: 'solved', laid, values, sums, suggestions };
  },

  grammar: shapesGrammar,
  read: readShapes,
};

/** The same of another figure: about as large, by the measure that one says of it. */
function asFigure(next: ShapesInput, before: ShapesInput): ShapesInput {
  const known = MEASURES.map((measure) => before.size[measure]).find((text) => text !== undefined);
  const { figure } = next;
  const usual = (name: Measure) => before.size[name] ?? known ?? '2 in';
  const needed = measureEquations(next).length ? [MEASURES_OF[figure][0]!] : MEASURES_OF[figure];
  const size = Object.fromEntries(needed.map((name) => [name, usual(name)]));
  const lie = next.lie === 'alternating' && !ALTERNATE.includes(figure) ? 'straight' : next.lie;
  const { gap = '0' } = before;
  return { ...next, size, gap, lie, all: {} };
}
const ALTERNATE: readonly Figure[] = ['triangle', 'pennant', 'own', 'heart', 'tag', 'star'];

/** Over all of a page there would be more than can be laid. */
function overPage(lattice: Lattice, { room }: LayoutContext): ReturnType<typeof makeRefusal> | null {
  const { pitch, rise, second } = lattice;
  const each = pitch * rise * (second === null ? 1 : 0.5);
  const many = Math.ceil((room.width * room.height) / each);
  if (!(each > 0) || many > MAX_SHAPES)
    return makeRefusal([
      { code: 'own', why: 'too-many', path: SIZE, lengths: [ticks(Math.min(1e9, many)), ticks(MAX_SHAPES)] },
    ]);
  return null;
}

/** They do not fit, none of them or not so many; what would. */
function tooMuch(
  input: ShapesInput,
  lattice: Lattice,
  columns: number,
  rows: number,
  table: LayoutContext,
  shape: Shape,
): ReturnType<typeof makeRefusal> | null {
  const own = (why: string, path: FieldPath, ...lengths: number[]): RecipeProblem => ({
    code: 'own',
    why,
    path,
    lengths: lengths.map((l) => ticks(Math.round(l))),
  });
  const box = boundsOf(shape);
  if (columns < 1 || rows < 1) return makeRefusal([own('none-fits', SIZE, box.width, box.height)]);
  if (columns * rows > MAX_SHAPES) return makeRefusal([own('too-many', COLUMNS, columns * rows, MAX_SHAPES)]);
  if (input.edges === 'free') return null;
  const { width, height } = table.room;
  const [long, high] = lattice.aside ? [height, width] : [width, height];
  // of fewer than a row would hold there is one short row
  const inRow = Math.min(columns, input.number ?? columns);
  const reach = extentOfRows(lattice, inRow, rows);
  const fit = countFitting(lattice, long, high);
  const offers: Offer[] = [];
  const problems: RecipeProblem[] = [];
  if (reach.length > long + ROUNDED) {
    problems.push(own('too-much', COLUMNS, reach.length - long));
    const more = input.number === undefined ? 0 : Math.ceil(input.number / Math.max(1, fit.columns));
    if (more > fit.rows) {
      if (fit.columns > 0) offers.push({ path: NUMBER, count: fit.columns });
    } else if (fit.columns > 0 && fit.columns < inRow) offers.push({ path: COLUMNS, count: fit.columns });
  }
  if (reach.height > high + ROUNDED) {
    problems.push(own('too-much', input.number === undefined ? ROWS : NUMBER, reach.height - high));
    const rowsPath = input.number === undefined ? ROWS : NUMBER;
    const count = input.number === undefined ? fit.rows : fit.rows * Math.min(columns, fit.columns);
    if (fit.rows > 0 && fit.rows < rows) offers.push({ path: rowsPath, count });
  }
  return problems.length ? makeRefusal(problems, offers) : null;
}
