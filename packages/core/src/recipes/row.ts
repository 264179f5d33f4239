import { z } from 'zod';
import {
  exact,
  lengthOf,
  lengthText,
  parseLength,
  roundExact,
  roundToMark,
  ticks,
  type Exact,
  type LengthText,
  type Ticks,
  type Unit,
} from '../length/index.ts';
import { countAt, lengthAt, sizeAt, parseTicks, type ParsedValues, type Place } from '../line/index.ts';
import { fieldKey, lengthField, withValue, type Field, type FieldPath } from './fields.ts';
import type { readGivenLengths } from './given.ts';
import type { Offer, RecipeProblem, Suggestion, LayoutContext } from './recipe.ts';
import { term, type Equation, type SumsSolution } from './sums.ts';

/*
 * Alike ones side by side along one axis of the room:
 *
 *     margin  width  gap                       across = count × width + (count − 1) × gap
 *    |<----->+-----+<->+-----+   +-----+       room   = across + 2 × margin   (where they are spread over it)
 *    |       |     |   |     |   |     |
 *
 * Any of them may be the unknown, the count too. Widths that are worked out go down to the mark, since they must fit side by side;
 * what is left over goes to the margins. Places are counted from one edge, each rounded once.
 */

export const SPREADS = ['room', 'row'] as const;
export const MAX_IN_ROW = 60;

/** What a row keeps; the width of one stands at `strip.width`. */
export const rowKeys = {
  /** Left out: as many as fit. */
  count: z.int().min(1).max(MAX_IN_ROW).optional(),
  /** Over the whole room with a margin at both ends, or as a row that is as long as it is. */
  spread: z.enum(SPREADS),
  row: z.strictObject({
    /** Below 0 they overlap. */
    gap: lengthText({ allow: 'negative' }).optional(),
    margin: lengthText({ allow: 'zero' }).optional(),
    across: lengthText().optional(),
  }),
};
export interface RowInput {
  readonly strip: { readonly width?: LengthText | undefined };
  readonly count?: number | undefined;
  readonly spread: (typeof SPREADS)[number];
  readonly row: {
    readonly gap?: LengthText | undefined;
    readonly margin?: LengthText | undefined;
    readonly across?: LengthText | undefined;
  };
}
/** Of the room, which way the row runs. */
export type RowAxis = 'width' | 'height';

export const WIDTH: FieldPath = ['strip', 'width'];
export const COUNT: FieldPath = ['count'];
export const ROW: FieldPath = ['row'];
export const GAP: FieldPath = ['row', 'gap'];
export const MARGIN: FieldPath = ['row', 'margin'];
export const ACROSS: FieldPath = ['row', 'across'];
const SPREAD: FieldPath = ['spread'];
const roomAt = (axis: RowAxis): FieldPath => ['room', axis];

/** How many fit where that is asked: the margin, or the length of the row, is then the least that must be left, or the most. */
export function rowCountOf(input: RowInput, table: LayoutContext, axis: RowAxis): number | null {
  if (input.count !== undefined) return input.count;
  const read = (text: LengthText | undefined) => {
    const length = text === undefined ? null : parseLength(text, table.unit, { allow: 'negative' });
    return length?.ok ? length.value.ticks : null;
  };
  const [width, gap] = [read(input.strip.width), read(input.row.gap)];
  const margin = read(input.row.margin) ?? 0;
  const across = read(input.row.across) ?? (input.spread === 'room' ? table.room[axis] - 2 * margin : null);
  if (width === null || gap === null || across === null || width + gap <= 0) return null;
  return Math.max(0, Math.min(MAX_IN_ROW, Math.floor((across + gap) / (width + gap))));
}

/** What a row is that nobody has said anything of: five over the room, three where there is little of it. */
export function defaultRow({ unit, room }: LayoutContext): { count: number; gap: string; margin: string } {
  const small = room.width < lengthOf('4', 'in');
  const [gap, margin] = unit === 'in' ? (small ? ['1/8', '1/8'] : ['1/4', '1/2']) : small ? ['3', '3'] : ['6', '12'];
  return { count: small ? 3 : 5, gap: gap!, margin: margin! };
}

/** Gives what is said of a row, and its lines of arithmetic. */
export function rowEquations(
  input: RowInput,
  table: LayoutContext,
  axis: RowAxis,
  { givens, give }: ReturnType<typeof readGivenLengths>,
): Equation[] {
  const { strip, row, spread, count } = input;
  givens.push({ path: roomAt(axis), value: table.room[axis], known: 'measured' });
  const n = rowCountOf(input, table, axis);
  give(WIDTH, strip.width);
  give(GAP, row.gap, 'assumed', 'negative');
  // of as many as fit, what is left over is shared out anew
  if (count !== undefined) {
    if (spread === 'room') give(MARGIN, row.margin, 'assumed', 'zero');
    give(ACROSS, row.across);
  }
  const equations: Equation[] = [];
  if (n !== null && n > 0) equations.push([term(ACROSS, 1), term(WIDTH, -n), ...(n > 1 ? [term(GAP, 1 - n)] : [])]);
  if (spread === 'room') equations.push([term(roomAt(axis), 1), term(ACROSS, -1), term(MARGIN, -2)]);
  return equations;
}

