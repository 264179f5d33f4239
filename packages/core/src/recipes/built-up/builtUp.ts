import { z } from 'zod';
import {
  exact,
  formatExactLength,
  lengthOf,
  lengthText,
  parseLength,
  roundToMark,
  ticks,
  type LengthText,
  type Ticks,
} from '../../length/index.ts';
import { rect, type Rect } from '../../geometry/index.ts';
import { lengthAt, sizeAt, parseTicks } from '../../line/index.ts';
import { fieldKey, lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer, outerDimsOf } from '../laying.ts';
import { sizeFields, sizeKeys } from '../nested.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Blank } from '../blanks.ts';
import type { Arithmetic, Dim, Fact, Layer, Offer, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';

/*
 * A sheet made of smaller ones. They meet edge to edge over a backing strip, or each reaches over the one before:
 *
 *     |<--- patch --->|<--- patch --->|<-- last -->|       size = patches − overlaps, the last of a row cut to what is left
 *     +---------------+---------------+------------+
 *     |               |               |            |
 *     |             [backing]       [backing]      |
 */

const JOINS = ['butt', 'overlap'] as const;
const MAX_SHEETS_ALONG = 12;
const builtUpSchema = z.strictObject({
  /** What is wanted. */
  whole: z.strictObject(sizeKeys),
  /** What there is; left out: as large as they must be. */
  patch: z.strictObject(sizeKeys),
  /** How many in a row and how many rows; left out: as many as are needed. */
  count: z.strictObject({
    across: z.int().min(1).max(MAX_SHEETS_ALONG).optional(),
    up: z.int().min(1).max(MAX_SHEETS_ALONG).optional(),
  }),
  join: z.strictObject({
    how: z.enum(JOINS),
    overlap: lengthText().optional(),
    /** How wide the strip behind a join is. */
    backing: lengthText().optional(),
  }),
});
export type BuiltUpInput = z.infer<typeof builtUpSchema>;

const [WHOLE, PATCH]: readonly FieldPath[] = [['whole'], ['patch']];
const OVERLAP: FieldPath = ['join', 'overlap'];
const BACKING: FieldPath = ['join', 'backing'];
const AXES = [
  { size: 'width', count: ['count', 'across'] },
  { size: 'height', count: ['count', 'up'] },
] as const;
type Axis = (typeof AXES)[number];
const sizeAlong = (group: FieldPath, axis: Axis): FieldPath => [...group, axis.size];

const usual = (table: LayoutContext) =>
  table.unit === 'in' ? { overlap: '1/4', backing: '1' } : { overlap: '6', backing: '25' };
const overlapOf = ({ join }: BuiltUpInput, table: LayoutContext): LengthText => join.overlap ?? usual(table).overlap;

/** How many it takes along an axis, where that is not said. */
function neededAlong(input: BuiltUpInput, table: LayoutContext, axis: Axis): number | null {
  const said = input.count[axis.count[1]];
  if (said !== undefined) return said;
  const read = (text: string | number | undefined): number | null => {
    const length = text === undefined ? null : parseLength(text, table.unit);
    return length?.ok ? length.value.ticks : null;
  };
  const [whole, patch] = [read(input.whole[axis.size]), read(input.patch[axis.size])];
  const overlap = input.join.how === 'overlap' ? (read(overlapOf(input, table)) ?? 0) : 0;
  // with only one of the two said, it is made of two
  if ((input.whole[axis.size] === undefined) !== (input.patch[axis.size] === undefined)) return 2;
  if (whole === null || patch === null || patch <= overlap) return null;
  return Math.max(1, Math.ceil((whole - overlap) / (patch - overlap)));
}

/** Whether whole and patch are both said: then the last of a row is cut to what is left. */
const isGivenBothWays = (input: BuiltUpInput, { size }: Axis): boolean =>
  input.whole[size] !== undefined && input.patch[size] !== undefined;

function arithmetic(input: BuiltUpInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const equations: Equation[] = [];
  for (const axis of AXES) {
    give(sizeAlong(WHOLE!, axis), input.whole[axis.size]);
    give(sizeAlong(PATCH!, axis), input.patch[axis.size]);
    const n = neededAlong(input, table, axis);
    if (n === null || isGivenBothWays(input, axis)) continue;
    const overlaps = n > 1 && input.join.how === 'overlap' ? [term(OVERLAP, n - 1)] : [];
    equations.push([term(sizeAlong(WHOLE!, axis), 1), term(sizeAlong(PATCH!, axis), -n), ...overlaps]);
  }
  if (input.join.how === 'overlap') give(OVERLAP, overlapOf(input, table));
  else give(BACKING, input.join.backing);
  return { equations, givens, problems };
}

/** A large sheet from small ones: how many it takes, how the last is cut, the strips behind the joins, and what is left over. */
export const builtUp: Recipe<'built-up', BuiltUpInput> = {
  ...PLAIN_RECIPE,
  id: 'built-up',
  input: builtUpSchema,
  roles: ['patch', 'backing'],
  reasons: ['not-enough', 'one-too-many', 'too-many', 'overlap-too-wide'],
  phrases: [
    'build up 12 x 12 from 6 x 6',
    'sheet 14 x 11 pieced from 8 x 6, overlap 1/4',
    'four 6 x 6 patches pieced into a sheet',
    'build up 300 mm x 300 mm from 152 mm x 152 mm, backing 25 mm',
  ],

  start: (table) => {
    const text = (t: number) => formatExactLength(ticks(t), table.unit);
    const { width, height } = table.room;
    const half = (length: Ticks) => roundToMark(exact(length, 2), table.mark, 'up');
    return {
      whole: { width: text(width), height: text(height) },
      patch: { width: text(half(width)), height: text(half(height)) },
      count: {},
      join: {
        how: 'butt',
        backing:
          Math.min(width, height) < lengthOf('4', 'in') ? (table.unit === 'in' ? '1/4' : '6') : usual(table).backing,
      },
    };
  },
  fields: ({ whole, patch, count, join }): readonly Field[] => [
    ...sizeFields(WHOLE!, whole, null, 'by-rule'),
    ...sizeFields(PATCH!, patch, null, 'by-rule'),
    ...AXES.map((axis): Field => ({
      kind: 'count',
      path: axis.count,
      group: ['count'],
      value: count[axis.count[1]],
      ifEmpty: 'by-rule',
      most: MAX_SHEETS_ALONG,
    })),
    { kind: 'choice', path: ['join', 'how'], group: ['join'], value: join.how, options: JOINS },
    ...(join.how === 'overlap'
      ? [lengthField(OVERLAP, join.overlap, { ifEmpty: 'by-rule' })]
      : [lengthField(BACKING, join.backing, { ifEmpty: 'by-rule' })]),
  ],
  givesWay: (_input, path) => {
    const axis = AXES.find((a) => a.size === path.at(-1));
    return { own: axis ? [sizeAlong(path[0] === 'whole' ? PATCH! : WHOLE!, axis)] : [], others: [] };
  },
  standsStill: () => [],
  arithmetic,

  solve: (input, table) => {
    const { mark } = table;
    const { solution, problems, near, exactly } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const none = findNotPositive(
      AXES.flatMap((axis) => [sizeAlong(WHOLE!, axis), sizeAlong(PATCH!, axis)]),
      near,
    );
    if (none.length) return makeRefusal(none);
    const butt = input.join.how === 'butt';
    const overlap = butt ? 0 : near(OVERLAP);
    const wrong: RecipeProblem[] = [];
    const offers: Offer[] = [];
    const along = AXES.map((axis) => {
      const n = neededAlong(input, table, axis);
      const path = sizeAlong(PATCH!, axis);
      const whole = near(sizeAlong(WHOLE!, axis));
      // worked out, they must reach: up to the mark
      const patch = input.patch[axis.size] === undefined ? roundToMark(exactly(path), mark, 'up') : near(path);
      const own = (why: string, at: FieldPath, ...lengths: number[]) =>
        wrong.push({ code: 'own', why, path: at, lengths: lengths.map((t) => ticks(t)) });
      if (n === null || patch <= overlap) {
        own('overlap-too-wide', OVERLAP, overlap, patch);
        return { n: 1, patch, last: patch, whole };
      }
      const needed = Math.max(1, Math.ceil((whole - overlap) / (patch - overlap)));
      if (n > MAX_SHEETS_ALONG) own('too-many', path, patch, whole);
      else if (n < needed) {
        own('not-enough', axis.count, n * patch - (n - 1) * overlap, whole);
        if (needed <= MAX_SHEETS_ALONG) offers.push({ path: axis.count, count: needed });
      } else if (n > needed) {
        own('one-too-many', axis.count, whole);
        offers.push({ path: axis.count, count: needed });
      }
      const last = whole - (n - 1) * (patch - overlap);
      return { n, patch, last, whole };
    });
    if (wrong.length) return makeRefusal(wrong, offers);
    const [x, y] = along as [(typeof along)[number], (typeof along)[number]];
    const cells = Array.from({ length: y.n }, (_, r) =>
      Array.from({ length: x.n }, (_, c) => {
        const [lastX, lastY] = [c === x.n - 1, r === y.n - 1];
        const [width, height] = [lastX ? x.last : x.patch, lastY ? y.last : y.patch];
        const [short, low] = [width < x.patch, height < y.patch];
        const key = short && low ? 'corner' : short ? 'end' : low ? 'top' : 'patch';
        return { key, box: rect(c * (x.patch - overlap), r * (y.patch - overlap), width, height) };
      }),
    ).flat();
    const kinds = [...new Map(cells.map((cell) => [cell.key, cell])).values()];
    const backing = butt && input.join.backing !== undefined ? near(BACKING) : 0;
    const strips = backing ? backings(x, y, backing) : [];
    const layers: Layer[] = [
      ...strips.map((s, i) =>
        makeLayer({
          key: `${s.key}-${s.n}`,
          role: 'backing',
          n: i + 1,
          box: s.box,
          group: ['join'],
          sized: null,
          blank: s.key,
        }),
      ),
      ...cells.map(({ key, box }, i) =>
        makeLayer({
          key: `patch-${i + 1}`,
          role: 'patch',
          n: i + 1,
          box,
          group: PATCH!,
          sized: null,
          blank: key,
        }),
      ),
    ];
    const blanks: Blank[] = [
      ...kinds.map(({ key, box }, i) => {
        const quantity = cells.filter((cell) => cell.key === key).length;
        return makeBlank({ key, role: 'patch', n: i + 1, quantity }, box, mark, 'nearest');
      }),
      ...[...new Set(strips.map((s) => s.key))].map((key, i) => {
        const alike = strips.filter((s) => s.key === key);
        return makeBlank({ key, role: 'backing', n: i + 1, quantity: alike.length }, alike[0]!.box, mark, 'nearest');
      }),
    ];
    const values = new Map(solution.values)
      .set(fieldKey(sizeAlong(PATCH!, AXES[0])), exact(ticks(x.patch)))
      .set(fieldKey(sizeAlong(PATCH!, AXES[1])), exact(ticks(y.patch)))
      .set(fieldKey(AXES[0].count), exact(x.n))
      .set(fieldKey(AXES[1].count), exact(y.n));
    return {
      status: 'solved',
      laid: {
        size: { width: ticks(x.whole), height: ticks(y.whole) },
        layers,
        blanks,
        slots: [],
        dims: [...outerDimsOf(WHOLE!, { width: ticks(x.whole), height: ticks(y.whole) }), ...patchDims(cells[0]!.box)],
        facts: leftOver(x, y),
      },
      values,
      sums: solution.sums,
      suggestions: [],
    };
  },

  grammar: {
    heads: ['build', 'built', 'piece', 'patch', 'patchwork', 'join', 'assemble', 'tile', 'make', 'makes'],
    places: {
      patch: {
        kind: 'size',
        words: ['from', 'patch', 'pad', 'scrap', 'using', 'square'],
        alone: true,
        after: ['patch', 'pad', 'scrap', 'square'],
      },
      whole: { kind: 'size', words: ['sheet', 'build', 'up', 'into', 'base', 'make', 'made'], alone: true },
      overlap: { kind: 'length', words: ['overlap', 'over', 'lap'], alone: true },
      backing: { kind: 'length', words: ['backing', 'strip', 'behind'], alone: true },
      number: { kind: 'count', words: [], most: MAX_SHEETS_ALONG * MAX_SHEETS_ALONG },
    },
    usual: ['whole', 'patch', 'backing'],
    idle: ['together', 'butt', 'butted'],
  },
  read: (heard, table) => {
    const [a, b] = [sizeAt(heard, 'whole'), sizeAt(heard, 'patch')];
    const area = (size: typeof a) => parseTicks(size?.width, table.unit) * parseTicks(size?.height, table.unit);
    // the larger one is what it comes to
    const [whole, patch] = a && b && area(a) < area(b) ? [b, a] : [a, b];
    const number = Number(lengthAt(heard, 'number') ?? 0);
    if (!patch && !(whole && number)) return null;
    // `12 pieces 1 x 2` are not put together
    const isPieces = [...heard.heads].every((head) => head === 'piece' || head === 'tile');
    if (isPieces && !patch) return null;
    // so many of them, as square as they can be laid
    const across = number
      ? Math.max(...Array.from({ length: Math.floor(Math.sqrt(number)) }, (_, i) => (number % (i + 1) ? 1 : i + 1)))
      : 0;
    const overlap = lengthAt(heard, 'overlap');
    const lapped = overlap !== undefined || heard.flags.has('overlap');
    return {
      whole: { ...whole },
      patch: { ...patch },
      count: number && !(whole && patch) ? { across: number / across, up: across } : {},
      join: lapped
        ? { how: 'overlap', overlap: overlap ?? usual(table).overlap }
        : { how: 'butt', backing: lengthAt(heard, 'backing') ?? usual(table).backing },
    };
  },
};

type Run = { readonly n: number; readonly patch: number; readonly last: number; readonly whole: number };

/** Strips behind the joins: upright ones from edge to edge, level ones likewise. */
function backings(x: Run, y: Run, wide: number): { key: string; n: number; box: Rect }[] {
  const upright = Array.from({ length: x.n - 1 }, (_, i) => ({
    key: 'backing-up',
    n: i + 1,
    box: rect((i + 1) * x.patch - Math.floor(wide / 2), 0, wide, y.whole),
  }));
  const level = Array.from({ length: y.n - 1 }, (_, i) => ({
    key: 'backing-across',
    n: i + 1,
    box: rect(0, (i + 1) * y.patch - Math.floor(wide / 2), x.whole, wide),
  }));
  return [...upright, ...level];
}

const patchDims = ({ width, height }: Rect): Dim[] => {
  const at = (t: number, s: number) => ({ x: ticks(t), y: ticks(s) });
  return [
    { kind: 'span', path: ['patch', 'width'], from: at(0, 0), to: at(width, 0), side: 'bottom' },
    { kind: 'span', path: ['patch', 'height'], from: at(0, 0), to: at(0, height), side: 'right' },
  ];
};

/** What is left of the patches that are cut to what is needed. */
function leftOver(x: Run, y: Run): Fact[] {
  const facts: Fact[] = [];
  if (x.last < x.patch) facts.push({ name: 'left-across', lengths: [ticks(x.patch - x.last), ticks(y.patch)] });
  if (y.last < y.patch) facts.push({ name: 'left-up', lengths: [ticks(x.patch), ticks(y.patch - y.last)] });
  return facts;
}
