import { z } from 'zod';
import {
  exact,
  lengthText,
  parseLength,
  roundExact,
  scaleExact,
  ticks,
  type Exact,
  type LengthText,
  type Ticks,
} from '../../length/index.ts';
import type { Edge, Size } from '../../geometry/index.ts';
import type { Recipe, RecipeProblem, Table } from '../recipe.ts';
import { solveSums, type Equation, type Given, type Sum } from '../sums.ts';

const sizeFields = { width: lengthText().optional(), height: lengthText().optional() };

export const photoSchema = z.strictObject({
  /** The whole print, its white border included. */
  print: z.strictObject({ ...sizeFields, known: z.enum(['measured', 'assumed']).default('measured') }).prefault({}),
  /** What is seen inside the border. */
  image: z.strictObject(sizeFields).prefault({}),
  /** Printed white border, the same on all edges; left out: solved for when print and image are given, else none. */
  border: lengthText({ allow: 'zero' }).optional(),
  /** Another print size to make of the image. */
  crop: z
    .strictObject({
      width: lengthText(),
      height: lengthText(),
      /** fill: cover all of it and lose what is over; whole: lose nothing and fall short. */
      keep: z.enum(['fill', 'whole']).default('fill'),
      /** How the loss is shared between the two ends. */
      across: z.enum(['left', 'centre', 'right']).default('centre'),
      upDown: z.enum(['bottom', 'centre', 'top']).default('centre'),
    })
    .optional(),
});
export type PhotoInput = z.infer<typeof photoSchema>;

export interface Crop {
  /** Enlargement as a ratio, lowest terms. */
  readonly scale: Exact;
  /** The whole image at that scale. */
  readonly scaled: Size;
  /** What falls outside the wanted size, per edge, at the new scale. */
  readonly lost: Readonly<Record<Edge, Ticks>>;
  /** The same measured on the original print, both edges together. */
  readonly lostOfOriginal: Size;
  /** What the image fails to cover. */
  readonly short: Size;
}

export interface PhotoAnswer {
  readonly print: Size;
  readonly image: Size;
  readonly border: Ticks;
  readonly crop: Crop | null;
}

/** n/d as an exact ratio of two lengths. */
const ratio = (a: Ticks, b: Ticks): Exact => exact(a, b);
const less = (a: Exact, b: Exact): boolean => a.n * b.d < b.n * a.d;
const times = (length: Ticks, scale: Exact): Ticks =>
  roundExact(scaleExact(exact(length), scale.n, scale.d), 'nearest');

function share(total: Ticks, where: 'low' | 'centre' | 'high'): [low: Ticks, high: Ticks] {
  const low = where === 'low' ? 0 : where === 'high' ? total : Math.floor(total / 2);
  return [ticks(low), ticks(total - low)];
}

function cropTo(image: Size, want: Size, crop: NonNullable<PhotoInput['crop']>): Crop {
  const [sx, sy] = [ratio(want.width, image.width), ratio(want.height, image.height)];
  const scale = less(sx, sy) === (crop.keep === 'whole') ? sx : sy;
  const scaled = { width: times(image.width, scale), height: times(image.height, scale) };
  const over = (a: Ticks, b: Ticks) => ticks(Math.max(0, a - b));
  const lost = { width: over(scaled.width, want.width), height: over(scaled.height, want.height) };
  const inverse: Exact = { n: scale.d, d: scale.n };
  // what is kept on the left is lost on the right
  const [left, right] = share(lost.width, crop.across === 'left' ? 'low' : crop.across === 'right' ? 'high' : 'centre');
  const [bottom, top] = share(
    lost.height,
    crop.upDown === 'bottom' ? 'low' : crop.upDown === 'top' ? 'high' : 'centre',
  );
  return {
    scale,
    scaled,
    lost: { left, right, bottom, top },
    lostOfOriginal: { width: times(lost.width, inverse), height: times(lost.height, inverse) },
    short: { width: over(want.width, scaled.width), height: over(want.height, scaled.height) },
  };
}

function readFields(input: PhotoInput, table: Table, problems: RecipeProblem[]): Given[] {
  const givens: Given[] = [];
  const read = (name: string, text: LengthText | undefined, known: Given['known'], allow?: 'zero') => {
    if (text === undefined || text === '') return;
    const result = parseLength(text, table.unit, allow ? { allow } : {});
    if (result.ok) givens.push({ name, value: result.value.ticks, known });
    else problems.push({ code: 'field', field: name, problem: result.problem });
  };
  read('print.width', input.print.width, input.print.known);
  read('print.height', input.print.height, input.print.known);
  read('image.width', input.image.width, 'assumed');
  read('image.height', input.image.height, 'assumed');
  read('border', input.border, 'assumed', 'zero');
  const bare = givens.every((g) => g.name !== 'border');
  const pair = (axis: string) =>
    givens.some((g) => g.name === `print.${axis}`) && givens.some((g) => g.name === `image.${axis}`);
  if (bare && !pair('width') && !pair('height')) givens.push({ name: 'border', value: ticks(0), known: 'assumed' });
  return givens;
}

const EQUATIONS: readonly Equation[] = (['width', 'height'] as const).map((axis) => [
  { name: `print.${axis}`, times: 1 },
  { name: `image.${axis}`, times: -1 },
  { name: 'border', times: -2 },
]);

export const photo: Recipe<'photo', PhotoInput, PhotoAnswer> = {
  id: 'photo',
  version: 1,
  input: photoSchema,
  rounding: 'nearest',
  giveWay: () => ['image.width', 'image.height', 'border', 'print.width', 'print.height'],
  solve: (input, table) => {
    const problems: RecipeProblem[] = [];
    const givens = readFields(input, table, problems);
    if (problems.length) return { status: 'refused', problems, offers: [] };
    const solution = solveSums(EQUATIONS, givens, photo.giveWay(input));
    if (solution.disagree) {
      const by = ticks(Math.abs(roundExact(solution.disagree.by, 'nearest')));
      return { status: 'refused', problems: [{ code: 'disagree', fields: solution.disagree.names, by }], offers: [] };
    }
    if (solution.unknown.length)
      return { status: 'refused', problems: [{ code: 'missing', fields: solution.unknown }], offers: [] };
    const value = (name: string) => roundExact(solution.values.get(name)!, 'nearest');
    const size = (name: string): Size => ({ width: value(`${name}.width`), height: value(`${name}.height`) });
    const [print, image, border] = [size('print'), size('image'), value('border')];
    if (Math.min(image.width, image.height) <= 0 || border < 0) {
      const most = ticks(Math.floor((Math.min(print.width, print.height) - 1) / 2));
      return { status: 'refused', problems: [{ code: 'border-too-wide', border, most }], offers: [] };
    }
    const crop = input.crop && cropWanted(image, input.crop, table);
    const sums: Record<string, Sum> = Object.fromEntries(solution.sums);
    const suggestions = solution.gaveWay.map((field) => ({ code: 'gave-way' as const, field }));
    return { status: 'solved', answer: { print, image, border, crop: crop ?? null }, sums, suggestions };
  },
};

function cropWanted(image: Size, crop: NonNullable<PhotoInput['crop']>, table: Table): Crop | null {
  const width = parseLength(crop.width, table.unit);
  const height = parseLength(crop.height, table.unit);
  if (!width.ok || !height.ok) return null;
  return cropTo(image, { width: width.value.ticks, height: height.value.ticks }, crop);
}