/** The fields of a row, the width of one first; what is said of one besides comes between. */
export function rowFields({ strip, count, spread, row }: RowInput, ofOne: readonly Field[]): Field[] {
  // of as many as fit, these are limits
  const limit = count === undefined ? { ifEmpty: 'by-rule' as const } : {};
  return [
    lengthField(WIDTH, strip.width),
    ...ofOne,
    { kind: 'count', path: COUNT, group: ROW, value: count, ifEmpty: 'worked-out', most: MAX_IN_ROW },
    { kind: 'choice', path: SPREAD, group: ROW, value: spread, options: SPREADS },
    ...(count === 1 ? [] : [lengthField(GAP, row.gap, { allow: 'negative' })]),
    ...(spread === 'room' ? [lengthField(MARGIN, row.margin, { allow: 'zero', ...limit })] : []),
    lengthField(ACROSS, row.across, limit),
  ];
}

/** A row that is not spread over the room has no margin of its own. */
export function setRowValue<Input extends RowInput>(input: Input, path: FieldPath, value: unknown): Input {
  const next = withValue(input, path, value);
  return next.spread === 'row' && next.row.margin !== undefined ? withValue(next, MARGIN, undefined) : next;
}

export const rowYieldOrder = (path: FieldPath): readonly FieldPath[] => {
  const end = path.at(-1);
  return end === 'margin'
    ? [GAP, WIDTH, ACROSS]
    : end === 'gap'
      ? [MARGIN, ACROSS, WIDTH]
      : [MARGIN, ACROSS, GAP, WIDTH];
};
export function rowFixedPaths({ spread }: RowInput, path: FieldPath): readonly FieldPath[] {
  if (path.at(-1) === 'count') return [GAP, WIDTH, spread === 'room' ? MARGIN : ACROSS];
  return spread === 'room' ? [MARGIN, GAP, ACROSS, WIDTH] : [ACROSS, GAP, WIDTH];
}

/** What would make too many or too wide ones fit: fewer of them, narrower ones, or overlapping ones. */
function fitting(n: number, width: Exact, gap: Exact, room: Ticks, table: LayoutContext): Offer[] {
  const [w, g] = [Number(width.n) / Number(width.d), Number(gap.n) / Number(gap.d)];
  const fewer = w + g > 0 ? Math.floor((room + g) / (w + g)) : 0;
  const narrower = n > 0 ? roundToMark(exact(Math.floor(room - (n - 1) * g), n), table.mark, 'down') : 0;
  const overlap = n > 1 ? roundToMark(exact(Math.floor(room - n * w), n - 1), table.mark, 'down') : 0;
  return [
    ...(fewer > 0 && fewer < n ? [{ path: COUNT, count: fewer }] : []),
    ...(narrower > 0 && narrower < w ? [{ path: WIDTH, length: ticks(narrower) }] : []),
    ...(n > 1 && -overlap < w ? [{ path: GAP, length: ticks(overlap) }] : []),
  ];
}

export interface LaidRow {
  readonly count: number;
  /** Of one, as it is cut. */
  readonly width: Ticks;
  readonly gap: Exact;
  /** From the first to the last. */
  readonly across: Ticks;
  /** Where the first begins. */
  readonly from: number;
  /** Where each begins, counted from the edge of the room or of the row. */
  readonly at: readonly number[];
  readonly values: ReadonlyMap<string, Exact>;
  readonly suggestions: readonly Suggestion[];
}

/** Reasons why a row cannot be, beside what all share. */
export const ROW_REASONS = ['too-much', 'none-fits'] as const;

