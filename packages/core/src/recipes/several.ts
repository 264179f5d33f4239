import { z } from 'zod';
import { lengthText, roundExact, ticks, type Ticks } from '../length/index.ts';
import type { Point, Size } from '../geometry/index.ts';
import { countAt, lengthAt, type ParsedValues, type Place } from '../line/index.ts';
import { lengthField, type Field, type FieldPath } from './fields.ts';
import type { readGivenLengths } from './given.ts';
import type { Offer, RecipeProblem, LayoutContext } from './recipe.ts';
import { term, type Equation, type SumsSolution } from './sums.ts';
import { fieldKey } from './fields.ts';

/*
 * Several alike, in rows from the upper left as one reads, as many in a row as the room is wide:
 *
 *     +---+ gap +---+
 *     | 1 |<--->| 2 |
 *     +---+     +---+
 *     | 3 |
 *     +---+
 */

export const MAX_ALIKE = 60;

/** What a recipe of which there may be several keeps. */
export const severalKeys = {
  number: z.int().min(1).max(MAX_ALIKE),
  gap: lengthText({ allow: 'zero' }).optional(),
};
export interface SeveralInput {
  readonly number: number;
  readonly gap?: string | number | undefined;
}
export const NUMBER: FieldPath = ['number'];
export const BETWEEN: FieldPath = ['gap'];
const GROUP: FieldPath = ['number'];

export const severalFields = ({ number, gap }: SeveralInput): Field[] => [
  { kind: 'count', path: NUMBER, group: GROUP, value: number, ifEmpty: 'refused', most: MAX_ALIKE },
  ...(number > 1 ? [lengthField(BETWEEN, gap, { allow: 'zero', group: GROUP, ifEmpty: 'by-rule' })] : []),
];

/** The gap between them, as it was given; none where nothing was said of it. */
export function severalEquations({ gap }: SeveralInput, { give }: ReturnType<typeof readGivenLengths>): Equation[] {
  give(BETWEEN, gap ?? '0', 'assumed', 'zero');
  return [[term(BETWEEN, 1), term(BETWEEN, -1)]];
}

export const SEVERAL_REASONS = ['too-many-for-room'] as const;

/** Where so many of a size lie, their lower left corners; or why they do not. */
export function laySeveral(
  { number }: SeveralInput,
  one: Size,
  { values }: Pick<SumsSolution, 'values'>,
  { room }: LayoutContext,
): { ok: true; at: Point[]; size: Size; gap: Ticks } | { ok: false; problems: RecipeProblem[]; offers: Offer[] } {
  const value = values.get(fieldKey(BETWEEN));
  const gap = value ? roundExact(value, 'nearest') : ticks(0);
  const fits = (long: number, each: number) => Math.max(0, Math.floor((long + gap) / (each + gap)));
  const [inRow, rows] = [fits(room.width, one.width), fits(room.height, one.height)];
  if (number > inRow * rows && number > 1) {
    const most = Math.max(1, inRow * rows);
    const lengths = [ticks(number), ticks(inRow * rows)];
    return {
      ok: false,
      problems: [{ code: 'own', why: 'too-many-for-room', path: NUMBER, lengths }],
      offers: most < number ? [{ path: NUMBER, count: most }] : [],
    };
  }
  // one by itself may be larger than its room, and hang over it
  const columns = Math.max(1, Math.min(number, inRow));
  const deep = Math.ceil(number / columns);
  const reach = (n: number, each: number) => ticks(n * each + (n - 1) * gap);
  const at = Array.from({ length: number }, (_, i): Point => ({
    x: ticks((i % columns) * (one.width + gap)),
    y: ticks((deep - 1 - Math.floor(i / columns)) * (one.height + gap)),
  }));
  return { ok: true, at, size: { width: reach(columns, one.width), height: reach(deep, one.height) }, gap };
}

/** What is said of several in a line. */
export const SEVERAL_PLACES = {
  number: { kind: 'count', words: [], most: MAX_ALIKE },
  gap: { kind: 'length', words: ['gap', 'apart', 'between', 'space', 'spaced', 'spacing'] },
  ground: { kind: 'size', words: ['on', 'onto'], alone: true },
} as const satisfies Record<string, Place>;

/** So many, a quarter of an inch (6 mm) apart unless it was said how far. */
export function readSeveral(heard: ParsedValues, table: LayoutContext): { number: number; gap?: string } {
  const number = countAt(heard, 'number') ?? 1;
  const gap = lengthAt(heard, 'gap');
  return { number, ...(number > 1 ? { gap: String(gap ?? (table.unit === 'in' ? '1/4' : '6')) } : {}) };
}
