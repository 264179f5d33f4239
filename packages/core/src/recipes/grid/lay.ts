import { exact, ticks, type Exact, type Ticks } from '../../length/index.ts';
import { rect, type Rect } from '../../geometry/index.ts';
import { fieldKey } from '../fields.ts';
import { makeBlank, sortByBlank, makeLayer } from '../laying.ts';
import type { Dim, Layer, RecipeSolution, Suggestion, LayoutContext } from '../recipe.ts';
import type { SumsSolution } from '../sums.ts';
import { AXES, CELL, GUTTER, LARGE, PAPERS, allAt, cellAt, countAtAxis, countAtPaper, marginAt } from './axes.ts';
import { givenLengthAt } from './counted.ts';
import type { GridInput } from './input.ts';
import { findNeighbours, listPlaces, type CellPlace } from './large.ts';
import { scatterCells } from './loose.ts';
import { countAlikeNeighbours, spreadPapers, type Spread } from '../papers.ts';
import { paperOfPlace } from './pattern.ts';

/* A grid whose sizes are worked out, laid: which paper each place has, where it lies, what is cut. */

/** One way of a grid, laid. */
export interface GridAxisLayout {
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

/** Which paper each place has: as it was laid by hand, else as the counts ask. */
export function assignPapers(
  { papers, counts, pattern }: GridInput,
  places: readonly CellPlace[],
  rows: number,
): Spread | (Omit<Spread, 'is'> & { is: 'by-hand' }) {
  if (pattern === undefined || papers === 1)
    return spreadPapers(
      findNeighbours(places),
      Array.from({ length: papers }, (_, p) => counts[String(p + 1)] ?? null),
    );
  const all = places.map((place) => paperOfPlace(pattern, place, rows));
  return { papers: all, is: 'by-hand', alike: countAlikeNeighbours(all, findNeighbours(places).beside) };
}

/** What is laid, by places; `x` and `y` say where columns and rows begin. */
export function layGrid(
  input: GridInput,
  table: LayoutContext,
  x: GridAxisLayout,
  y: GridAxisLayout,
  solution: SumsSolution,
): RecipeSolution {
  const { large, papers } = input;
  const places = listPlaces(large, x.n, y.n);
  const laid = assignPapers(input, places, y.n);
  const level = ({ column, row, columns, rows }: CellPlace): Rect => {
    const end = (l: GridAxisLayout, first: number, many: number) => l.at[first + many - 2]! + l.cell - l.at[first - 1]!;
    return rect(x.at[column - 1]!, y.at[row - 1]!, end(x, column, columns), end(y, row, rows));
  };
  const paperOf = new Map(places.map(({ key }, i) => [key, laid.papers[i]!]));
  const cells = places.filter(({ key }) => !large.some((one) => one.id === key));
  const sized = { width: cellAt(AXES[0]), height: cellAt(AXES[1]) };
  const loose = scatterCells(input, table, cells.map(level), large.map(level));
  const layers = [
    ...sortByBlank(
      cells.map((cell, i): Layer => {
        const { key } = cell;
        const blank = `cell-${paperOf.get(key)! + 1}`;
        return makeLayer({ key, role: 'cell', n: i + 1, blank, group: CELL, sized, ...loose.cells[i]! });
      }),
    ),
    ...large.map((one, i): Layer =>
      makeLayer({
        key: one.id,
        role: 'large',
        n: i + 1,
        box: loose.large[i]!,
        group: ['large', i],
        sized: null,
        entry: { list: LARGE, id: one.id },
      }),
    ),
  ];
  const each = Array.from({ length: papers }, (_, p) => cells.filter(({ key }) => paperOf.get(key) === p).length);
  const inAll = Array.from({ length: papers }, (_, p) => laid.papers.filter((one) => one === p).length);
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
  inAll.forEach((n, p) => values.set(fieldKey(countAtPaper(p)), exact(n)));
  return {
    status: 'solved',
    laid: {
      size: loose.size ?? (input.spread === 'room' ? table.room : { width: x.all, height: y.all }),
      layers,
      blanks: [
        ...each.flatMap((quantity, p) => {
          const key = { key: `cell-${p + 1}`, role: 'cell', n: p + 1, quantity };
          return quantity ? [makeBlank(key, { width: x.cell, height: y.cell }, table.mark, 'nearest')] : [];
        }),
        ...large.map((one, i) => {
          const paper = paperOf.get(one.id);
          const paperFrom = paper === undefined ? {} : { paperFrom: `cell-${paper + 1}` };
          return makeBlank({ key: one.id, role: 'large', n: i + 1, ...paperFrom }, level(one), table.mark, 'nearest');
        }),
      ],
      slots: large.map((one, i) => ({ key: one.id, role: 'large', n: i + 1, box: loose.large[i]! })),
      dims: dimsOf(input, x, y),
      facts: [
        { name: 'cells', lengths: [ticks(cells.length), ticks(large.length)] },
        ...(papers > 1 && places.length && !laid.alike.length
          ? [{ name: 'papers', lengths: inAll.map((n) => ticks(n)) }]
          : []),
      ],
    },
    values,
    sums: solution.sums,
    suggestions: [...leftOver(input, table, x, y), ...ofPapers(input, laid), ...loose.advice],
  };
}

/** What rounding cells down left over, where a margin was wished otherwise. */
const leftOver = (input: GridInput, table: LayoutContext, x: GridAxisLayout, y: GridAxisLayout): Suggestion[] =>
  AXES.flatMap((axis): Suggestion[] => {
    const { over } = axis.size === 'width' ? x : y;
    const to = input.spread === 'room' ? marginAt(axis) : allAt(axis);
    return over > 0 && givenLengthAt(input, to, table) !== null ? [{ code: 'remainder', by: ticks(over), to }] : [];
  });

/** That some match, or that the counts are not even, and whether it could be otherwise. */
function ofPapers({ papers }: GridInput, { is, alike, papers: all }: ReturnType<typeof assignPapers>): Suggestion[] {
  if (is === 'as-asked' || (is === 'by-hand' && !alike.length)) return [];
  const why = { uneven: 'uneven', impossible: 'alike', 'not-found': 'alike-for-now', 'by-hand': 'by-hand-alike' }[is];
  const counts = Array.from({ length: papers }, (_, p) => ticks(all.filter((one) => one === p).length));
  return [{ code: 'own', why, path: PAPERS, lengths: is === 'uneven' ? counts : [ticks(alike.length)] }];
}

/** Typed at the upper left cell, a gutter, the margins, and below all of it. */
function dimsOf(input: GridInput, x: GridAxisLayout, y: GridAxisLayout): Dim[] {
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
