import {
  exact,
  lengthOf,
  parseLength,
  roundExact,
  roundToMark,
  ticks,
  type Exact,
  type LengthText,
  type Ticks,
} from '../../length/index.ts';
import { rect, type Rect } from '../../geometry/index.ts';
import { fieldKey, lengthField, valueAt, withValue, type Field, type FieldPath } from '../fields.ts';
import { reading } from '../given.ts';
import { blankOf, layerOf } from '../laying.ts';
import { PLAIN, refused, worked } from '../plain.ts';
import type { Arithmetic, Dim, Offer, Recipe, RecipeProblem, Solved, Suggestion, Table } from '../recipe.ts';
import { term, type Equation, type SumsSolution } from '../sums.ts';
import { assignPapers } from './assign.ts';
import { MOST, MOST_LARGE, MOST_PAPERS, SHAPES, SPREADS, gridSchema, type GridInput } from './input.ts';
import { freePlace, meet, misplaced, type CellPlace } from './large.ts';
import { readGrid } from './readGrid.ts';

/*
 * Cells in columns and rows, a gutter between them:
 *
 *     margin  cell  gutter                       all  = columns × cell + (columns − 1) × gutter
 *    |<----->+-----+<->+-----+   +-----+         room = all + 2 × margin
 *            |     |   |     |   |     |
 *            +-----+   +-----+   +-----+         several cells and the gutters between them may be one large cell:
 *            +---------------+   +-----+         large = 2 × cell + gutter
 *            |               |   |     |
 *
 * Any of them may be the unknown, the counts too. A cell that is worked out goes down to the mark, so that all fit; what is left over
 * goes to the margins. Places count from the left and from the bottom, each rounded once.
 */

interface Axis {
  readonly size: 'width' | 'height';
  readonly count: 'columns' | 'rows';
  readonly margin: 'across' | 'upDown';
}
const AXES = [
  { size: 'width', count: 'columns', margin: 'across' },
  { size: 'height', count: 'rows', margin: 'upDown' },
] as const satisfies readonly Axis[];

const CELL: FieldPath = ['cell'];
const GRID: FieldPath = ['all'];
const GUTTER: FieldPath = ['gutter'];
const PAPERS: FieldPath = ['papers'];
const LARGE: FieldPath = ['large'];
const cellAt = ({ size }: Axis): FieldPath => ['cell', size];
const allAt = ({ size }: Axis): FieldPath => ['all', size];
const marginAt = ({ margin }: Axis): FieldPath => ['margin', margin];
const countAtAxis = ({ count: of }: Axis): FieldPath => [of];
const roomAt = ({ size }: Axis): FieldPath => ['room', size];
const otherAxis = (axis: Axis): Axis => (axis.size === 'width' ? AXES[1] : AXES[0]);

/** A length that is given, in ticks. */
function given(input: GridInput, path: FieldPath, table: Table): number | null {
  const text = valueAt(input, path) as LengthText | undefined;
  const read = text === undefined ? null : parseLength(text, table.unit, { allow: 'negative' });
  return read?.ok ? read.value.ticks : null;
}

/** What there is for the cells one way, where that is known. */
function reach(input: GridInput, axis: Axis, table: Table): number | null {
  const all = given(input, allAt(axis), table);
  if (all !== null || input.spread === 'grid') return all;
  return table.room[axis.size] - 2 * (given(input, marginAt(axis), table) ?? 0);
}

/** How wide a cell is one way before it goes to the mark: as given, as the other way of a square, or shared out. */
function cellAlong(input: GridInput, axis: Axis, table: Table, square = true): number | null {
  const own = given(input, cellAt(axis), table);
  if (own !== null) return own;
  const [n, gutter, room] = [input[axis.count], given(input, GUTTER, table), reach(input, axis, table)];
  const shared = n !== undefined && gutter !== null && room !== null ? (room - (n - 1) * gutter) / n : null;
  const other = square && input.cell.as === 'square' ? cellAlong(input, otherAxis(axis), table, false) : null;
  return other ?? shared;
}

/** How many there are one way: as given, or as many as fit. */
function countOf(input: GridInput, axis: Axis, table: Table): number | null {
  const said = input[axis.count];
  if (said !== undefined) return said;
  const [cell, gutter, room] = [cellAlong(input, axis, table), given(input, GUTTER, table), reach(input, axis, table)];
  if (cell === null || gutter === null || room === null || cell + gutter <= 0) return null;
  return Math.max(0, Math.min(MOST, Math.floor((room + gutter) / (cell + gutter) + 1e-9)));
}

