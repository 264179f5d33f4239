import { exact, lengthOf, roundExact, roundToMark, ticks } from '../../length/index.ts';
import { fieldKey, lengthField, isSamePath, withValue, type Field } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { PLAIN_RECIPE, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Offer, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';
import {
  LARGE_PAPERS,
  MAX_GRID_CELLS,
  MAX_LARGE_CELLS,
  MAX_GRID_PAPERS,
  MAX_SEED,
  MAX_CELL_TILT_DEGREES,
  PATTERN,
  SHAPES,
  SPREADS,
  gridSchema,
  type GridInput,
} from './input.ts';
import { findFreePlace, findMiscounted, findMisplaced } from './large.ts';
import { cellSizeAlong, cellCountOf, gridOf } from './counted.ts';
import { gridHand } from './hand.ts';
import { layGrid, type GridAxisLayout } from './lay.ts';
import { applyPattern, dropMissingPapers } from './pattern.ts';
import { readGrid } from './readGrid.ts';
import {
  AXES,
  CELL,
  GRID,
  GUTTER,
  JITTER,
  LARGE,
  LOOSE,
  PAPERS,
  PATTERN_AT,
  SEED,
  TILT,
  allAt,
  cellAt,
  countAtAxis,
  countAtPaper,
  marginAt,
  otherAxis,
  roomPathAt,
  type Axis,
} from './axes.ts';

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

function arithmetic(input: GridInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const equations: Equation[] = [];
  give(GUTTER, input.gutter, 'assumed', 'zero');
  for (const axis of AXES) {
    const n = cellCountOf(input, axis, table);
    give(cellAt(axis), input.cell[axis.size]);
    // of as many as fit, what is left over is shared out anew
    if (input[axis.count] !== undefined) {
      give(allAt(axis), input.all[axis.size]);
      if (input.spread === 'room') give(marginAt(axis), input.margin[axis.margin], 'assumed', 'zero');
    }
    if (n !== null && n > 0)
      equations.push([term(allAt(axis), 1), term(cellAt(axis), -n), ...(n > 1 ? [term(GUTTER, 1 - n)] : [])]);
    if (input.spread === 'room') {
      givens.push({ path: roomPathAt(axis), value: table.room[axis.size], known: 'measured' });
      equations.push([term(roomPathAt(axis), 1), term(allAt(axis), -1), term(marginAt(axis), -2)]);
    }
  }
  if (input.cell.as === 'square') equations.push([term(cellAt(AXES[0]), 1), term(cellAt(AXES[1]), -1)]);
  return { equations, givens, problems };
}

/** What would make too many or too large ones fit: fewer of them, or smaller ones. */
function fitting(axis: Axis, n: number, cell: number, gutter: number, room: number, table: LayoutContext): Offer[] {
  const fewer = cell + gutter > 0 ? Math.floor((room + gutter) / (cell + gutter)) : 0;
  const smaller = roundToMark(exact(Math.floor(room - (n - 1) * gutter), n), table.mark, 'down');
  return [
    ...(fewer > 0 && fewer < n ? [{ path: countAtAxis(axis), count: fewer }] : []),
    ...(smaller > 0 && smaller < cell ? [{ path: cellAt(axis), length: smaller }] : []),
  ];
}

/** Rows and columns of cells: how many fit, how large they come out, where to pencil. */
export const grid: Recipe<'grid', GridInput> = {
  ...PLAIN_RECIPE,
  id: 'grid',
  version: 2,
  migrations: [
    {
      name: 'large cells of their own paper; counts and looseness',
      step: (input) => {
        const before = input as { large: object[] };
        const large = before.large.map((one) => ({ ...one, paper: 'own' }));
        return { ...before, large, counts: {}, loose: { seed: 1 } };
      },
    },
  ],
  input: gridSchema,
  roles: ['cell', 'large'],
  reasons: ['too-much', 'none-fits', 'large-outside', 'large-overlap', 'too-many-counted', 'too-few-counted'],
  advice: ['alike', 'alike-for-now', 'uneven', 'by-hand-alike', 'one-over-another'],
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
      counts: {},
      large: [{ id: 'large-1', column: 1, row: 1, columns: 2, rows: 2, paper: 'own' }],
      loose: { seed: 1 },
    };
  },
  fields: (input): readonly Field[] => {
    const { cell, gutter, spread, margin, all, papers, counts, pattern, large, loose } = input;
    const ofCount = (axis: Axis): Field => ({
      kind: 'count',
      path: countAtAxis(axis),
      group: GRID,
      value: input[axis.count],
      ifEmpty: 'worked-out',
      most: MAX_GRID_CELLS,
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
      { kind: 'count', path: PAPERS, group: PAPERS, value: papers, ifEmpty: 'refused', most: MAX_GRID_PAPERS },
      ...(papers > 1 && pattern === undefined
        ? Array.from({ length: papers }, (_, p): Field => {
            const path = countAtPaper(p);
            const value = counts[String(p + 1)];
            return {
              kind: 'count',
              path,
              group: PAPERS,
              value,
              ifEmpty: 'by-rule',
              most: MAX_GRID_CELLS * MAX_GRID_CELLS,
            };
          })
        : []),
      ...(papers > 1
        ? [
            {
              ...({ kind: 'text', path: PATTERN_AT, group: PAPERS, value: pattern, ifEmpty: 'by-rule' } as const),
              reads: PATTERN.source,
              example: 'ab ba',
            },
          ]
        : []),
      ...large.flatMap((one, i): Field[] => [
        ...(['column', 'row', 'columns', 'rows'] as const).map((of): Field => ({
          kind: 'count',
          path: ['large', i, of],
          group: ['large', i],
          value: one[of],
          ifEmpty: 'refused',
          most: MAX_GRID_CELLS,
        })),
        { kind: 'choice', path: ['large', i, 'paper'], group: ['large', i], value: one.paper, options: LARGE_PAPERS },
      ]),
      { kind: 'count', path: TILT, group: LOOSE, value: loose.tilt, ifEmpty: 'by-rule', most: MAX_CELL_TILT_DEGREES },
      lengthField(JITTER, loose.jitter, { allow: 'zero', ifEmpty: 'by-rule' }),
      ...(loose.tilt !== undefined || loose.jitter !== undefined
        ? [{ kind: 'count', path: SEED, group: LOOSE, value: loose.seed, ifEmpty: 'refused', most: MAX_SEED } as const]
        : []),
    ];
  },
  lists: ({ large }) => [{ path: LARGE, ids: large.map((one) => one.id), most: MAX_LARGE_CELLS }],
  /** Two by two at the first place where that is free, else one cell. */
  entry: (input, _list, table, id) => {
    const [columns, rows] = gridOf(input, table);
    const free = (many: number) =>
      findFreePlace(input.large, columns, rows, Math.min(many, columns), Math.min(many, rows));
    const place = free(2) ?? free(1) ?? { column: 1, row: 1, columns: 1, rows: 1 };
    return { id, ...place, paper: 'pattern' } as { id: string };
  },
  /** A grid that is not spread over the room has no margins of its own; what is said of papers that are no more goes with them. */
  put: (input, path, value) => {
    if (isSamePath(path, PATTERN_AT) && typeof value === 'string') return applyPattern(input, value);
    const next = withValue(input, path, value);
    if (isSamePath(path, PAPERS)) return dropMissingPapers(next);
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
    const counts = AXES.map((axis) => cellCountOf(input, axis, table));
    const { solution, problems, near, exactly } = solveLengths(arithmetic(input, table));
    const none = AXES.find((_, i) => counts[i] === 0);
    if (none && !problems.some((p) => p.code === 'field')) {
      const cell = Math.floor(cellSizeAlong(input, none, table) ?? 0);
      return makeRefusal([{ code: 'own', why: 'none-fits', path: countAtAxis(none), lengths: [ticks(cell)] }]);
    }
    const uncounted = AXES.filter((_, i) => counts[i] === null);
    if (problems.length)
      return makeRefusal(
        problems.map((p) => (p.code === 'missing' ? { ...p, paths: [...p.paths, ...uncounted.map(countAtAxis)] } : p)),
      );
    if (uncounted.length) return makeRefusal([{ code: 'missing', paths: uncounted.map(countAtAxis) }]);
    const gutter = exactly(GUTTER);
    // they must fit side by side: what does not come out on a mark is cut smaller, squares alike both ways
    const down = AXES.map((axis) =>
      solution.sums.has(fieldKey(cellAt(axis)))
        ? roundToMark(exactly(cellAt(axis)), table.mark, 'down')
        : near(cellAt(axis)),
    );
    const small = AXES.filter((_, i) => down[i]! <= 0);
    if (small.length)
      return makeRefusal(
        small.map((axis) => ({ code: 'size-not-positive', path: cellAt(axis), size: near(cellAt(axis)) })),
      );
    const said = AXES.find((axis) => !solution.sums.has(fieldKey(cellAt(axis))));
    const side = said ? near(cellAt(said)) : ticks(Math.min(...down));
    const laid = AXES.map((axis, i): GridAxisLayout => {
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
      return makeRefusal(
        wide.map(({ axis, all }): RecipeProblem => {
          const lengths = [ticks(all - table.room[axis.size])];
          return { code: 'own', why: 'too-much', path: allAt(axis), lengths };
        }),
        wide.flatMap(({ axis, n, cell }) =>
          fitting(axis, n, cell, Number(gutter.n) / Number(gutter.d), table.room[axis.size], table),
        ),
      );
    const [x, y] = laid as [GridAxisLayout, GridAxisLayout];
    const odd = findMisplaced(input.large, x.n, y.n) ?? findMiscounted(input, x.n, y.n);
    return odd ? makeRefusal([odd]) : layGrid(input, table, x, y, solution);
  },

  hand: gridHand,

  grammar: {
    heads: ['grid', 'cell', 'square', 'checkerboard', 'mosaic', 'quilt'],
    places: {
      number: { kind: 'count', words: [], most: MAX_GRID_CELLS, of: ['square', 'cell'] },
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
      tilt: { kind: 'length', words: ['tilt', 'degree'], alone: true },
      jitter: { kind: 'length', words: ['jitter', 'scatter'], alone: true },
      ground: { kind: 'size', words: ['on', 'onto', 'across', 'over'], alone: true },
      from: { kind: 'size', words: ['from', 'out', 'in', 'sheet'], alone: true, after: ['sheet'] },
    },
    flags: { fit: ['fit'], loose: ['loose', 'loosely'] },
    usual: ['by', 'cell', 'side'],
    idle: [
      'edge-to-edge',
      'side-by-side',
      'many',
      'how',
      'photo',
      'different',
      'alternating',
      'fill',
      'cover',
      'high',
      'even',
    ],
  },
  read: readGrid,
};