/** Lays a row once its sums are solved; or says why it cannot be, with what would help. */
export function layRow(
  input: RowInput,
  table: LayoutContext,
  axis: RowAxis,
  { values: solved, sums }: Pick<SumsSolution, 'values' | 'sums'>,
  problems: readonly RecipeProblem[],
): { ok: true; row: LaidRow } | { ok: false; problems: readonly RecipeProblem[]; offers: Offer[] } {
  const value = (path: FieldPath): Exact => solved.get(fieldKey(path)) ?? exact(0);
  const room = table.room[axis];
  const refused = (problem: RecipeProblem, offers: Offer[] = []) => ({
    ok: false as const,
    problems: [problem],
    offers,
  });
  const n = rowCountOf(input, table, axis);
  if (n === 0 && !problems.some((p) => p.code === 'field')) {
    const lengths = [roundExact(value(WIDTH), 'nearest')];
    return refused(
      { code: 'own', why: 'none-fits', path: COUNT, lengths },
      fitting(1, value(WIDTH), exact(0), room, table),
    );
  }
  const { strip, row } = input;
  // all of it is said, and it is more than was said of the whole
  const all = [n ?? undefined, strip.width, n === 1 ? '0' : row.gap, row.across].every((text) => text !== undefined);
  if (all && n && problems.length === 1 && problems[0]!.code === 'disagree') {
    const [width, gap] = [value(WIDTH), n > 1 ? value(GAP) : exact(0)];
    const across = roundExact(value(ACROSS), 'nearest');
    const over = n * roundExact(width, 'nearest') + (n - 1) * roundExact(gap, 'nearest') - across;
    if (over > 0)
      return refused(
        { code: 'own', why: 'too-much', path: ACROSS, lengths: [ticks(over)] },
        fitting(n, width, gap, across, table),
      );
  }
  if (problems.length) return { ok: false, problems, offers: [] };
  if (n === null) return refused({ code: 'missing', paths: [COUNT] });
  // side by side they must fit: what does not come out on a mark is cut narrower
  const worked = sums.has(fieldKey(WIDTH));
  const width = worked ? roundToMark(value(WIDTH), table.mark, 'down') : roundExact(value(WIDTH), 'nearest');
  if (width <= 0) return refused({ code: 'size-not-positive', path: WIDTH, size: roundExact(value(WIDTH), 'nearest') });
  const gap = n > 1 ? value(GAP) : exact(0);
  const step = (i: number) => roundExact({ n: BigInt(i) * (BigInt(width) * gap.d + gap.n), d: gap.d }, 'nearest');
  const across = ticks(step(n - 1) + width);
  const from = input.spread === 'room' ? Math.floor((room - across) / 2) : 0;
  // one right on top of the other is no row
  if (n > 1 && BigInt(width) * gap.d + gap.n <= 0n)
    return refused({ code: 'size-not-positive', path: GAP, size: roundExact(gap, 'nearest') });
  if (from < 0)
    return refused(
      { code: 'own', why: 'too-much', path: ACROSS, lengths: [ticks(across - room)] },
      fitting(n, value(WIDTH), gap, room, table),
    );
  const over = ticks(roundExact(value(ACROSS), 'nearest') - across);
  const values = new Map(solved)
    .set(fieldKey(COUNT), exact(n))
    .set(fieldKey(WIDTH), exact(width))
    .set(fieldKey(ACROSS), exact(across));
  if (input.spread === 'room') values.set(fieldKey(MARGIN), exact(from));
  const to = input.spread === 'room' ? MARGIN : ACROSS;
  return {
    ok: true,
    row: {
      count: n,
      width,
      gap,
      across,
      from,
      values,
      at: Array.from({ length: n }, (_, i) => from + step(i)),
      suggestions: over > 0 ? [{ code: 'remainder', by: over, to }] : [],
    },
  };
}

/* What is said of a row in a line. */

export const ROW_PLACES = {
  count: { kind: 'count', words: [], most: MAX_IN_ROW },
  gap: { kind: 'length', words: ['gap', 'apart', 'between', 'space', 'spaced', 'spacing'], allow: 'negative' },
  overlap: { kind: 'length', words: ['overlap', 'lap'] },
  margin: { kind: 'length', words: ['margin', 'side', 'edge'] },
  across: { kind: 'length', words: ['across', 'over', 'along'], alone: true },
  sheet: {
    kind: 'size',
    words: ['from', 'sheet', 'pad', 'paper', 'out'],
    alone: true,
    after: ['sheet', 'pad', 'paper'],
  },
  ground: { kind: 'size', words: ['on', 'onto', 'across', 'over'], alone: true },
} as const satisfies Record<string, Place>;

/** How many come from one sheet: all of them lying the same way, and in what is left over the other way. */
function countFrom(
  sheet: { readonly width: string; readonly height: string },
  width: LengthText | undefined,
  length: LengthText | undefined,
  unit: Unit,
): number | undefined {
  const [w, l, across, up] = [width, length, sheet.width, sheet.height].map((text) => parseTicks(text, unit));
  if (!w || !l) return undefined;
  const alike = (a: number, b: number, x: number, y: number) => Math.floor(x / a) * Math.floor(y / b);
  /** So many columns this way, and beside them the other way; the same turned about. */
  const mixed = (a: number, b: number, x: number, y: number) =>
    Array.from({ length: Math.floor(x / a) + 1 }, (_, n) => n * Math.floor(y / b) + alike(b, a, x - n * a, y));
  const most = Math.max(
    ...[
      [across!, up!],
      [up!, across!],
    ].flatMap(([x, y]) => [...mixed(w, l, x!, y!), ...mixed(l, w, x!, y!)]),
  );
  return most > 0 ? Math.min(most, MAX_IN_ROW) : undefined;
}