function arithmetic(input: GridInput, table: Table): Arithmetic {
  const { givens, problems, give } = reading(table.unit);
  const equations: Equation[] = [];
  give(GUTTER, input.gutter, 'assumed', 'zero');
  for (const axis of AXES) {
    const n = countOf(input, axis, table);
    give(cellAt(axis), input.cell[axis.size]);
    // of as many as fit, what is left over is shared out anew
    if (input[axis.count] !== undefined) {
      give(allAt(axis), input.all[axis.size]);
      if (input.spread === 'room') give(marginAt(axis), input.margin[axis.margin], 'assumed', 'zero');
    }
    if (n !== null && n > 0)
      equations.push([term(allAt(axis), 1), term(cellAt(axis), -n), ...(n > 1 ? [term(GUTTER, 1 - n)] : [])]);
    if (input.spread === 'room') {
      givens.push({ path: roomAt(axis), value: table.room[axis.size], known: 'measured' });
      equations.push([term(roomAt(axis), 1), term(allAt(axis), -1), term(marginAt(axis), -2)]);
    }
  }
  if (input.cell.as === 'square') equations.push([term(cellAt(AXES[0]), 1), term(cellAt(AXES[1]), -1)]);
  return { equations, givens, problems };
}

interface Laying {
  readonly n: number;
  readonly cell: Ticks;
  readonly gutter: Exact;
  /** From the first to the last. */
  readonly all: Ticks;
  readonly from: number;
  /** Where each begins. */
  readonly at: readonly number[];
  /** What rounding left over. */
  readonly over: number;
}

/** What would make too many or too large ones fit: fewer of them, or smaller ones. */
function fitting(axis: Axis, n: number, cell: number, gutter: number, room: number, table: Table): Offer[] {
  const fewer = cell + gutter > 0 ? Math.floor((room + gutter) / (cell + gutter)) : 0;
  const smaller = roundToMark(exact(Math.floor(room - (n - 1) * gutter), n), table.mark, 'down');
  return [
    ...(fewer > 0 && fewer < n ? [{ path: countAtAxis(axis), count: fewer }] : []),
    ...(smaller > 0 && smaller < cell ? [{ path: cellAt(axis), length: smaller }] : []),
  ];
}

/** Rows and columns of cells: how many fit, how large they come out, where to pencil. */
export const grid: Recipe<'grid', GridInput> = {
  ...PLAIN,
  id: 'grid',
  input: gridSchema,
  roles: ['cell', 'large'],
  reasons: ['too-much', 'none-fits', 'large-outside', 'large-overlap'],
  phrases: [
    'grid of 6 x 6 cells, 1 1/2 square, gap 1/8',
    'grid 4 columns 3 rows, gap 1/4, margin 1/2',
    'six squares, margin 3/4, gap 1/8',
    'how many 2 x 3 cells fit, gap 1/8',
    'grid 5 columns 5 rows in 3 papers, gap 1/16, margin 1/2',
    'grid of 30 mm squares, gap 3 mm',
  ],

  start: (table) => {
    const inch = table.unit === 'in';
    const small = table.room.width < lengthOf('4', 'in');
    return {
      cell: { as: 'square' },
      columns: small ? 3 : 4,
      gutter: inch ? '1/8' : '3',
      spread: 'room',
      margin: { across: inch ? (small ? '1/8' : '1/2') : small ? '3' : '12' },
      all: {},
      papers: 2,
      large: [{ id: 'large-1', column: 1, row: 1, columns: 2, rows: 2 }],
    };
  },
  fields: (input): readonly Field[] => {
    const { cell, gutter, spread, margin, all, papers, large } = input;
    const ofCount = (axis: Axis): Field => ({
      ...{ kind: 'count', path: countAtAxis(axis), group: GRID, value: input[axis.count] },
      ...{ ifEmpty: 'worked-out', most: MOST },
    });
    // of as many as fit, these are limits
    const limit = (axis: Axis) => (input[axis.count] === undefined ? { ifEmpty: 'by-rule' as const } : {});
    return [
      ...AXES.map(ofCount),
      { kind: 'choice', path: ['cell', 'as'], group: CELL, value: cell.as, options: SHAPES },
      ...AXES.map((axis) => lengthField(cellAt(axis), cell[axis.size])),
      lengthField(GUTTER, gutter, { allow: 'zero', group: GRID }),
      { kind: 'choice', path: ['spread'], group: GRID, value: spread, options: SPREADS },
      ...(spread === 'room'
        ? AXES.map((axis) =>
            lengthField(marginAt(axis), margin[axis.margin], { allow: 'zero', group: GRID, ...limit(axis) }),
          )
        : []),
      ...AXES.map((axis) => lengthField(allAt(axis), all[axis.size], limit(axis))),
      { kind: 'count', path: PAPERS, group: GRID, value: papers, ifEmpty: 'refused', most: MOST_PAPERS },
      ...large.flatMap((one, i) =>
        (['column', 'row', 'columns', 'rows'] as const).map((of): Field => ({
          ...{ kind: 'count', path: ['large', i, of], group: ['large', i], value: one[of] },
          ...{ ifEmpty: 'refused', most: MOST },
        })),
      ),
    ];
  },
  lists: ({ large }) => [{ path: LARGE, ids: large.map((one) => one.id), most: MOST_LARGE }],
  /** Two by two at the first place where that is free, else one cell. */
  entry: (input, _list, table, id) => {
    const [columns, rows] = AXES.map((axis) => Math.max(1, countOf(input, axis, table) ?? 1)) as [number, number];
    const free = (many: number) => freePlace(input.large, columns, rows, Math.min(many, columns), Math.min(many, rows));
    const place = free(2) ?? free(1) ?? { column: 1, row: 1, columns: 1, rows: 1 };
    return { id, ...place } as { id: string };
  },
  /** A grid that is not spread over the room has no margins of its own. */
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    return next.spread === 'grid' && Object.keys(next.margin).length ? { ...next, margin: {} } : next;
  },
  givesWay: (_input, path) => {
    const axis = AXES.find((one) => [one.size, one.margin, one.count].some((name) => name === path.at(-1)));
    const [own, others] = axis ? [axis, otherAxis(axis)] : [AXES[0], AXES[1]];
    const loose = [marginAt(own), allAt(own)];
    const far = [marginAt(others), allAt(others)];
    if (path[0] === 'gutter') return { own: [...loose, ...far, cellAt(own), cellAt(others)], others: [] };
    if (path[0] === 'margin') return { own: [allAt(own), cellAt(own)], others: [cellAt(others), ...far, GUTTER] };
    if (path[0] === 'all') return { own: [marginAt(own), cellAt(own)], others: [cellAt(others), ...far, GUTTER] };
    if (path[0] === 'cell') return { own: [cellAt(others), ...loose], others: [...far, GUTTER] };
    return { own: [...loose, cellAt(own)], others: [cellAt(others), ...far, GUTTER] };
  },
  standsStill: (input, path) => {
    const axis = AXES.find((one) => [one.size, one.margin, one.count].some((name) => name === path.at(-1)));
    const own = axis ?? AXES[0];
    const edge = input.spread === 'room' ? marginAt(own) : allAt(own);
    if (path[0] === 'cell') return [edge, GUTTER];
    if (path[0] === 'gutter') return [...AXES.map(cellAt), edge];
    if (path[0] === 'columns' || path[0] === 'rows') return [cellAt(own), GUTTER, edge];
    return [cellAt(own), GUTTER];
  },
  arithmetic,

  solve: (input, table) => {
    const counts = AXES.map((axis) => countOf(input, axis, table));
    const { solution, problems, near, exactly } = worked(arithmetic(input, table));
    const none = AXES.find((_, i) => counts[i] === 0);
    if (none && !problems.some((p) => p.code === 'field')) {
      const cell = Math.floor(cellAlong(input, none, table) ?? 0);
      return refused([{ code: 'own', why: 'none-fits', path: countAtAxis(none), lengths: [ticks(cell)] }]);
    }
    const uncounted = AXES.filter((_, i) => counts[i] === null);
    if (problems.length)
      return refused(
        problems.map((p) => (p.code === 'missing' ? { ...p, paths: [...p.paths, ...uncounted.map(countAtAxis)] } : p)),
      );
    if (uncounted.length) return refused([{ code: 'missing', paths: uncounted.map(countAtAxis) }]);
    const gutter = exactly(GUTTER);
    // they must fit side by side: what does not come out on a mark is cut smaller, squares alike both ways
    const down = AXES.map((axis) =>
      solution.sums.has(fieldKey(cellAt(axis)))
        ? roundToMark(exactly(cellAt(axis)), table.mark, 'down')
        : near(cellAt(axis)),
    );
    const small = AXES.filter((_, i) => down[i]! <= 0);
    if (small.length)
      return refused(
        small.map((axis) => ({ code: 'size-not-positive', path: cellAt(axis), size: near(cellAt(axis)) })),
      );
    const said = AXES.find((axis) => !solution.sums.has(fieldKey(cellAt(axis))));
    const side = said ? near(cellAt(said)) : ticks(Math.min(...down));
    const laid = AXES.map((axis, i): Laying => {
      const [n, cell] = [counts[i]!, input.cell.as === 'square' ? side : down[i]!];
      const step = (k: number) =>
        roundExact({ n: BigInt(k) * (BigInt(cell) * gutter.d + gutter.n), d: gutter.d }, 'nearest');
      const all = ticks(step(n - 1) + cell);
      const from = input.spread === 'room' ? Math.floor((table.room[axis.size] - all) / 2) : 0;
      const over = near(allAt(axis)) - all;
      return { n, cell, gutter, all, from, at: Array.from({ length: n }, (_, k) => from + step(k)), over };
    });
    const wide = AXES.flatMap((axis, i) => (laid[i]!.from < 0 ? [{ axis, ...laid[i]! }] : []));
    if (wide.length)
      return refused(
        wide.map(({ axis, all }): RecipeProblem => {
          const lengths = [ticks(all - table.room[axis.size])];
          return { code: 'own', why: 'too-much', path: allAt(axis), lengths };
        }),
        wide.flatMap(({ axis, n, cell }) =>
          fitting(axis, n, cell, Number(gutter.n) / Number(gutter.d), table.room[axis.size], table),
        ),
      );
    const [x, y] = laid as [Laying, Laying];
    const odd = misplaced(input.large, x.n, y.n);
    if (odd) return refused([odd]);
    return gridLaid(input, table, x, y, solution);
  },

  grammar: {
    heads: ['grid', 'cell', 'square', 'checkerboard', 'mosaic'],
    places: {
      number: { kind: 'count', words: [], most: MOST, of: ['square', 'cell'] },
      by: { kind: 'size', words: ['grid', 'by'], after: ['cell', 'grid'] },
      cell: { kind: 'size', words: ['cell', 'square', 'each'], many: true },
      large: {
        kind: 'size',
        words: ['large', 'merge', 'merged', 'big', 'photo'],
        many: true,
        alone: true,
        after: ['merged', 'large', 'big', 'photo'],
      },
      side: { kind: 'length', words: ['cell', 'square', 'each', 'wide'], alone: true },
      columns: { kind: 'length', words: ['column'] },
      rows: { kind: 'length', words: ['row'], alone: true },
      papers: { kind: 'length', words: ['paper', 'pattern', 'colour'], alone: true },
      gap: { kind: 'length', words: ['gap', 'gutter', 'apart', 'between', 'space', 'spaced', 'spacing'] },
      margin: { kind: 'length', words: ['margin', 'edge', 'border'] },
      across: { kind: 'length', words: ['across', 'over'], alone: true },
      ground: { kind: 'size', words: ['on', 'onto'], alone: true },
    },
    flags: { fit: ['fit'] },
    usual: ['by', 'cell', 'side'],
    idle: ['different', 'alternating', 'fill', 'cover', 'high', 'even'],
  },
  read: readGrid,
};