/** The row that was said: without a number as many as fit; with a number, a width and a gap, the margins follow. */
export function readRowLine(
  heard: ParsedValues,
  table: LayoutContext,
  { width, length }: { width: LengthText | undefined; length: LengthText | undefined },
  edges = false,
): Omit<RowInput, 'strip'> {
  const said = (place: string) => lengthAt(heard, place);
  const [overlap, sheet] = [said('overlap'), sizeAt(heard, 'sheet')];
  // `a banner 2 x 6` is one, where nothing is said of a row of them
  const rowSaidOf =
    ['across', 'gap', 'overlap', 'margin', 'ground', 'page'].some((place) =>
      heard.values.some((v) => v.place === place),
    ) || ['fit', 'row', 'across', 'both'].some((flag) => heard.flags.has(flag));
  const alone = heard.single && width !== undefined && length !== undefined && !sheet && !rowSaidOf;
  // `a strip 2 wide across a 12 x 12`
  const isOne =
    heard.single &&
    heard.heads.has('strip') &&
    width !== undefined &&
    !sheet &&
    !['gap', 'overlap', 'margin'].some((place) => said(place) !== undefined) &&
    !['fit', 'row', 'both'].some((flag) => heard.flags.has(flag));
  // `a strip along the bottom`
  const along = heard.single && heard.flags.has('along');
  const count =
    countAt(heard, 'count') ??
    (along || isOne ? 1 : undefined) ??
    (sheet ? countFrom(sheet, width, length, table.unit) : alone ? 1 : undefined);
  // how many fit is asked of what lies side by side
  const close = edges || heard.flags.has('fit');
  const gap = said('gap') ?? (overlap === undefined ? (close ? '0' : undefined) : `-${overlap}`);
  // `five 2 in strips across 12, gap 1/4`: all is said, and what is over are the margins
  const [w, g, over] = [width, gap, said('across')].map((text) => parseTicks(text, table.unit));
  const spare = count !== undefined && gap !== undefined && w! > 0 && count * w! + (count - 1) * g! < over!;
  // `three strips from a 12 x 12`: all of it, in so many
  const parted = sheet && count !== undefined && width === undefined && gap === undefined ? sheet.width : undefined;
  const across =
    (spare || said('margin') !== undefined) && over === table.room.width ? undefined : (said('across') ?? parted);
  // nothing is said of how wide they are, nor of all of them: they fill the page
  const fills = across === undefined && width === undefined && said('margin') === undefined && count !== undefined;
  const margin =
    across === undefined
      ? (said('margin') ?? (fills ? (heard.flags.has('across') ? '0' : defaultRow(table).margin) : undefined))
      : undefined;
  const usual = table.unit === 'in' ? '1/4' : '6';
  // `four 3 inch strips for a 12 inch page`: they fill it, and no gap fits between them
  const all = (count ?? 0) * w!;
  const tight =
    gap === undefined &&
    margin === undefined &&
    across === undefined &&
    heard.values.some((v) => v.place === 'page') &&
    all <= table.room.width &&
    all + ((count ?? 0) - 1) * lengthOf(usual, table.unit) > table.room.width;
  // so many of a size that do not fit side by side on a page nobody spoke of are just cut
  const [pieces, room] = [count ?? 0, table.room.width];
  const justCut =
    !rowSaidOf &&
    !heard.heads.has('pennant') &&
    pieces > 0 &&
    w! > 0 &&
    (alone || pieces * w! + (pieces - 1) * (gap === undefined ? lengthOf(usual, table.unit) : g!) > room);
  const free = [width, gap, across ?? margin].filter((text) => text === undefined).length;
  return {
    ...(count === undefined ? {} : { count }),
    // cut from sheets of a size, they are not laid over a page yet
    spread:
      justCut || across !== undefined || (heard.flags.has('row') && said('across') === undefined && !fills) || sheet
        ? 'row'
        : 'room',
    row: {
      ...(gap !== undefined
        ? { gap }
        : parted !== undefined || tight
          ? { gap: '0' }
          : free > 1 || count === undefined
            ? { gap: usual }
            : {}),
      ...(margin !== undefined && (count === undefined || gap === undefined || width === undefined) ? { margin } : {}),
      ...(across === undefined ? {} : { across }),
    },
  };
}