function gridLaid(input: GridInput, table: Table, x: Laying, y: Laying, solution: SumsSolution): Solved {
  const { large, papers } = input;
  const isCell = (column: number, row: number) =>
    !large.some((one) => meet(one, { column: column + 1, row: row + 1, columns: 1, rows: 1 }));
  const paper = assignPapers(x.n, y.n, papers, isCell);
  const cells = paper.flatMap((of, i) => (of === null ? [] : [{ of, column: i % x.n, row: Math.floor(i / x.n) }]));
  const box = ({ column, row, columns, rows }: CellPlace): Rect => {
    const end = (l: Laying, first: number, many: number) => l.at[first + many - 2]! + l.cell - l.at[first - 1]!;
    return rect(x.at[column - 1]!, y.at[row - 1]!, end(x, column, columns), end(y, row, rows));
  };
  const sized = { width: cellAt(AXES[0]), height: cellAt(AXES[1]) };
  const layers = [
    ...cells.map(({ of, column, row }, i) =>
      layerOf({
        ...{
          key: `cell-${column + 1}-${row + 1}`,
          role: 'cell',
          n: i + 1,
          blank: `cell-${of + 1}`,
          group: CELL,
          sized,
        },
        box: rect(x.at[column]!, y.at[row]!, x.cell, y.cell),
      }),
    ),
    ...large.map((one, i) =>
      layerOf({
        ...{ key: one.id, role: 'large', n: i + 1, box: box(one), group: ['large', i], sized: null },
        entry: { list: LARGE, id: one.id },
      }),
    ),
  ];
  const each = Array.from({ length: papers }, (_, p) => cells.filter(({ of }) => of === p).length);
  const values = new Map(solution.values);
  for (const [axis, l] of [
    [AXES[0], x],
    [AXES[1], y],
  ] as const) {
    values.set(fieldKey(countAtAxis(axis)), exact(l.n));
    values.set(fieldKey(cellAt(axis)), exact(l.cell));
    values.set(fieldKey(allAt(axis)), exact(l.all));
    if (input.spread === 'room') values.set(fieldKey(marginAt(axis)), exact(l.from));
  }
  values.set(fieldKey(PAPERS), exact(papers));
  const suggestions = (
    [
      [AXES[0], x],
      [AXES[1], y],
    ] as const
  ).flatMap(([axis, { over }]): Suggestion[] => {
    const to = input.spread === 'room' ? marginAt(axis) : allAt(axis);
    return over > 0 && given(input, to, table) !== null ? [{ code: 'remainder', by: ticks(over), to }] : [];
  });
  const size =
    input.spread === 'room' ? { width: table.room.width, height: table.room.height } : { width: x.all, height: y.all };
  return {
    status: 'solved',
    laid: {
      size,
      layers,
      blanks: [
        ...each.flatMap((quantity, p) =>
          quantity
            ? [
                blankOf(
                  { key: `cell-${p + 1}`, role: 'cell', n: p + 1, quantity },
                  { width: x.cell, height: y.cell },
                  table.mark,
                  'nearest',
                ),
              ]
            : [],
        ),
        ...large.map((one, i) => blankOf({ key: one.id, role: 'large', n: i + 1 }, box(one), table.mark, 'nearest')),
      ],
      slots: large.map((one, i) => ({ key: one.id, role: 'large', n: i + 1, box: box(one) })),
      dims: dimsOf(input, x, y),
      facts: [
        { name: 'cells', lengths: [ticks(cells.length), ticks(large.length)] },
        ...(papers > 1 && cells.length ? [{ name: 'papers', lengths: each.map((n) => ticks(n)) }] : []),
      ],
    },
    values,
    sums: solution.sums,
    suggestions,
  };
}

/** Typed at the upper left cell, a gutter, the margins, and below all of it. */
function dimsOf(input: GridInput, x: Laying, y: Laying): Dim[] {
  const at = (px: number, py: number) => ({ x: ticks(Math.round(px)), y: ticks(Math.round(py)) });
  const top = y.at[y.n - 1]! + y.cell;
  const [left, right, bottom] = [x.from, x.from + x.all, y.from];
  const dims: (Dim | false)[] = [
    { kind: 'span', path: cellAt(AXES[0]), from: at(left, top), to: at(left + x.cell, top), side: 'top' },
    { kind: 'span', path: cellAt(AXES[1]), from: at(left, top - y.cell), to: at(left, top), side: 'left' },
    x.n > 1 && {
      kind: 'leader',
      path: GUTTER,
      at: at((x.at[x.n - 2]! + x.cell + x.at[x.n - 1]!) / 2, top - y.cell / 2),
    },
    input.spread === 'room' &&
      x.from > 0 && { kind: 'leader', path: marginAt(AXES[0]), at: at(right + x.from / 2, bottom + y.all * 0.6) },
    input.spread === 'room' &&
      y.from > 0 && { kind: 'leader', path: marginAt(AXES[1]), at: at(left + x.all * 0.7, bottom - y.from / 2) },
    { kind: 'span', path: allAt(AXES[0]), from: at(left, bottom), to: at(right, bottom), side: 'bottom' },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
